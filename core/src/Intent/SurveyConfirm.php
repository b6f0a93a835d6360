<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Job\Basis;
use Hollin\Core\Plan\Refused;
use stdClass;

/** Assumed values that somebody has looked at and found as they stand: of one place, of a part, of a whole list. */
final class SurveyConfirm implements Handler
{
    private const MOST = 2000;

    public static function kind(): string
    {
        return 'survey_confirm';
    }

    public static function needs(): array
    {
        return ['basis', 'values'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        $basis = Basis::tryFrom($on->text('basis'));
        if ($basis === null || $basis === Basis::Assumed) {
            throw Refused::because(
                '/intent/basis',
                'must be measured, read_off or told: an assumption confirms nothing.',
            );
        }
        $places = $on->intent->raw()->values;
        if (!is_array($places) || $places === [] || count($places) > self::MOST) {
            throw Refused::because(
                '/intent/values',
                sprintf('must be a list of 1 to %d places, each a component and a path.', self::MOST),
            );
        }
        $known = array_filter(['by' => $on->text('by'), 'at' => $on->text('at')], fn(string $t): bool => $t !== '');
        $parts = [];
        foreach ($places as $i => $place) {
            $value = $this->assumed($on, $place, "/intent/values/{$i}");
            // A length is measured where the size beside it is read off: a place can say so itself.
            $own = Basis::tryFrom(is_string($place->basis ?? null) ? $place->basis : '');
            $value->basis = ($own === null || $own === Basis::Assumed ? $basis : $own)->value;
            foreach ($known as $name => $text) {
                $value->{$name} = $text;
            }
            $parts[$place->component] = true;
        }
        $labels = array_map(
            fn(string $id): string => $on->surveyed($id)->label,
            array_map(strval(...), array_keys($parts)),
        );
        $words = ['measured' => 'measured', 'read_off' => 'read off', 'told' => 'told'][$basis->value];

        return $on->done(
            sprintf(
                'confirmed %d %s (%s): %s',
                count($places),
                count($places) === 1 ? 'value' : 'values',
                $words,
                implode(', ', array_slice($labels, 0, 5)) . (count($labels) > 5 ? ' …' : ''),
            ),
        );
    }

    /** @throws Refused when there is no assumed value at the place */
    private function assumed(Editing $on, mixed $place, string $pointer): stdClass
    {
        $id = $place instanceof stdClass ? $place->component ?? null : null;
        $path = $place instanceof stdClass ? $place->path ?? null : null;
        if (!is_string($id) || !is_string($path)) {
            throw Refused::because($pointer, 'must be a component and a path.');
        }
        $component = $on->surveyed($id);
        $at = $component;
        foreach (explode('/', ltrim($path, '/')) as $step) {
            $at = $at instanceof stdClass ? $at->{$step} ?? null : null;
        }
        if (!($at instanceof stdClass) || ($at->basis ?? null) !== Basis::Assumed->value) {
            throw Refused::because($pointer, sprintf('%s: nothing is assumed at %s.', $component->label, $path));
        }

        return $at;
    }
}
