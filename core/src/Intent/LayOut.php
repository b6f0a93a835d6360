<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Tree;
use Hollin\Core\Plan\Layouts;
use Hollin\Core\Plan\Refused;
use stdClass;

/** A survey begun from a factory layout, or from what was surveyed in another rig. */
final class LayOut implements Handler
{
    public static function kind(): string
    {
        return 'lay_out';
    }

    public static function needs(): array
    {
        return ['layout'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        if (get_object_vars($on->document->asFound->components) !== []) {
            throw Refused::because(
                '/intent/layout',
                'The survey already has components; a layout starts an empty one.',
            );
        }
        $layout = $on->text('layout');
        if ($layout === 'copy') {
            $parts = $on->intent->raw()->components ?? null;
            if (!($parts instanceof stdClass)) {
                throw Refused::because('/intent/components', 'is missing: the parts that were surveyed elsewhere.');
            }
            $on->document->asFound->components = self::doubted(Tree::copy($parts));
            $from = mb_substr($on->text('from'), 0, 120);

            return $on->done('started the survey as a copy' . ($from === '' ? '' : " of \"{$from}\""));
        }
        $on->document->asFound->components = Layouts::components($layout);

        return $on->done('started the survey from "' . Layouts::all()[$layout]['title'] . '"');
    }

    /** Every surveyed value as assumed: what was measured in one rig is a guess in another. */
    private static function doubted(stdClass $at): stdClass
    {
        if (property_exists($at, 'basis')) {
            $at->basis = Basis::Assumed->value;
            unset($at->by, $at->at);

            return $at;
        }
        foreach (get_object_vars($at) as $value) {
            if ($value instanceof stdClass) {
                self::doubted($value);
            }
        }

        return $at;
    }
}
