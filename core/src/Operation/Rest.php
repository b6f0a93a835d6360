<?php

declare(strict_types=1);

namespace Hollin\Core\Operation;

use Hollin\Core\Network\VoltContact;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Settled;

/**
 * A setting with what goes by volts brought to rest: settle, solve, let each such contact look at the volts there are,
 * move the ones whose time is up first, and again. Charge and temperature stand still meanwhile. A position of all of
 * them that comes back is hunting, with its period.
 *
 * @phpstan-type Moves array<string, string>
 * @phpstan-type Volts array<string, float>
 * @phpstan-type Step array{settled: Settled, flow: LoadFlowResult, volts: Volts, moves: Moves, lastsS: ?float}
 */
final readonly class Rest
{
    private const MOST_STEPS = 40;

    /** Nearer than this to its threshold, V, a contact may go either way. */
    public const NEAR_V = 0.05;

    /**
     * @param non-empty-list<Step> $steps first to last: what each contact senses by its device, and which then move
     *      where; the last lasts for good when nothing moves
     * @param ?float $periodS of the cycle it goes through without end; null when it rests
     * @param array<string, string> $near contacts within some hundredths of a volt of going the other way => where to
     */
    private function __construct(public array $steps, public ?float $periodS, public array $near) {}

    /** @param array<string, true> $running loads switched on */
    public static function of(
        Engine $engine,
        Setting $setting,
        array $running = [],
        string $charge = 'half',
        ?Flows $flows = null,
    ): self {
        $flows ??= new Flows();
        $contacts = $engine->network->graph->voltContacts;
        $devices = array_column($contacts, null, 'device');
        $steps = $seen = $timers = [];
        $clock = 0.0;
        $from = [];
        $period = null;
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $settled = $engine->settle($setting, $from);
            $from = $settled->positions;
            $flow = $flows->of($settled, $running, $charge);
            [$volts, $wants, $near] = self::look($contacts, $settled, $flow);
            $wait = null;
            foreach ($contacts as $contact) {
                $to = $wants[$contact->device] ?? null;
                if ($to === null) {
                    unset($timers[$contact->device]);
                    continue;
                }
                if (($timers[$contact->device][0] ?? null) !== $to) {
                    $timers[$contact->device] = [$to, $contact->delayS($to)];
                }
                $wait = min($wait ?? INF, $timers[$contact->device][1]);
            }
            $key = json_encode([array_intersect_key($settled->positions, $devices), $timers]);
            $since = $seen[$key] ?? null;
            $moves = [];
            foreach ($timers as $device => [$to, $left]) {
                if ($wait !== null && $left <= $wait + 1e-9) {
                    $moves[$device] = $to;
                }
            }
            $steps[] = [
                'settled' => $settled,
                'flow' => $flow,
                'volts' => $volts,
                'moves' => $moves,
                'lastsS' => $wait,
            ];
            if ($since !== null || $wait === null) {
                $period = $since === null ? null : $clock - $since;
                break;
            }
            $seen[$key] = $clock;
            $clock += $wait;
            foreach ($timers as $device => [$to, $left]) {
                $timers[$device] = [$to, $left - $wait];
            }
            foreach ($moves as $device => $to) {
                $setting = $setting->with($device, $to);
                unset($timers[$device]);
            }
        }

        return new self($steps, $period, $near);
    }

    /** Where it ends; where it goes round, the first place of the round that it was seen at twice. */
    public function last(): Settled
    {
        return $this->steps[array_key_last($this->steps)]['settled'];
    }

    /** All of it as one course of events: what moved when, by volts or else, and that it hunts where it does. */
    public function settled(): Settled
    {
        $last = $this->last();
        if (count($this->steps) === 1) {
            return $last;
        }
        $moves = $passing = [];
        $clock = 0.0;
        foreach ($this->steps as $n => $step) {
            foreach ($step['settled']->moves as $move) {
                $moves[] = ['atS' => $clock + $move['atS']] + $move;
            }
            array_push($passing, ...$step['settled']->passing);
            if ($n < count($this->steps) - 1 && $step['lastsS'] !== null) {
                $passing[] = ['situation' => $step['settled']->situation, 'lastsS' => $step['lastsS']];
                $clock += $step['lastsS'];
                foreach ($step['moves'] as $device => $to) {
                    $moves[] = [
                        'device' => $device,
                        'from' => $step['settled']->positions[$device],
                        'to' => $to,
                        'atS' => $clock,
                    ];
                }
            }
        }

        return new Settled($last->setting, $last->positions, $last->situation, $moves, $passing, [
            ...$last->trouble,
            ...$this->periodS === null ? [] : [sprintf('hunting, about every %g s', round($this->periodS, 1))],
        ]);
    }

    /**
     * Volts at which a contact stood when it moved, by the position it moved to; of the last time it did.
     *
     * @return array<string, float>
     */
    public function turns(string $device): array
    {
        $turns = [];
        foreach ($this->steps as $step) {
            if (isset($step['moves'][$device])) {
                $turns[$step['moves'][$device]] = $step['volts'][$device];
            }
        }

        return $turns;
    }

    /**
     * @param list<VoltContact> $contacts
     * @return array{array<string, float>, array<string, string>, array<string, string>} by device: highest volts it
     *      senses, where it wants to, and where it would want to a few hundredths of a volt away
     */
    private static function look(array $contacts, Settled $settled, LoadFlowResult $flow): array
    {
        $volts = $wants = $near = [];
        foreach ($contacts as $contact) {
            $at = [];
            foreach ($contact->senses as [$pos, $neg]) {
                // Where nothing holds a pair up, no current says so either.
                $at[] = isset($flow->dcV[$pos], $flow->dcV[$neg]) ? $flow->dcV[$pos] - $flow->dcV[$neg] : 0.0;
            }
            $is = $settled->positions[$contact->device];
            if ($contact->senses !== [] && !$flow->isSolved()) {
                continue;
            }
            $volts[$contact->device] = $at === [] ? 0.0 : max($at);
            $wish = fn(float $off): string => $contact->wish(
                array_map(fn(float $v): float => $v + $off, $at),
                $settled->positions,
            );
            if ($wish(0.0) !== $is) {
                $wants[$contact->device] = $wish(0.0);
            }
            foreach ($contact->senses === [] ? [] : [-self::NEAR_V, self::NEAR_V] as $off) {
                if ($wish($off) !== $wish(0.0)) {
                    $near[$contact->device] = $wish($off);
                }
            }
        }

        return [$volts, $wants, $near];
    }
}
