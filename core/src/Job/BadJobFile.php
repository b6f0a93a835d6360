<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use RuntimeException;

/** The job file cannot be read. Nothing of it was used. */
final class BadJobFile extends RuntimeException
{
    /** @param non-empty-list<Problem> $problems */
    public function __construct(public readonly array $problems)
    {
        parent::__construct(
            implode(
                "\n",
                array_map(
                    fn(Problem $p): string => ($p->pointer === '' ? '(whole file)' : $p->pointer) . ': ' . $p->message,
                    $problems,
                ),
            ),
        );
    }

    /** One problem, at a JSON pointer; empty: the file as a whole. */
    public static function because(string $pointer, string $message): self
    {
        return new self([new Problem($pointer, $message)]);
    }
}
