<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;

/** A value of a surveyed component. */
final class SurveySet implements Handler
{
    public static function kind(): string
    {
        return 'survey_set';
    }

    public static function needs(): array
    {
        return ['component', 'path', 'value'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        $id = $on->component();
        // Named as it was: what the change makes of it is checked afterwards.
        $component = $on->surveyed($id);
        $places = $on->places();
        foreach ($places as $path => $value) {
            $reason = Planned::apply(
                $on->document->asFound->components,
                (object) ['op' => 'set', 'target' => $id, 'path' => $path, 'value' => $value],
            );
            if ($reason !== null) {
                throw Refused::because('/intent/path', $reason);
            }
        }

        return $on->done("surveyed {$component->label}: " . Catalogue::placesWords($component->type, $places));
    }
}
