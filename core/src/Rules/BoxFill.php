<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\BoxVolume;

/** A splice box holds more conductors than its volume allows. */
final class BoxFill implements RigRule
{
    public static function definition(): Definition
    {
        $box = fn(int $volume): array => Sample::add('box', [
            'type' => 'splice_box',
            'label' => 'Splice box',
            'volumeCm3' => $volume,
        ]);
        $in = Sample::survey('feeder_main', '/to', ['at' => 'box', 'port' => 'in']);
        $out = Sample::add('box_out', [
            'type' => 'feeder',
            'label' => 'Box to panel',
            'from' => ['at' => 'box', 'port' => 'out'],
            'to' => ['at' => 'main_panel', 'port' => 'line'],
            'cable' => ['size' => 'awg:10', 'lengthM' => 1],
        ]);

        return new Definition(
            'box_fill',
            Severity::Warning,
            'Splice box too small',
            'Each insulated conductor counts by its gauge, all equipment grounds together once (and a ' .
                'quarter more for each above four), clamps inside once.',
            Source::recalled('NFPA 70 314.16(B) and table 314.16(B)'),
            [
                Sample::found('two 10 AWG cables in a shallow box', $box(150), $in, $out),
                Sample::silent('in a deep one', $box(300), $in, $out),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->partsOf('splice_box') as $id => $box) {
            $needed = BoxVolume::of($rig->graph, $box);
            $has = $box->number('volumeCm3');
            if ($needed->cm3 > $has + 1e-9) {
                $hits[] = new Hit(
                    $id,
                    sprintf('%s has %.0f cm³; its conductors need %.0f cm³.', $box->label, $has, $needed->cm3),
                    [$id],
                    [
                        new Figure(
                            'Volume needed',
                            $needed->cm3,
                            'cm³',
                            $needed->arithmetic,
                            BoxVolume::source(),
                            $has,
                            of: new Of(Quantity::Volume, $id),
                        ),
                    ],
                    [
                        Remedy::set(
                            sprintf('Use a box of %d cm³', (int) ceil($needed->cm3 / 10) * 10),
                            'room for every splice',
                            $id,
                            '/volumeCm3',
                            ['value' => (int) ceil($needed->cm3 / 10) * 10, 'basis' => 'told'],
                        ),
                    ],
                );
            }
        }

        return $hits;
    }
}
