<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\Answers;
use App\Models\Revision;
use App\Models\RigJob;
use Illuminate\Http\Response;

/** A design as the interface asks for it: its document, its views, and the answers that are wanted. */
final class DesignAnswer
{
    public function __construct(private readonly Answers $answers) {}

    /**
     * @param list<string> $want
     * @param list<string> $have
     * @param list<string> $notices
     */
    public function of(RigJob $job, Revision $revision, array $want, array $have, array $notices = []): Response
    {
        $document = $revision->decoded();
        $head = json_encode(
            [
                'id' => $job->id,
                'revision' => $revision->number,
                'head' => $job->head,
                'words' => $revision->words,
                'customer' => $job->customer?->name,
                'notices' => $notices,
            ],
            JSON_THROW_ON_ERROR,
        );
        $body =
            substr($head, 0, -1) .
            ',"document":' .
            json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION) .
            ',' .
            substr($this->answers->json($document, $want, $have), 1);

        return new Response($body, 200, ['Content-Type' => 'application/json']);
    }
}
