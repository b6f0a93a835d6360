<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Job\Problem;
use RuntimeException;

/** An edit that cannot be done; says where and what would be right. Nothing was changed. */
final class Refused extends RuntimeException
{
    /** @param non-empty-list<Problem> $problems */
    public function __construct(public readonly array $problems)
    {
        parent::__construct(implode(' ', array_map(fn(Problem $p): string => $p->message, $problems)));
    }

    /** One problem, at a place in the request or the document. */
    public static function because(string $pointer, string $message): self
    {
        return new self([new Problem($pointer, $message)]);
    }
}
