<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Battery\DcFuse;
use Hollin\Core\Reference\FuseFamily;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\ProspectiveShort;

/** A fuse that the bank's short circuit would blow apart instead of being broken by it. */
final class InterruptingCapacity implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'interrupting_capacity',
            Severity::Danger,
            'Fuse cannot break the bank\'s short circuit',
            'A device opens safely only up to its interrupting capacity. Lithium banks deliver thousands of amps into a short; bolt-down automotive fuses and thermal breakers often cannot break it.',
            Source::recalled('ABYC E-11 and E-13 on interrupting capacity; usual maker data'),
            [
                Sample::found('a thermal breaker on a lithium bank', Sample::choose('in_line', ['parallel' => 4]), Sample::set('main_fuse', '/family', 'automotive_bolt')),
                Sample::silent('Class T', Sample::choose('in_line', ['parallel' => 2])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->rig->all(DcFuse::class) as $id => $fuse) {
            foreach ($rig->rig->all(Bank::class) as $bank) {
                $short = ProspectiveShort::at($rig->graph, $bank, "{$id}.in");
                if ($short === null) {
                    continue;
                }
                $capacity = $fuse->family()->interruptingA($bank->highestV());
                if (($capacity !== null && $short->currentA <= $capacity) || self::backedUp($rig, $bank, $id)) {
                    continue;
                }
                $enough = array_values(array_filter(
                    [FuseFamily::OnPost, FuseFamily::ClassT],
                    fn(FuseFamily $f): bool => $f !== $fuse->family() && ($f->interruptingA($bank->highestV()) ?? 0) >= $short->currentA && in_array((int) $fuse->ratingA(), $f->ratingsA(), true),
                ));
                $hits[] = new Hit(
                    "{$id}|{$bank->id}",
                    sprintf('%s (%s) can break %s at %.1f V; a short there draws %.1f kA from %s.', $fuse->label(), $fuse->family()->label(), $capacity === null ? 'nothing' : sprintf('%.1f kA', $capacity / 1000), $bank->highestV(), $short->currentA / 1000, $bank->label()),
                    [$id, $bank->id],
                    [new Figure('Prospective short circuit', $short->currentA, 'A', $short->arithmetic, ProspectiveShort::source(), $capacity ?? 0.0, $short->assumed)],
                    array_map(fn(FuseFamily $f): Remedy => Remedy::set(sprintf('Use %s for %s', $f->label(), $fuse->label()), 'breaks what the bank delivers', $id, '/family', $f->value), $enough),
                    [["{$bank->id}.pos", "{$id}.in"]],
                );
            }
        }

        return $hits;
    }

    /** Whether a fuse nearer the bank breaks what this one cannot (ABYC E-11 lets a fuse ahead supply the capacity). */
    private static function backedUp(Examination $rig, Bank $bank, string $fuse): bool
    {
        foreach ($rig->rig->all(DcFuse::class) as $id => $other) {
            if ($id === $fuse) {
                continue;
            }
            $short = ProspectiveShort::at($rig->graph, $bank, "{$id}.in");
            $capacity = $other->family()->interruptingA($bank->highestV());
            if ($short !== null && $capacity !== null && $short->currentA <= $capacity && !$rig->reach()->reachesUnfused("{$bank->id}.pos", "{$fuse}.in")) {
                return true;
            }
        }

        return false;
    }
}
