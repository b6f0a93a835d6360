<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Plan\Layouts;
use Hollin\Core\Plan\Refused;

/** A survey begun from a factory layout. */
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
        $on->document->asFound->components = Layouts::components($layout);

        return $on->done('started the survey from "' . Layouts::all()[$layout]['title'] . '"');
    }
}
