<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\RigAnswer;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use stdClass;

/** What is said of one rig: its findings as data, in the order they are shown. */
final class Said
{
    /** Gravest first. What a pedestal brings is a kind of its own. */
    public const WAYS = ['always' => 0, 'outage' => 1, 'slips' => 2, 'passing' => 3, 'remote' => 4, 'outside' => 9];

    public const RANKS = ['danger' => 0, 'warning' => 1, 'advice' => 2];

    /** @param list<array<string, mixed>> $findings as {@see Finding::toArray()} gives them */
    public function __construct(
        public readonly Examination $rig,
        public readonly Judge $judge,
        public readonly array $findings,
        private readonly ?stdClass $document = null,
    ) {}

    /** @var ?array<string, mixed> */
    private ?array $answer = null;

    private ?self $found = null;

    public static function of(stdClass $document, string $view): self
    {
        [$rig, $judge] =
            (new JobAnswers($document))->judged($view) ?? throw new \LogicException("no view {$view} in the job");

        return new self($rig, $judge, array_map(fn(Finding $f): array => $f->toArray(), $judge->findings), $document);
    }

    /** @return array<string, mixed> the whole answer of the view */
    public function answer(): array
    {
        return $this->answer ??= RigAnswer::of($this->rig, $this->judge);
    }

    /** What is said of the same job's rig as it was found. */
    public function found(): self
    {
        return $this->found ??= self::of($this->document ?? throw new \LogicException('of a job'), 'as_found');
    }

    /** @return array<string, true> identities of what is found */
    public function identities(): array
    {
        return array_fill_keys(array_column($this->findings, 'id'), true);
    }

    /** @return array<string, list<array<string, mixed>>> rule => findings */
    public function byRule(): array
    {
        $by = [];
        foreach ($this->findings as $finding) {
            $by[$finding['rule']][] = $finding;
        }

        return $by;
    }
}
