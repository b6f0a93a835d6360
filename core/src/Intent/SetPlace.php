<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use stdClass;

/** Where things stand: the outline of the rig, its zones, a part, a mass, the way of a cable. */
final class SetPlace implements Handler
{
    public static function kind(): string
    {
        return 'set_place';
    }

    public static function needs(): array
    {
        return ['path', 'value'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        $on->document->place ??= new stdClass();
        $steps = explode('/', trim($on->path(), '/'));
        $id = $steps[1] ?? '';
        $name =
            $on->document->place->{$steps[0]}->{$id}->label ??
            ($on->document->asFound->components->{$id}->label ?? $id);
        $on->put($on->document->place, 'places');

        return $on->done(
            match ($steps[0]) {
                'rig' => 'changed the outline and weights of the rig',
                'zones' => trim("changed a zone: {$name}", ': '),
                'routes' => trim("changed the way of a cable: {$name}", ': '),
                default => trim("changed where something stands: {$name}", ': '),
            },
        );
    }
}
