<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Panels;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\Meter;
use Hollin\Core\States\NamedState;

/**
 * One reading to take before anything is disconnected: where, in which state, what is expected and
 * within what band. Afterwards nobody can tell what was broken before.
 */
final readonly class Baseline
{
    private function __construct(
        public string $id,
        public string $words,
        public string $state,
        public string $stateWords,
        public string $function,
        public string $a,
        public string $b,
        public string $unit,
        public ?float $lowest,
        public ?float $highest,
        public ?string $expected,
        public string $why,
    ) {}

    /** @return list<self> */
    public static function of(Examination $rig): array
    {
        $points = [];
        $dead = $rig->named['nothing'];
        $shore = null;
        foreach ($rig->named as $id => $state) {
            if (str_starts_with($id, 'shore_') && $id !== 'shore_and_inverter') {
                $shore ??= $state;
            }
        }
        foreach ($rig->graph->batteries as $bank) {
            $id = $bank->component;
            // Whatever its charge: from low to full.
            $points[] = new self(
                "rest_{$id}",
                "{$rig->graph->label($id)}, resting volts",
                $dead->id,
                $dead->title,
                'dc_volts',
                $bank->pos,
                $bank->neg,
                'V',
                round($bank->restV('low') - 0.3, 1),
                round($bank->fullV() + 0.2, 1),
                null,
                'nothing charging, nothing drawing, an hour after the last charge',
            );
        }
        foreach (Panels::of($rig->graph) as $id => $panel) {
            $points[] = new self(
                "bond_{$id}",
                "{$panel->label}, neutral bar to ground bar, dead",
                $dead->id,
                $dead->title,
                'ohms',
                Panels::neutralBar($panel),
                Panels::groundBar($panel),
                'Ω',
                20.0,
                null,
                null,
                'all sources out, proven dead; open, or a load\'s ohms: near zero means a bond in the vehicle',
            );
            $points[] = new self(
                "frame_{$id}",
                "{$panel->label}, ground bar to frame, dead",
                $dead->id,
                $dead->title,
                'ohms',
                Panels::groundBar($panel),
                'frame',
                'Ω',
                0.0,
                1.0,
                null,
                'all sources out, proven dead; well under 1 Ω',
            );
        }
        if ($shore === null) {
            return $points;
        }
        $settled = $rig->settled[$shore->id];
        $meter = new Meter($settled, []);
        foreach ($rig->graph->converters as $converter) {
            if ($converter->kind !== PowerConverter::CHARGER || $converter->inputLimitA !== null) {
                continue;
            }
            $id = $converter->component;
            [$pos, $neg] = $converter->output;
            $volts = $meter->dcVolts($pos, $neg)->value ?? 0.0;
            $points[] = new self(
                "converter_{$id}",
                "{$rig->graph->label($id)}, output volts",
                $shore->id,
                $shore->title,
                'dc_volts',
                $pos,
                $neg,
                'V',
                round(min($volts, $converter->holdsV) - 0.6, 1),
                round($converter->holdsV + 1.0, 1),
                null,
                'shore on, converter breaker on',
            );
        }
        foreach (Panels::of($rig->graph) as $id => $panel) {
            $points[] = self::lineVolts(
                "volts_{$id}",
                "{$panel->label}, hot bus to neutral bar",
                $shore,
                Panels::bus($panel),
                Panels::neutralBar($panel),
                $meter,
            );
        }
        foreach ($rig->graph->circuits as $id => $circuit) {
            if ($circuit->place === 'fixed' || $circuit->feeds !== null) {
                continue;
            }
            $points[] = new self(
                "polarity_{$id}",
                "{$circuit->label}, polarity at an outlet",
                $shore->id,
                $shore->title,
                'plug_tester',
                $id,
                '',
                '',
                null,
                null,
                $meter->plugTester($circuit)->words,
                'plug-in tester; it cannot see everything',
            );
            $points[] = self::lineVolts(
                "volts_{$id}",
                "{$circuit->label}, hot to neutral at an outlet",
                $shore,
                $circuit->hot,
                $circuit->neutral,
                $meter,
            );
            if ($circuit->gfci !== 'none') {
                $points[] = new self(
                    "gfci_{$id}",
                    "{$circuit->label}, GFCI button",
                    $shore->id,
                    $shore->title,
                    'gfci_button',
                    $id,
                    '',
                    '',
                    null,
                    null,
                    $meter->gfciButton($circuit)->words,
                    'press, then reset',
                );
            }
        }
        $points[] = self::skin($shore);

        return array_values(array_filter($points));
    }

    /**
     * Volts between hot and neutral on shore; nothing where none are expected. From 106 to 127 V: what a supply may be
     * at an outlet at worst (ANSI C84.1, range B, from memory).
     */
    private static function lineVolts(
        string $id,
        string $words,
        NamedState $shore,
        string $hot,
        string $neutral,
        Meter $meter,
    ): ?self {
        if (($meter->acVolts($hot, $neutral)->value ?? 0.0) < 60.0) {
            return null;
        }

        return new self(
            $id,
            $words,
            $shore->id,
            $shore->title,
            'ac_volts',
            $hot,
            $neutral,
            'V',
            106.0,
            127.0,
            null,
            'live: one hand, probes with shrouds; with little running it is what the pedestal gives',
        );
    }

    private static function skin(NamedState $shore): self
    {
        return new self(
            'skin',
            'Frame to independent earth',
            $shore->id,
            $shore->title,
            'ac_volts',
            'frame',
            'earth',
            'V',
            0.0,
            1.0,
            null,
            'a rod or damp soil, not the pedestal; the only reading that finds a reversed pedestal with its ' .
                'ground bootlegged',
        );
    }

    /** @param array<string, mixed> $given as stored */
    public static function fromArray(array $given): self
    {
        $text = fn(string $k): string => is_string($given[$k] ?? null) ? $given[$k] : '';
        $number = fn(string $k): ?float => is_numeric($given[$k] ?? null) ? (float) $given[$k] : null;

        return new self(
            $text('id'),
            $text('words'),
            $text('state'),
            $text('stateWords'),
            $text('function'),
            $text('a'),
            $text('b'),
            $text('unit'),
            $number('lowest'),
            $number('highest'),
            is_string($given['expected'] ?? null) ? $given['expected'] : null,
            $text('why'),
        );
    }

    /** What should be read, in short: "below 1 Ω". */
    public function shown(): string
    {
        return match (true) {
            $this->expected !== null => self::short($this->expected),
            $this->lowest === null => "below {$this->highest} {$this->unit}",
            $this->highest === null => "open, or above {$this->lowest} {$this->unit}",
            default => "{$this->lowest} … {$this->highest} {$this->unit}",
        };
    }

    /** @return list<string> words that can be read here, the short ones; none where a figure is read */
    public function options(): array
    {
        return match ($this->function) {
            'plug_tester' => array_map(self::short(...), Meter::TESTER),
            'gfci_button' => array_map(self::short(...), Meter::BUTTON),
            default => [],
        };
    }

    /** Words without what explains them. */
    private static function short(string $words): string
    {
        return (preg_split('/ \(|: /', $words, 2) ?: [$words])[0];
    }

    /** as expected, not as expected, or to be judged by a person. */
    public function verdict(?float $value, ?string $words): string
    {
        if ($value !== null && ($this->lowest !== null || $this->highest !== null)) {
            return ($this->lowest === null || $value >= $this->lowest - 1e-9) &&
                ($this->highest === null || $value <= $this->highest + 1e-9)
                ? 'as expected'
                : 'not as expected';
        }
        // "Open" is the good answer wherever ohms must be high.
        if ($words === 'open' && $this->unit === 'Ω') {
            return $this->highest === null ? 'as expected' : 'not as expected';
        }
        if ($words !== null && $this->expected !== null) {
            return str_starts_with($this->expected, $words) ? 'as expected' : 'not as expected';
        }

        return 'to be judged';
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'words' => $this->words,
            'state' => $this->state,
            'stateWords' => $this->stateWords,
            'function' => $this->function,
            'a' => $this->a,
            'b' => $this->b,
            'unit' => $this->unit,
            'lowest' => $this->lowest,
            'highest' => $this->highest,
            'expected' => $this->expected,
            'shown' => $this->shown(),
            'why' => $this->why,
        ];
    }
}
