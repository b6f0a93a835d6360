<?php

declare(strict_types=1);

/*
 * A stand-in for an object store, for trying and testing: the few requests of the S3 protocol that the application's
 * disk makes, kept in a folder. It knows one key and looks whether a request names it; it does not check signatures.
 *
 *   STORE_FOLDER=/tmp/store STORE_KEY=hollin php -S 127.0.0.1:9000 standins/object-store.php
 */

$folder = getenv('STORE_FOLDER') ?: sys_get_temp_dir() . '/hollin-object-store';
$key = getenv('STORE_KEY') ?: 'hollin';

function answer(int $status, string $body = '', string $type = 'application/xml'): never
{
    http_response_code($status);
    header("Content-Type: {$type}");
    header('x-amz-request-id: ' . bin2hex(random_bytes(8)));
    echo $body;
    exit();
}

function refuse(int $status, string $code): never
{
    answer($status, "<?xml version=\"1.0\"?><Error><Code>{$code}</Code><Message>{$code}</Message></Error>");
}

if (!str_contains($_SERVER['HTTP_AUTHORIZATION'] ?? '', "Credential={$key}/")) {
    refuse(403, 'AccessDenied');
}
$path = rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));
if (str_contains($path, '..') || str_contains($path, "\0")) {
    refuse(400, 'InvalidURI');
}
parse_str((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_QUERY), $query);
[$bucket, $name] = [...explode('/', ltrim($path, '/'), 2), ''];
$file = "{$folder}/{$bucket}/{$name}";
$method = $_SERVER['REQUEST_METHOD'];

if ($name === '') {
    // What lies under a name that was asked for.
    $found = '';
    $root = "{$folder}/{$bucket}/";
    if (is_dir($root)) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $at) {
            $under = substr((string) $at, strlen($root));
            if (str_starts_with($under, (string) ($query['prefix'] ?? ''))) {
                $found .=
                    '<Contents><Key>' .
                    htmlspecialchars($under) .
                    '</Key><Size>' .
                    filesize((string) $at) .
                    '</Size><LastModified>2026-01-01T00:00:00.000Z</LastModified></Contents>';
            }
        }
    }
    answer(
        200,
        "<?xml version=\"1.0\"?><ListBucketResult><IsTruncated>false</IsTruncated><KeyCount>1</KeyCount>{$found}</ListBucketResult>",
    );
}

if ($method === 'PUT') {
    $source = $_SERVER['HTTP_X_AMZ_COPY_SOURCE'] ?? null;
    $bytes =
        $source === null
            ? file_get_contents('php://input')
            : @file_get_contents($folder . '/' . ltrim(rawurldecode($source), '/'));
    if ($bytes === false) {
        refuse(404, 'NoSuchKey');
    }
    is_dir(dirname($file)) || mkdir(dirname($file), 0700, true);
    // Whole or not at all, as the real ones do.
    file_put_contents("{$file}.part", $bytes);
    rename("{$file}.part", $file);
    header('ETag: "' . md5($bytes) . '"');
    answer(200, $source === null ? '' : '<?xml version="1.0"?><CopyObjectResult><ETag>x</ETag></CopyObjectResult>');
}
if ($method === 'DELETE') {
    @unlink($file);
    answer(204);
}
if (!is_file($file)) {
    $method === 'HEAD' ? answer(404) : refuse(404, 'NoSuchKey');
}
if (isset($query['acl'])) {
    answer(
        200,
        '<?xml version="1.0"?><AccessControlPolicy><Owner><ID>x</ID></Owner><AccessControlList/></AccessControlPolicy>',
    );
}
header('ETag: "' . md5_file($file) . '"');
header('Last-Modified: ' . gmdate('D, d M Y H:i:s', (int) filemtime($file)) . ' GMT');
header('Content-Length: ' . filesize($file));
$method === 'HEAD' ? answer(200, '', 'application/octet-stream') : answer(200, (string) file_get_contents($file), 'application/octet-stream');
