<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Closure;
use Hollin\Core\Energy\Days;
use Hollin\Core\Energy\House;
use Hollin\Core\Energy\InStates;
use Hollin\Core\Energy\Measured;
use Hollin\Core\Energy\Proposal;
use Hollin\Core\Energy\Questions;
use Hollin\Core\Energy\Run;
use Hollin\Core\Energy\Scenes;
use Hollin\Core\Energy\Schools;
use Hollin\Core\Energy\Step;
use Hollin\Core\Job\Values;
use Hollin\Core\Needs\Asked;
use Hollin\Core\Needs\Clock;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Network\About;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Reference\Sun;
use Hollin\Core\Rules\Examination;
use stdClass;

/** What must run, over the days of a stay: the day, the days as they go, what owners ask, and sizes that follow. */
final readonly class DaysAnswer
{
    /** @var list<Needed> */
    private array $loads;

    private Trip $trip;

    private ?Measured $measured;

    private EnergyPrices $prices;

    /**
     * @param stdClass $needs of the job file, already checked
     * @param list<string> $chosen loads that are asked about at once
     */
    public function __construct(
        private Examination $rig,
        stdClass $needs,
        ?EnergyPrices $prices = null,
        private array $chosen = [],
    ) {
        $this->prices = $prices ?? new EnergyPrices(Stock::all());
        $this->loads = self::listed($needs);
        $this->measured = Measured::from($needs->measured ?? null);
        $this->trip = Trip::from($needs->trip ?? new stdClass());
    }

    /**
     * @param ?Closure(float): bool $progress told the share that is done; false stops it
     * @param string $from what sizes start from: days, bank (Ah), panels (W) or budget (money)
     * @return array<string, mixed>
     */
    public function toArray(?Closure $progress = null, string $from = 'days', ?float $value = null): array
    {
        $run = Days::of($this->rig, $this->taken(), $this->trip, $progress);

        return [
            'day' => $this->day($run),
            'run' => $this->run($run),
            'replies' => array_map(fn($reply): array => $reply->toArray(), [
                ...(new Questions($this->rig, $this->taken(), $this->trip, $this->chosen))->all(),
                ...$this->measured === null ? [] : [$this->measured->againstGuessed($this->loads)],
            ]),
            'sizes' => $this->sizes($from, $value),
            'schools' => (new Schools(
                $this->rig,
                $this->loads,
                $this->trip,
                $this->proposal($from, $value),
                $this->prices,
            ))->all(),
            'states' => InStates::of($this->rig, $this->loads),
            'assumed' => $this->assumed(),
        ];
    }

    /** @return list<Needed> the list, or what was measured instead of it */
    private function taken(): array
    {
        return $this->measured?->counts === true ? [$this->measured->load()] : $this->loads;
    }

    /**
     * What days are run with: the list, or what was measured instead of it.
     *
     * @param stdClass $needs of the job file, already checked
     * @return list<Needed>
     */
    public static function loadsOf(stdClass $needs): array
    {
        $measured = Measured::from($needs->measured ?? null);

        return $measured?->counts === true ? [$measured->load()] : self::listed($needs);
    }

    /** @return list<Needed> in their order */
    private static function listed(stdClass $needs): array
    {
        $loads = [];
        foreach ((new Values($needs))->entries('loads') as $id => $values) {
            $loads[$id] = [$values->number('order'), Needed::from((string) $id, $values)];
        }
        uasort($loads, fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return array_values(array_column($loads, 1));
    }

    /** @return array<string, mixed> */
    private function day(Run $run): array
    {
        $uses = 0.0;
        $rows = [];
        foreach ($this->loads as $load) {
            $runs = $load->runsIn($this->trip->month(), $this->trip->number('latitude'));
            $uses += $runs ? $load->dayWh() : 0.0;
            $rows[] = [
                'id' => $load->id,
                'dayWh' => round($load->dayWh(), 1),
                'fullW' => $load->fullW(),
                'runs' => $runs,
                'assumed' => $load->isAssumed(),
            ];
        }
        $panelsW = 0.0;
        foreach ($this->rig->graph->converters as $unit) {
            $panelsW += $unit->kind === PowerConverter::FIELD ? $unit->fieldW : 0.0;
        }
        $sun = [];
        for ($quarter = 0; $quarter < Needed::QUARTERS; $quarter++) {
            $sun[] = round(
                ($this->trip->light($quarter, $this->trip->weather(1)) / 1000) * Sun::PERFORMANCE * $panelsW,
                1,
            );
        }

        return [
            'usesWh' => round($uses, 1),
            'keptWh' => round(array_sum($run->keptWh) / max(1, $this->trip->days()), 1),
            'rows' => $rows,
            'sunW' => $sun,
            'sunWh' => round(array_sum($sun) / 4, 1),
            'panelsW' => $panelsW,
            'drives' => (new Scenes($this->rig))->about(About::Driving) !== null,
        ];
    }

    /** @return array<string, mixed> */
    private function run(Run $run): array
    {
        $engine = Scenes::engineBatteries($this->rig);
        $batteries = [];
        foreach ($run->share as $id => $shares) {
            $battery = $this->rig->graph->batteries[$id];
            $batteries[] = [
                'id' => $battery->component,
                'label' => $this->rig->graph->label($battery->component),
                'ah' => $battery->capacityAh,
                'ofEngine' => isset($engine[$id]),
                'share' => array_map(fn(float $s): float => round($s, 4), $shares),
                'lowest' => round(min([1.0, ...$shares]), 4),
            ];
        }
        $days = max(1, $this->trip->days());

        return [
            'days' => $this->trip->days(),
            'batteries' => $batteries,
            'inW' => array_map(fn(array $w): array => array_map(fn(float $x): float => round($x, 1), $w), $run->inW),
            'useW' => array_map(fn(float $x): float => round($x, 1), $run->useW),
            'curtailedW' => array_map(fn(float $x): float => round($x, 1), $run->curtailedW),
            'missedW' => array_map(fn(float $x): float => round($x, 1), $run->missedW),
            'cameWh' => array_map(fn(float $x): float => round($x, 1), $run->cameWh),
            'usedWh' => round(array_sum($run->usedWh), 1),
            'keptWh' => $this->kept($run),
            'curtailedWh' => round($run->curtailedWh, 1),
            'generatorHPerDay' => round($run->generatorH / $days, 2),
            'tooDeep' => $run->endsBy === null && $this->tooDeep($run) !== [],
            'endsBy' => $run->endsBy,
            'endsAtH' => $run->endsAtH,
            'words' => $this->words($run),
            'events' => array_map(
                fn(array $e): array => [
                    'atH' => $e['atH'],
                    'kind' => $e['kind'],
                    'words' => $this->event($e['kind'], $e['what']),
                ],
                array_slice($run->events, 0, 40),
            ),
        ];
    }

    /** @return list<array{label: string, wh: float}> */
    private function kept(Run $run): array
    {
        $kept = [];
        foreach ($run->keptWh as $unit => $wh) {
            $kept[] = [
                'label' => $unit === Step::LEADS ? 'leads of the inverter' : $this->rig->graph->label((string) $unit),
                'wh' => round($wh, 1),
            ];
        }

        return $kept;
    }

    private function words(Run $run): string
    {
        $never = $this->neverRuns($run);
        $without = $never === [] ? '' : ' Nothing feeds: ' . implode(', ', $never) . '.';
        if ($run->endsBy === null) {
            $deep = $this->tooDeep($run);

            return sprintf('It lasts all %d days%s', $this->trip->days(), $deep === [] ? '.' : ', but ') .
                ($deep === [] ? '' : implode('; ', $deep) . '.') .
                $without;
        }

        return sprintf(
            '%s after %s: on day %d at %s.',
            ucfirst(Questions::stops($run->endsBy)),
            Clock::long((float) $run->endsAtH),
            1 + (int) ($run->endsAtH / 24),
            Clock::of((float) $run->endsAtH),
        ) . $without;
    }

    /** @return list<string> loads that wanted something and never had any of it */
    private function neverRuns(Run $run): array
    {
        $never = [];
        foreach ($this->taken() as $load) {
            if (($run->missedWh[$load->id] ?? 0.0) > 0 && ($run->usedWh[$load->id] ?? 0.0) <= 0) {
                $never[] = $load->label();
            }
        }

        return $never;
    }

    /** @return list<string> house batteries that go lower than their kind stands, each with its name */
    private function tooDeep(Run $run): array
    {
        $said = [];
        foreach (array_diff_key($run->share, Scenes::engineBatteries($this->rig)) as $id => $shares) {
            $battery = $this->rig->graph->batteries[$id];
            $deep = House::tooDeep($battery, min([1.0, ...$shares]));
            if ($deep !== null) {
                $said[] = "{$this->rig->graph->label($battery->component)} goes {$deep}";
            }
        }

        return $said;
    }

    private function event(string $kind, string $what): string
    {
        $graph = $this->rig->graph;
        $source = $graph->sources[$what] ?? null;
        $name = $graph->label($source === null ? $what : $source->component);

        return match ($kind) {
            'battery' => $what === '' ? 'the battery holds nothing up any more' : "{$name} shuts down for low volts",
            'cut_off' => "{$name} opens",
            'overload' => "{$name} is asked for more than it gives",
            'refused' => 'the generator runs and feeds nothing',
            default => Questions::stops($kind),
        };
    }

    private function proposal(string $from, ?float $value): Proposal
    {
        $days = max(1.0, min(3.0, (float) $this->trip->days()));

        return $from === 'budget' && $value !== null
            ? Proposal::within($this->loads, $this->trip, $value, $this->prices)
            : new Proposal(
                $this->loads,
                $this->trip,
                $from === 'bank' ? 'bank' : 'days',
                $from === 'panels' ? $days : $value ?? $days,
            );
    }

    /** @return array<string, mixed> */
    private function sizes(string $from, ?float $value): array
    {
        $make = $this->proposal($from, $value);
        $panelsW = $from === 'panels' ? (float) $value : $make->sunW();

        return [
            'from' => $from,
            'days' => round($make->days, 1),
            'togetherW' => round($make->togetherW()),
            'surgeW' => round($make->surgeW()),
            'inverterW' => $make->inverterW(),
            'inverterSoftlyW' => $make->inverterW(true),
            'dayWh' => round($make->dayWh()),
            'bankAh' => round($make->bankAh()),
            'chargerA' => round($make->chargerA()),
            'sunW' => round($panelsW),
            'sunShare' => round($make->sunShare($panelsW), 3),
            'sunHours' => round($make->sunHours(), 1),
            'cost' => $this->rounded($make->cost($this->prices, $panelsW)),
        ];
    }

    private function rounded(?float $sum): ?float
    {
        return $sum === null ? null : round($sum);
    }

    /** @return list<string> what nobody has said, and is taken for it */
    private function assumed(): array
    {
        $said = [];
        foreach (Asked::trip() as $name => $field) {
            if ($field->usual !== null && !$this->trip->says($name) && $this->matters($name)) {
                $usual = $field->choices[(string) $field->usual] ?? $field->usual;
                $said[] = trim(
                    sprintf(
                        '%s: %s %s',
                        $field->label,
                        is_bool($usual) ? ($usual ? 'yes' : 'no') : $usual,
                        $field->unit,
                    ),
                );
            }
        }

        return $said;
    }

    private function matters(string $name): bool
    {
        return in_array(
            $name,
            ['latitude', 'month', 'weather', 'lowC', 'highC', 'inverter', 'startShare', 'tiltDeg'],
            true,
        );
    }
}
