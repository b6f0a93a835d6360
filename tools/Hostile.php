<?php

declare(strict_types=1);

namespace Tools;

use Illuminate\Support\Str;
use RuntimeException;

/**
 * Job files and pictures that nobody means well with, drawn from a seed by something that does not know what a job file
 * holds: bits flipped, kinds swapped, numbers without end, names twice, deep nests, other encodings. None may break the
 * application, take long, or much memory.
 */
final class Hostile
{
    private const LONGEST_S = 2.0;

    private const MOST_MB = 256.0;

    private readonly Client $client;

    private int $job = 0;

    /** @var array<int, int> status => how often */
    private array $statuses = [];

    private float $longest = 0.0;

    private float $memory = 0.0;

    /** @var list<string> */
    private array $bad = [];

    public function __construct(string $url, private readonly string $examples, int $seed)
    {
        mt_srand($seed);
        $this->client = new Client($url, 60);
        $status = $this->client->signIn();
        $status === 200 || throw new RuntimeException("The demo's lead could not sign in: {$status}.");
    }

    /** @return bool whether every one of them was answered as it should be */
    public function run(int $files, int $pictures): bool
    {
        $examples = array_map(fn(string $f): string => (string) file_get_contents($f), glob($this->examples) ?: []);
        $examples = array_map(fn(string $t): string => (string) json_encode(json_decode($t)), $examples);
        for ($n = 0; $n < $files; $n++) {
            $text = $this->spoilt($examples[array_rand($examples)]);
            $this->job === 0 ? $this->open() : null;
            [$status] = $this->ask('a job file', 'POST', "/jobs/{$this->job}/file?uuid=" . Str::uuid(), $text, $n);
            if ($status === 200) {
                // It was taken in after all: then it opens, with all its answers.
                $this->ask('the job of a job file', 'GET', "/jobs/{$this->job}", null, $n);
                $this->job = 0;
            }
        }
        $this->open();
        $this->client->send('POST', "/jobs/{$this->job}/file?uuid=" . Str::uuid(), $examples[0]);
        for ($n = 0; $n < $pictures; $n++) {
            $file = (string) tempnam(sys_get_temp_dir(), 'hostile');
            file_put_contents($file, $this->picture());
            $form = ['photo' => new \CURLFile($file, 'image/jpeg', 'x.jpg'), 'component' => 'c_outlets'];
            $this->ask('a picture', 'POST', "/jobs/{$this->job}/photos", $form, $n);
            unlink($file);
        }
        for ($wait = 0; $wait < 120; $wait++) {
            [, $answer] = $this->client->send('GET', "/jobs/{$this->job}/photos");
            $left = array_filter($answer->photos ?? [], fn($p): bool => $p->status === 'waiting');
            if ($left === []) {
                break;
            }
            sleep(1);
        }
        if ($left ?? []) {
            $this->bad[] = count($left) . ' pictures were never written anew';
        }
        ksort($this->statuses);
        printf(
            "%d job files and %d pictures: answered %s; longest %.2f s, most %.0f MB; %d wrong\n",
            $files,
            $pictures,
            implode(', ', array_map(fn($s, $n): string => "{$n} × {$s}", array_keys($this->statuses), $this->statuses)),
            $this->longest,
            $this->memory,
            count($this->bad),
        );
        foreach (array_slice($this->bad, 0, 20) as $line) {
            echo "  {$line}\n";
        }

        return $this->bad === [];
    }

    private function open(): void
    {
        [, $answer] = $this->client->send('POST', '/jobs', '{"title":"Hostile","kind":"van"}');
        $this->job = (int) ($answer->id ?? 0);
    }

    /**
     * @param string|array<string, mixed>|null $body
     * @return array{int, mixed}
     */
    private function ask(string $what, string $method, string $path, string|array|null $body, int $n): array
    {
        $since = microtime(true);
        [$status, $answer, $memory] = $this->client->send($method, $path, $body);
        $took = microtime(true) - $since;
        $this->statuses[$status] = ($this->statuses[$status] ?? 0) + 1;
        $this->longest = max($this->longest, $took);
        $this->memory = max($this->memory, $memory);
        if ($status >= 500 || $status === 0 || $took > self::LONGEST_S || $memory > self::MOST_MB) {
            $keep = sys_get_temp_dir() . '/hostile-' . count($this->bad);
            file_put_contents($keep, is_string($body) ? $body : '');
            $this->bad[] = sprintf(
                '%s %d: %d after %.2f s, %.0f MB; kept in %s',
                $what,
                $n,
                $status,
                $took,
                $memory,
                $keep,
            );
        }

        return [$status, $answer];
    }

    private function spoilt(string $text): string
    {
        for ($times = mt_rand(1, 4); $times > 0; $times--) {
            $text = match (mt_rand(0, 9)) {
                0 => $this->flipped($text, mt_rand(1, 8)),
                1 => substr($text, 0, mt_rand(0, strlen($text))),
                2 => $this->swapped($text, [
                    'null',
                    'true',
                    '-1',
                    '1e400',
                    '-1e308',
                    '9223372036854775808',
                    '0.1e-400',
                ]),
                3 => $this->swapped($text, [
                    '""',
                    '[]',
                    '{}',
                    '[[]]',
                    '{"value":{}}',
                    '"\\u0000"',
                    '"\\ud800"',
                    '"  "',
                ]),
                4 => $this->swapped($text, ['"' . str_repeat('x', mt_rand(1, 200_000)) . '"']),
                5 => $this->swapped($text, [
                    str_repeat('[', $deep = mt_rand(1, 3000)) . str_repeat(']', $deep),
                    str_repeat('{"a":', $deep) . '1' . str_repeat('}', $deep),
                ]),
                6 => $this->doubled($text),
                7 => (string) mb_convert_encoding($text, ['UTF-16', 'UTF-32', 'ISO-8859-1', 'UTF-7'][mt_rand(0, 3)]),
                8 => $this->renamed($text),
                default => "\xEF\xBB\xBF" .
                    $text .
                    str_repeat(' ', mt_rand(0, 5)) .
                    ['', '}', ',', "\0"][mt_rand(0, 3)],
            };
        }

        return $text;
    }

    private function flipped(string $text, int $bits): string
    {
        for (; $bits > 0 && $text !== ''; $bits--) {
            $at = mt_rand(0, strlen($text) - 1);
            $text[$at] = chr(ord($text[$at]) ^ (1 << mt_rand(0, 7)));
        }

        return $text;
    }

    /** @param list<string> $others */
    private function swapped(string $text, array $others): string
    {
        // Any value: a number, a word or a text behind a colon.
        preg_match_all('/:("(?:[^"\\\\]|\\\\.)*"|-?[\d.eE+-]+|true|false|null)/', $text, $found, PREG_OFFSET_CAPTURE);
        if ($found[1] === []) {
            return $text;
        }
        [$was, $at] = $found[1][array_rand($found[1])];

        return substr_replace($text, $others[array_rand($others)], (int) $at, strlen((string) $was));
    }

    private function doubled(string $text): string
    {
        preg_match_all('/"[a-z_0-9]+":/', $text, $found, PREG_OFFSET_CAPTURE);
        if ($found[0] === []) {
            return $text;
        }
        [$name, $at] = $found[0][array_rand($found[0])];

        return substr_replace($text, "{$name}" . ['1', '{}', '"x"'][mt_rand(0, 2)] . ',', (int) $at, 0);
    }

    private function renamed(string $text): string
    {
        preg_match_all('/"[a-z_0-9]+":/', $text, $found, PREG_OFFSET_CAPTURE);
        if ($found[0] === []) {
            return $text;
        }
        [$name, $at] = $found[0][array_rand($found[0])];
        $others = [
            '"__proto__":',
            '"":',
            '"a b":',
            '"../../x":',
            '"ключ":',
            '"' . str_repeat('k', 5000) . '":',
            '"0":',
        ];

        return substr_replace($text, $others[array_rand($others)], (int) $at, strlen((string) $name));
    }

    private function picture(): string
    {
        $width = mt_rand(1, 900);
        $height = mt_rand(1, 900);
        $image = imagecreatetruecolor($width, $height);
        imagefilledellipse($image, 10, 10, mt_rand(1, 900), mt_rand(1, 900), mt_rand(0, 0xffffff));
        ob_start();
        match (mt_rand(0, 2)) {
            0 => imagejpeg($image),
            1 => imagepng($image),
            default => imagewebp($image),
        };
        $bytes = (string) ob_get_clean();
        $at = fn(): string => pack('N', [0, 1, 70_000, 65_535, 2_147_483_647, 4_294_967_295][mt_rand(0, 5)]);

        return match (mt_rand(0, 4)) {
            0 => $this->flipped($bytes, mt_rand(1, 40)),
            1 => substr($bytes, 0, mt_rand(0, strlen($bytes))),
            // A PNG says its width and height there; the others have something else there to be wrong.
            2 => substr_replace($bytes, $at(), 16, 4),
            3 => substr_replace($bytes, $at() . $at(), 16, 8),
            default => $this->flipped(substr_replace($bytes, random_bytes(30), mt_rand(0, strlen($bytes)), 30), 3),
        };
    }
}
