<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Job\Problem;
use Hollin\Core\Reference\FuseFamily;
use stdClass;

/**
 * What is readable in a job file and all the same hardly meant: needs that name a load or a circuit no
 * stage has, a fuse in a rating its family is not made in. Nothing is refused for it.
 */
final class Doubts
{
    /** @return list<Problem> with the place and what would be right */
    public static function of(stdClass $document): array
    {
        $views = ['/asFound/components' => $document->asFound->components];
        foreach (array_keys(get_object_vars($document->plans)) as $plan) {
            foreach (Planned::stages($document, (string) $plan) as $stage) {
                $views["/plans/{$plan} ({$stage->title})"] = $stage->components;
            }
        }
        $circuits = $loads = [];
        $doubts = [];
        foreach ($views as $where => $components) {
            foreach (get_object_vars($components) as $id => $component) {
                if (($component->type ?? null) === 'circuit') {
                    $circuits[$id] = true;
                    foreach (array_keys(get_object_vars($component->loads ?? new stdClass())) as $load) {
                        $loads["{$id}.{$load}"] = true;
                    }
                } elseif (($component->type ?? null) === 'dc_fuse') {
                    $doubt = self::fuse($component, "{$where}/{$id}/ratingA");
                    if ($doubt !== null && !isset($doubts[$doubt->message . $id])) {
                        $doubts[$doubt->message . $id] = $doubt;
                    }
                }
            }
        }
        foreach (get_object_vars($document->needs->scenarios ?? new stdClass()) as $id => $scenario) {
            foreach (array_keys(get_object_vars($scenario->running)) as $load) {
                if (!isset($loads[$load])) {
                    $doubts[] = new Problem(
                        "/needs/scenarios/{$id}/running/{$load}",
                        sprintf('"%s" is no load of this rig, so it runs nowhere. %s', $load, self::there($loads)),
                    );
                }
            }
        }
        foreach (array_keys(get_object_vars($document->needs->offGrid ?? new stdClass())) as $circuit) {
            if (!isset($circuits[$circuit])) {
                $doubts[] = new Problem(
                    "/needs/offGrid/{$circuit}",
                    sprintf('"%s" is no circuit of this rig. %s', $circuit, self::there($circuits)),
                );
            }
        }

        return array_values($doubts);
    }

    private static function fuse(stdClass $component, string $pointer): ?Problem
    {
        $rating = $component->ratingA instanceof stdClass ? $component->ratingA->value : $component->ratingA;
        $family = FuseFamily::from($component->family);
        foreach ($family->ratingsA() as $made) {
            if (abs($made - $rating) < 1e-9) {
                return null;
            }
        }

        return new Problem(
            $pointer,
            sprintf(
                'is %g A; %s is usually made in %s A (from memory). Read the rating off the device.',
                $rating,
                $family->label(),
                implode(', ', $family->ratingsA()),
            ),
        );
    }

    /** @param array<string, true> $known */
    private static function there(array $known): string
    {
        return $known === []
            ? 'There is none.'
            : 'There is: ' . implode(', ', array_slice(array_keys($known), 0, 20)) . (count($known) > 20 ? ' …' : '.');
    }
}
