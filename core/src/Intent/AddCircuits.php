<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Battery\DcPanel;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Id;
use Hollin\Core\Plan\QuickEntry;
use Hollin\Core\Plan\QuickEntry12V;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Plan\Slots;
use stdClass;

/** Circuits surveyed by lines of text, one each. */
final class AddCircuits implements Handler
{
    public static function kind(): string
    {
        return 'add_circuits';
    }

    public static function needs(): array
    {
        return ['panel', 'lines'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        $components = $on->document->asFound->components;
        $added = [];
        foreach (preg_split('/\R/', trim($on->text('lines'))) ?: [] as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            $rig = Rig::from($components);
            $panel = $rig->find($on->text('panel'));
            if ($panel instanceof DcPanel) {
                $circuit = QuickEntry12V::circuit($line, $panel->id, $i + 1);
                $components->{Id::from('d_' . $circuit->label, get_object_vars($components))} = $circuit;
                $added[] = $circuit->label;
                continue;
            }
            if (!($panel instanceof Panel)) {
                throw Refused::because(
                    '/intent/panel',
                    sprintf('"%s" is not a panel of the survey.', $on->text('panel')),
                );
            }
            $circuit = QuickEntry::circuit(
                $line,
                $panel->id,
                array_column(array_filter(Slots::free($rig, $panel), fn(array $f): bool => $f['half'] === ''), 'slot'),
                $i + 1,
            );
            if ($circuit->hot->slot < 1 || $circuit->hot->slot > $panel->slots()) {
                throw Refused::because(
                    '/lines/' . ($i + 1),
                    sprintf('#%d: %s has %d slots.', $circuit->hot->slot, $panel->label(), $panel->slots()),
                );
            }
            $moved = self::makeTandem($rig, $panel, $components, $circuit->hot);
            $components->{Id::from('c_' . $circuit->label, get_object_vars($components))} = $circuit;
            $added[] = $circuit->label . $moved;
        }
        if ($added === []) {
            throw Refused::because(
                '/intent/lines',
                'is empty: write one circuit a line, for example "20 gfci bath 12/2".',
            );
        }

        return $on->done('surveyed ' . implode(', ', $added));
    }

    /**
     * A tandem half named in a slot that holds one breaker so far says that the breaker there is a
     * tandem: what was surveyed in it is on the other half.
     */
    private static function makeTandem(Rig $rig, Panel $panel, stdClass $components, stdClass $hot): string
    {
        foreach (
            isset($hot->half) && $panel->values->flag('tandem') ? $rig->all(Circuit::class) : []
            as $id => $other
        ) {
            if ($other->hotPanel() === $panel->id && $other->slot() === $hot->slot && $other->half() === '') {
                $components->{$id}->hot->half = $hot->half === 'a' ? 'b' : 'a';

                return " ({$other->label()} is then on {$hot->slot}{$components->{$id}->hot->half})";
            }
        }

        return '';
    }
}
