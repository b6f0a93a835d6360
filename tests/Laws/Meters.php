<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Network\CircuitEnd;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\Meter;
use Hollin\Core\Solve\Reading;
use Hollin\Core\States\Settled;

/**
 * What instruments show hangs together, and with the load flow: lamps with volts, ohms with what is dead, a clamp
 * around both conductors with what one of them carries, low impedance with high.
 */
final class Meters
{
    /** @var list<Violation> */
    public array $broken = [];

    /** Readings taken. */
    public int $taken = 0;

    private string $title = '';

    private string $at = '';

    public function hold(Specimen $rig, Examination $of): void
    {
        $this->title = $rig->title();
        foreach ($of->settled as $state => $settled) {
            // At a pedestal that is wired wrong works and volts are judged apart.
            if ($of->named[$state]->fault !== null) {
                continue;
            }
            foreach (['none' => [], 'all' => $of->allLoads()] as $scenario => $running) {
                $this->at = "{$state}/{$scenario}";
                $this->read(new Meter($settled, $running, $of->named[$state]->charge), $settled);
            }
        }
    }

    public function read(Meter $meter, Settled $settled): void
    {
        if (!$meter->flow()->isSolved()) {
            return;
        }
        $graph = $settled->situation->network->graph;
        foreach ($graph->circuits as $id => $end) {
            $this->circuit((string) $id, $end, $meter, $settled);
        }
        foreach ($graph->batteries as $id => $battery) {
            $volts = $meter->dcVolts($battery->pos, $battery->neg);
            $this->claim($volts->value > 0.0, $id, 'a battery without volts', $volts);
            $turned = $meter->dcVolts($battery->neg, $battery->pos);
            $this->claim(
                self::near($volts->value, -$turned->value),
                $id,
                'other DC volts the other way round',
                $turned,
            );
        }
        foreach (array_keys($graph->elements) as $id) {
            $amps = $meter->dcAmps((string) $id)->value ?? 0.0;
            $offset = $meter->dcAmps((string) $id, false);
            $this->claim(
                self::near($offset->value, $amps + Meter::CLAMP_OFFSET_A) && $offset->words !== '',
                (string) $id,
                'a clamp that was not zeroed shows no offset',
                $offset,
            );
        }
    }

    private function circuit(string $id, CircuitEnd $end, Meter $meter, Settled $settled): void
    {
        $volts = (float) $meter->flow()->acBetween($end->hot, $end->neutral);
        $high = $meter->acVolts($end->hot, $end->neutral);
        $low = $meter->acVolts($end->hot, $end->neutral, Meter::LOW_OHM);
        $turned = $meter->acVolts($end->neutral, $end->hot);
        $this->claim(
            self::near($high->value, $turned->value, 0.01),
            $id,
            'other AC volts the other way round',
            $turned,
        );
        $this->claim($low->value <= $high->value + 0.5, $id, 'more volts with a lower impedance', $low);
        $live = $settled->situation->liveness()[$end->circuit];
        $works = $live->kind === 'works';
        $this->claim(
            !$works || $high->kind === 'range' || self::near($high->value, $volts, 2.0),
            $id,
            'a meter shows other volts than the load flow',
            $high,
        );
        $by = $meter->flow()->sources[(string) $live->source]['volts'] ?? 0.0;
        $this->claim(!$works || $by < 60.0 || $high->value > 60.0, $id, 'works, and a meter shows nothing', $high);
        $this->claim(
            str_contains($high->words, 'ghost') ===
                ($high->kind === 'number' && $high->value >= 5 && $low->value < 0.2 * $high->value),
            $id,
            'a ghost that is none, or none where there is one',
            $high,
        );
        $tester = $meter->plugTester($end);
        $bits = array_search($tester->words, Meter::TESTER, true);
        // A lamp draws a milliampere: between its threshold and the load flow's volts nothing is claimed.
        foreach (
            [4 => [$end->hot, $end->neutral], 2 => [$end->hot, $end->ground], 1 => [$end->neutral, $end->ground]]
            as $bit => [$a, $b]
        ) {
            $across = $meter->acVolts($a, $b, 1e5)->value;
            $this->claim(
                $bits !== false && (abs($across - 80.0) < 10.0 || (($bits & $bit) !== 0) === $across > 80.0),
                $id,
                'a lamp of the tester lights without volts, or is dark with them',
                $tester,
            );
        }
        $button = $meter->gfciButton($end);
        $this->claim(
            $end->gfci === 'none'
                ? $button->words === 'no GFCI here'
                : ($button->words === Meter::BUTTON[0]) === $volts > 80.0,
            $id,
            'a GFCI button that trips without volts, or does not with them',
            $button,
        );
        $pressed = $meter->plugTester($end, true);
        $this->claim(
            !str_starts_with($pressed->words, 'trips') || $pressed->value >= 4.0,
            $id,
            'a tester trips with less current than a GFCI takes (UL 943: 4 to 6 mA)',
            $pressed,
        );
        $detector = $meter->detector($end->hot);
        $toEarth = (float) $meter->flow()->acBetween($end->hot, 'earth');
        $this->claim(
            ($detector->words === 'lights') === $toEarth > 50.0,
            $id,
            'a detector lights without volts, or is dark with them',
            $detector,
        );
        $ohms = $meter->ohms($end->hot, $end->neutral);
        $dead = max($toEarth, $volts, (float) $meter->flow()->acBetween($end->neutral, 'earth')) < 2.0;
        $this->claim($dead || $ohms->kind === 'hazard', $id, 'ohms measured on what is live', $ohms);
        $joined = $settled->situation->joined($end->hot, $end->neutral);
        $this->claim(
            !$joined || $ohms->kind === 'hazard' || $ohms->value < 2.0,
            $id,
            'open, and joined by metal',
            $ohms,
        );
        $touched = $meter->touchA($end->hot);
        $this->claim(
            $touched * 1000.0 <= $toEarth * 1.001 + 0.01,
            $id,
            'more through a person than the volts drive',
            $high,
        );
        $this->clamps($id, $meter, $settled);
    }

    /** Both conductors in one clamp show what does not come home by them: never more than either carries. */
    private function clamps(string $id, Meter $meter, Settled $settled): void
    {
        $graph = $settled->situation->network->graph;
        [$hot, $neutral] = ["{$id}.hot", "{$id}.neutral"];
        if (!isset($graph->elements[$hot], $graph->elements[$neutral]) || $meter->flow()->otherAcV !== null) {
            return;
        }
        $one = $meter->residual([$hot]);
        $clamped = $meter->acAmps($hot);
        $this->claim(
            self::near($one->value / 1000.0, $clamped->value, 0.02),
            $id,
            'a clamp around one conductor and its current',
            $one,
        );
        $both = $meter->residual([$hot, $neutral])->value;
        $other = $meter->residual([$neutral])->value;
        $this->claim($both <= $one->value + $other + 1.0, $id, 'more is missing than both carry', $one);
        $this->claim(
            $both >= abs($one->value - $other) - max(5.0, 0.02 * $one->value),
            $id,
            'less is missing than they differ',
            $one,
        );
    }

    private static function near(?float $a, ?float $b, float $by = 1e-3): bool
    {
        return $a !== null && $b !== null && abs($a - $b) <= $by + 0.01 * abs($b);
    }

    private function claim(bool $holds, string $part, string $what, Reading $reading): void
    {
        $this->taken++;
        if (!$holds) {
            $shown = json_encode($reading->toArray(), JSON_UNESCAPED_UNICODE);
            $this->broken[] = new Violation(
                'meter',
                $this->title,
                'as it is',
                'meter',
                [$part],
                $what,
                "{$this->at}: {$shown}",
            );
        }
    }
}
