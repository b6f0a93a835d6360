<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Battery\DcLoad;
use Hollin\Core\Components\Battery\DcSwitch;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Source;

/** Detectors and breakaway brakes must not hang behind something that can leave them dead. */
final class LifeSafety implements RigRule
{
    public static function definition(): Definition
    {
        $detector = [
            Sample::add('detector', ['type' => 'dc_load', 'label' => 'Gas detector', 'use' => 'detector', 'amps' => 0.1]),
            Sample::add('ld_detector', ['type' => 'lead', 'label' => 'To detector', 'from' => 'dc_panel.fused', 'to' => 'detector.pos', 'pole' => 'positive', 'cable' => ['size' => 'awg:14', 'lengthM' => 2]]),
            Sample::add('ld_detector_neg', ['type' => 'lead', 'label' => 'From detector', 'from' => 'dc_panel.neg', 'to' => 'detector.neg', 'pole' => 'negative', 'cable' => ['size' => 'awg:14', 'lengthM' => 2]]),
        ];

        return new Definition(
            'life_safety',
            Severity::Warning,
            'Life safety behind a switch',
            'Gas and CO detectors must be live whenever somebody is on board, breakaway brakes whenever the rig is towed: never only behind a disconnect, a low-voltage cut-off or a battery-management system that can open.',
            Source::recalled('NFPA 1192 for detectors; breakaway by FMVSS and state law; common practice'),
            [
                Sample::found('a detector behind the new disconnect', ...$detector, ...[Sample::choose('in_line')]),
                Sample::silent('a detector on the old battery', ...$detector),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->rig->all(DcLoad::class) as $id => $load) {
            if (!$load->isLifeSafety()) {
                continue;
            }
            $brakes = $load->values->text('use') === 'breakaway';
            [$fed, $behind, $bms] = self::feed($rig, "{$id}.pos");
            if (!$fed) {
                $hits[] = new Hit("{$id}|dead", sprintf('%s is fed by nothing.', $load->label()), [$id], severity: Severity::Danger, title: 'Life safety without a supply');
            } elseif ($behind !== null) {
                $hits[] = new Hit(
                    "{$id}|{$behind}",
                    sprintf('%s is dead while %s is open%s.', $load->label(), $rig->rig->label($behind), $brakes ? ': in tow its brakes do nothing' : ', with people on board or not'),
                    [$id, $behind],
                    severity: $brakes ? Severity::Danger : Severity::Warning,
                );
            } elseif ($bms) {
                $hits[] = new Hit("{$id}|bms", sprintf('%s hangs on a bank whose battery management can open and leave it dead.', $load->label()), [$id], severity: Severity::Advice, title: 'Life safety on a battery that can open');
            }
        }

        return $hits;
    }

    /**
     * Whether a bank reaches a terminal, the disconnect every way from a bank goes through, and whether every bank has a BMS.
     *
     * @return array{bool, ?string, bool}
     */
    private static function feed(Examination $rig, string $terminal): array
    {
        $banks = $rig->rig->all(Bank::class);
        $reached = self::reach($rig, $terminal, null);
        $feeding = array_filter($banks, fn(Bank $b): bool => isset($reached["{$b->id}.pos"]));
        if ($feeding === []) {
            return [false, null, false];
        }
        foreach ($rig->rig->all(DcSwitch::class) as $id => $_) {
            $without = self::reach($rig, $terminal, $id);
            if (array_filter($feeding, fn(Bank $b): bool => isset($without["{$b->id}.pos"])) === []) {
                return [true, $id, false];
            }
        }

        return [true, null, array_filter($feeding, fn(Bank $b): bool => $b->values->numberOrNull('bmsContinuousA') === null) === []];
    }

    /** @return array<string, true> terminals joined with one through positive conductors, a component left out */
    private static function reach(Examination $rig, string $from, ?string $except): array
    {
        $seen = [$from => true];
        $queue = [$from];
        while ($queue !== []) {
            foreach ($rig->engine->network->neighbours()[array_pop($queue)] ?? [] as [$next, $id]) {
                $element = $rig->graph->elements[$id];
                if (!isset($seen[$next]) && $element->role === Role::DcPositive && $element->component !== $except) {
                    $seen[$next] = true;
                    $queue[] = $next;
                }
            }
        }

        return $seen;
    }
}
