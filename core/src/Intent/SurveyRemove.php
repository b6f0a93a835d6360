<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

/** A component out of the survey. */
final class SurveyRemove implements Handler
{
    public static function kind(): string
    {
        return 'survey_remove';
    }

    public static function needs(): array
    {
        return ['component'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        $id = $on->component();
        $label = $on->surveyed($id)->label;
        unset($on->document->asFound->components->{$id});

        return $on->done("took {$label} out of the survey");
    }
}
