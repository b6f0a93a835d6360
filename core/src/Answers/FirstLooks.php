<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Closure;
use Hollin\Core\Components\Catalogue;
use Hollin\Core\Components\Rig;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Tree;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Proof;
use stdClass;

/**
 * Which of the assumed values of a survey are worth looking at first: each is put, one at a time, to what else it
 * could plausibly be, and the whole is judged again. What flips no verdict and no size may stay assumed.
 */
final class FirstLooks implements Proofs
{
    /** A verdict weighs by its severity, a size less than any danger. */
    private const WEIGHT = ['danger' => 100, 'warning' => 30, 'advice' => 3];

    private const SIZE = 10;

    /** @var array<string, Proof> */
    private array $proofs = [];

    /** @param list<string> $views views that count: as found, and the ends of plans */
    public function __construct(private readonly stdClass $document, private readonly array $views) {}

    /**
     * @param ?Closure(int, int): bool $progress told how many of how many are done; false stops
     * @param int $from how many have been tried before
     * @return list<array{
     *     component: string, type: string, label: string, what: string, value: mixed, weight: int, flips: list<string>,
     *     tried: list<mixed>, reason: string
     * }> the weightiest first; those that flip nothing last
     */
    public function ranked(?Closure $progress = null, int $from = 0): array
    {
        $before = $this->verdicts($this->document);
        $places = RigAnswer::assumptions(Rig::from($this->document->asFound->components));
        $ranked = [];
        foreach (array_slice($places, $from, null, true) as $n => $place) {
            if ($progress !== null && !$progress($n, count($places))) {
                break;
            }
            $field = Catalogue::field($place['type'], $place['what']);
            $instead = $field === null ? [] : $field->plausible?->insteadOf($place['value'], $field) ?? [];
            $weight = 0;
            $flips = [];
            foreach ($instead as $value) {
                foreach ($this->flips($before, $place['component'], $place['what'], $value) as $words => $weighs) {
                    $flips[$words] = $weighs;
                }
            }
            arsort($flips);
            $ranked[] = $place + [
                'weight' => array_sum($flips),
                'flips' => array_slice(array_map(strval(...), array_keys($flips)), 0, 6),
                'tried' => $instead,
                'reason' => $field?->plausible->reason ?? '',
            ];
        }
        return self::sorted($ranked);
    }

    /**
     * @template T of array{weight: int}
     * @param list<T> $ranked
     * @return list<T> the weightiest first
     */
    public static function sorted(array $ranked): array
    {
        usort($ranked, fn(array $a, array $b): int => $b['weight'] <=> $a['weight']);

        return $ranked;
    }

    public function of(string $structure): ?Proof
    {
        return $this->proofs[$structure] ?? null;
    }

    public function keep(string $structure, Proof $proof): void
    {
        // The rig as it is, and the one that is tried now.
        $this->proofs = array_slice($this->proofs, 0, 2 * count($this->views), true) + [$structure => $proof];
    }

    /**
     * What another value would change, in words, with its weight.
     *
     * @param array<string, array<string, array{string, int}>> $before
     * @return array<string, int>
     */
    private function flips(array $before, string $component, string $path, mixed $value): array
    {
        $other = Tree::copy($this->document);
        $at = $other->asFound->components->{$component};
        foreach (explode('/', ltrim($path, '/')) as $step) {
            $at = $at->{$step};
        }
        $at->value = $value;
        try {
            JobFile::check($other, $this->document);
            $after = $this->verdicts($other);
        } catch (BadJobFile | \Hollin\Core\Plan\Refused) {
            // Such a rig cannot be; it flips nothing.
            return [];
        }
        $flips = [];
        foreach ($before as $view => $verdicts) {
            foreach (array_diff_key($verdicts, $after[$view]) as [$words, $weight]) {
                $flips["no longer: {$words}"] = $weight;
            }
            foreach (array_diff_key($after[$view], $verdicts) as [$words, $weight]) {
                // The same verdict, graver or milder.
                $was = $flips["no longer: {$words}"] ?? null;
                unset($flips["no longer: {$words}"]);
                $flips[$was === null ? $words : "otherwise: {$words}"] = max($weight, $was ?? 0);
            }
        }

        return $flips;
    }

    /** @return array<string, array<string, array{string, int}>> view => verdict or size => words, weight */
    private function verdicts(stdClass $document): array
    {
        $answers = new JobAnswers($document, $this);
        $verdicts = [];
        foreach ($this->views as $view) {
            $tried = $answers->tried($view);
            if ($tried !== null) {
                $verdicts[$view] = self::findings($tried[1], $tried[0]) + self::sizes($tried[0]);
            }
        }

        return $verdicts;
    }

    /**
     * @param list<Finding> $findings
     * @return array<string, array{string, int}>
     */
    private static function findings(array $findings, Examination $rig): array
    {
        $verdicts = [];
        foreach ($findings as $finding) {
            $told = $finding->toArray();
            $severity = $finding->severity()->value;
            $verdicts["{$told['id']} {$severity}"] = [
                $told['title'] . self::whose($finding, $rig),
                self::WEIGHT[$severity] ?? 1,
            ];
        }

        return $verdicts;
    }

    private static function whose(Finding $finding, Examination $rig): string
    {
        $component = $finding->toArray()['components'][0] ?? null;

        return is_string($component) ? ' (' . $rig->graph->label($component) . ')' : '';
    }

    /** @return array<string, array{string, int}> the sizes that would be bought */
    private static function sizes(Examination $rig): array
    {
        $sizes = [];
        foreach (RigAnswer::sizes($rig) as $size) {
            $cable =
                array_column(array_filter($size['choices'], fn(array $c): bool => $c['possible']), 'spoken')[0] ?? '–';
            $sizes["{$size['inverter']} {$size['bank']} cable {$cable}"] = ["battery cable {$cable}", self::SIZE];
            $fuse = $size['fuse']['ratingA'] ?? null;
            $sizes["{$size['inverter']} {$size['bank']} fuse {$fuse}"] = ["main fuse {$fuse} A", self::SIZE];
        }

        return $sizes;
    }
}
