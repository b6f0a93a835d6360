<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Refused;
use Hollin\Core\Plan\WalkRound;
use stdClass;

/** What the walk round the rig found at one item; no verdict takes it back. */
final class SetWalk implements Handler
{
    public static function kind(): string
    {
        return 'set_walk';
    }

    public static function needs(): array
    {
        return ['item', 'verdict'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        $item = $on->text('item');
        $title =
            WalkRound::items()[$item]['title'] ??
            throw Refused::because(
                '/intent/item',
                'must be one of: ' . implode(', ', array_keys(WalkRound::items())) . '.',
            );
        $verdict = $on->text('verdict');
        $found = $on->document->asFound;
        $found->walk ??= new stdClass();
        unset($found->walk->{$item});
        if ($verdict !== '') {
            if (!in_array($verdict, ['sound', 'fault'], true)) {
                throw Refused::because('/intent/verdict', 'must be sound, fault, or empty for not looked at.');
            }
            $found->walk->{$item} = (object) array_filter(
                [
                    'verdict' => $verdict,
                    'note' => mb_substr($on->text('note'), 0, 400),
                    'by' => $on->text('by'),
                    'at' => $on->text('at'),
                ],
                fn(string $t): bool => $t !== '',
            );
        }
        $words = ['sound' => 'sound', 'fault' => 'not as it should be', '' => 'not looked at'][$verdict];

        return $on->done("walk round, {$title}: {$words}");
    }
}
