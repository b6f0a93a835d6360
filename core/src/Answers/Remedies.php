<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Intent\Intents;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Remedy;
use Hollin\Core\Rules\Severity;
use Hollin\Core\Rules\Work;
use stdClass;

/**
 * What can be done about a finding, each tried on the plan before it is offered: it takes the finding away,
 * makes it less severe or eases it, and brings no danger and nothing worse. What brings no
 * new trouble first, then in the order of the work it costs.
 */
final class Remedies
{
    /** What becomes of a finding, best first. */
    private const RESULTS = ['clears', 'lessens', 'eases'];

    /** Share of what is past the limit that a remedy must take away to be worth a word. */
    private const EASED = 0.1;

    /** Plan that what is as found is tried in. */
    private const TRIAL = 'trial';

    private readonly JobAnswers $job;

    /** @var array<string, array{Examination, array<string, Finding>}> view => rig, and its findings by identity */
    private array $views = [];

    /** @var array<string, array{}|array{Examination, array<string, Finding>}> each remedy of a view is tried once */
    private array $trials = [];

    private ?stdClass $onTrial = null;

    /**
     * @param ?Proofs $proofs what was found in rigs of the same structure
     * @param ?JobAnswers $job answers of that document, where somebody has them
     */
    public function __construct(
        private readonly stdClass $document,
        private readonly ?Proofs $proofs = null,
        ?JobAnswers $job = null,
    ) {
        $this->job = $job ?? new JobAnswers($document, $proofs);
    }

    /**
     * @param string $viewId as_found, or a plan and its stage
     * @param string $finding identity
     * @return ?list<array<string, mixed>> null when there is no such view or finding
     */
    public function of(string $viewId, string $finding): ?array
    {
        $view = array_column($this->job->views, null, 'id')[$viewId] ?? null;
        $of = $this->views[$viewId] ?? $this->judged($this->job, $viewId);
        $found = $of[1][$finding] ?? null;
        if ($view === null || $of === null || $found === null) {
            return null;
        }
        $this->views[$viewId] = $of;
        $offers = [];
        foreach ($found->hit->remedies as $remedy) {
            $offer = $this->tried(
                $remedy,
                is_string($view['plan']) ? $view['plan'] : null,
                $viewId,
                $found,
                $of[1],
                Work::of($remedy->intent, $of[0]->graph),
            );
            if ($offer !== null) {
                $offers[] = $offer;
            }
        }
        usort($offers, fn(array $a, array $b): int => $a['rank'] <=> $b['rank']);

        return array_map(fn(array $offer): array => array_diff_key($offer, ['rank' => true]), $offers);
    }

    /**
     * @param array<string, Finding> $before
     * @return ?array<string, mixed> null when it cannot be done, does not help or does harm
     */
    private function tried(
        Remedy $remedy,
        ?string $plan,
        string $viewId,
        Finding $found,
        array $before,
        Work $work,
    ): ?array {
        try {
            $document = $plan === null ? $this->onTrial() : $this->document;
            $intent =
                $remedy->intent + ($remedy->intent['kind'] === 'set_need' ? [] : ['plan' => $plan ?? self::TRIAL]);
            if ($intent['kind'] === 'choose_arrangement') {
                $chosen = $document->plans->{$intent['plan']}->arrangement ?? throw Refused::because('', 'by hand');
                $intent['recipe'] = $chosen->recipe;
                $intent['options'] = (object) ($intent['options'] + get_object_vars($chosen->options));
            }
            $key = ($plan ?? '') . "\n{$viewId}\n" . json_encode($intent, JSON_THROW_ON_ERROR);
            $after = $this->trials[$key] ??= $this->after($this->edited($document, $intent), $plan, $viewId);
        } catch (Refused) {
            return null;
        }
        if ($after === []) {
            return null;
        }
        $left = $after[1][$found->identity()] ?? null;
        $brings = array_filter(
            $after[1],
            fn(Finding $f): bool => $f->severity()->rank() <
                (isset($before[$f->identity()]) ? $before[$f->identity()]->severity()->rank() : PHP_INT_MAX),
        );
        $result = self::result($found, $left);
        $nearer = array_filter($after[1], fn(Finding $f): bool => self::isNearer($before[$f->identity()] ?? null, $f));
        if (
            $result === null ||
            array_filter($brings + $nearer, fn(Finding $f): bool => self::speaksAgainst($f, $found)) !== []
        ) {
            return null;
        }

        $harm = array_filter(
            $brings,
            fn(Finding $f): bool => $f->ways->kind !== 'outside' && $f->severity() !== Severity::Advice,
        );

        return ['intent' => $plan === null ? $remedy->intent : $intent] +
            $remedy->toArray() + [
                'result' => $result,
                'work' => $work->value,
                'workWords' => $work->words(),
                'rank' => [
                    (int) array_search($result, self::RESULTS, true),
                    $harm === [] ? 0 : 1,
                    $work->rank(),
                    count($brings),
                ],
                'clears' => array_values(
                    array_unique(
                        array_map(self::title(...), array_diff_key($before, $after[1], [$found->identity() => true])),
                    ),
                ),
                'brings' => array_values(
                    array_unique(
                        array_map(
                            fn(Finding $f): array => [
                                'severity' => $f->severity()->value,
                                'title' => self::title($f),
                                'outside' => $f->ways->kind === 'outside',
                            ],
                            $brings,
                        ),
                        SORT_REGULAR,
                    ),
                ),
            ];
    }

    /** @return array{}|array{Examination, array<string, Finding>} the view with it done; empty where it is not there */
    private function after(stdClass $document, ?string $plan, string $viewId): array
    {
        $job = new JobAnswers($document, $this->proofs, $this->job);
        $trial = $plan === null ? (string) (array_column($job->views, 'id', 'plan')[self::TRIAL] ?? '') : $viewId;

        $tried = $job->tried($trial);

        return $tried === null ? [] : [$tried[0], self::byIdentity($tried[1])];
    }

    /**
     * @param list<Finding> $findings
     * @return array<string, Finding>
     */
    private static function byIdentity(array $findings): array
    {
        return array_combine(array_map(fn(Finding $f): string => $f->identity(), $findings), $findings);
    }

    /** The job with an empty plan to try things in. */
    private function onTrial(): stdClass
    {
        return $this->onTrial ??= $this->edited($this->document, [
            'kind' => 'add_plan',
            'id' => self::TRIAL,
            'title' => 'Trial',
        ]);
    }

    /** What becomes of a finding: gone, less severe, or nearer to its limit by a good deal; null for none of these. */
    private static function result(Finding $found, ?Finding $left): ?string
    {
        $was = $found->hit->figures[0] ?? null;
        $is = $left?->hit->figures[0] ?? null;

        return match (true) {
            $left === null => 'clears',
            $left->severity()->rank() > $found->severity()->rank() => 'lessens',
            $left->severity() === $found->severity() &&
                $was?->limit !== null &&
                $is !== null &&
                abs($is->value - ($is->limit ?? $was->limit)) < (1 - self::EASED) * abs($was->value - $was->limit)
                => 'eases',
            default => null,
        };
    }

    /**
     * Whether something that a remedy brings outweighs what it does: a danger, something worse than the finding, or a
     * plan that falls apart. What only a faulty pedestal brings is told, no more.
     */
    private static function speaksAgainst(Finding $brought, Finding $found): bool
    {
        return $brought->rule->id === 'does_not_apply' ||
            (($brought->severity() === Severity::Danger || $brought->severity()->rank() < $found->severity()->rank()) &&
                ($brought->ways->kind !== 'outside' || $found->ways->kind === 'outside'));
    }

    /** Whether what was there before comes about more easily now. */
    private static function isNearer(?Finding $was, Finding $is): bool
    {
        return $was !== null && $is->ways->ease() < $was->ways->ease();
    }

    private static function title(Finding $finding): string
    {
        return $finding->hit->title ?? $finding->rule->title;
    }

    /** @param array<string, mixed> $intent */
    private function edited(stdClass $document, array $intent): stdClass
    {
        return Intents::apply(
            $document,
            json_decode(json_encode($intent, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR),
        )->document;
    }

    /** @return ?array{Examination, array<string, Finding>} */
    private function judged(JobAnswers $job, string $viewId): ?array
    {
        $judged = $job->judged($viewId);

        return $judged === null ? null : [$judged[0], self::byIdentity($judged[1]->findings)];
    }
}
