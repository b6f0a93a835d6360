<?php

declare(strict_types=1);

namespace App\Actions;

use Hollin\Core\Answers\JobAnswers;
use Illuminate\Support\Facades\Cache;
use stdClass;

/** Answers of a document as JSON text, from the cache where they were computed before. */
final class Answers
{
    private const KEEP_S = 86_400;

    /**
     * The views of a document, and the answers of the wanted ones that the client does not have.
     *
     * @param list<string> $want view ids; none when empty
     * @param list<string> $have hashes
     * @return string JSON: {"views": […], "answers": {hash: answer}}
     */
    public function json(stdClass $document, array $want, array $have): string
    {
        $job = new JobAnswers($document, new KeptProofs());
        $parts = [];
        foreach ($job->views as $view) {
            if (in_array($view['id'], $want, true) && !in_array($view['hash'], $have, true)) {
                $parts[$view['hash']] = json_encode($view['hash']) . ':' . $this->one($job, $view['hash']);
            }
        }

        return '{"views":' .
            json_encode($job->views, JSON_THROW_ON_ERROR) .
            ',"answers":{' .
            implode(',', $parts) .
            '}}';
    }

    private function one(JobAnswers $job, string $hash): string
    {
        $cache = Cache::store('answers');
        $text = $cache->get("answer:{$hash}");
        if (!is_string($text)) {
            $text = json_encode(
                $job->answer($hash),
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            );
            $cache->put("answer:{$hash}", $text, self::KEEP_S);
        }

        return $text;
    }
}
