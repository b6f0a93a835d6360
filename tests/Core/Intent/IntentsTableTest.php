<?php

declare(strict_types=1);

use Hollin\Core\Intent\Handler;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Intent\Right;

it('knows every handler that there is, by its own kind', function (): void {
    $files = array_map(
        fn(string $file): string => 'Hollin\\Core\\Intent\\' . basename($file, '.php'),
        glob(dirname(__DIR__, 3) . '/core/src/Intent/*.php') ?: [],
    );
    $handlers = array_values(array_filter($files, fn(string $class): bool => is_subclass_of($class, Handler::class)));
    $known = array_values(Intents::all());
    sort($known);
    expect($known)->toBe($handlers);
});

it('asks for the right to plan of whatever is not a matter of the survey', function (): void {
    $survey = array_keys(
        array_filter(Intents::all(), fn(string $handler): bool => $handler::right() === Right::Survey),
    );
    expect($survey)
        ->toBe([
            'lay_out',
            'add_circuits',
            'survey_set',
            'survey_confirm',
            'set_walk',
            'survey_add',
            'survey_remove',
            'set_need',
            'set_place',
        ])
        ->and(Intents::right('move_circuit'))
        ->toBe(Right::Plan)
        ->and(Intents::right('no_such_kind'))
        ->toBe(Right::Plan)
        ->and(Intents::right(null))
        ->toBe(Right::Plan);
});
