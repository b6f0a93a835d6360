<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Plan\Refused;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Rigs;
use Tests\Seeds;

/*
 * Intents drawn at random, half of them nonsense. Each is refused with a place and a reason and
 * changes nothing, or leaves a file that reads back and is answered. The seed draws them again.
 */

/** @param list<mixed> $from */
function drawn(Randomizer $random, array $from): mixed
{
    return $from[$random->getInt(0, count($from) - 1)];
}

function randomIntent(Randomizer $random, stdClass $document): stdClass
{
    $kind = drawn($random, array_keys(Intents::all()));
    $parts = [...array_keys(get_object_vars($document->asFound->components)), 'nobody', '', '../x'];
    $plans = [...array_keys(get_object_vars($document->plans)), 'p', 'never'];
    $changes = ['none', ...array_keys(get_object_vars($document->plans->p->changes ?? new stdClass()))];
    $values = [
        null,
        true,
        -3,
        0,
        15,
        20,
        1e9,
        '',
        'breaker',
        'main_panel',
        'awg:10',
        "x\x07",
        '<b>x</b>',
        [],
        new stdClass(),
        (object) ['value' => 20, 'basis' => 'told'],
        (object) ['panel' => 'main_panel', 'slot' => 3, 'half' => 'a'],
        (object) ['at' => 'inlet', 'port' => 'out'],
        (object) ['behind' => 'c_wet'],
        (object) ['type' => 'shunt', 'label' => 'S', 'ratingA' => 300],
        (object) ['type' => 'rocket'],
        (object) ['size' => 'awg:12', 'lengthM' => 3],
    ];
    $paths = [
        '/label',
        '/breakerA',
        '/cable',
        '/cable/lengthM',
        '/cable/size',
        '/hot',
        '/hot/slot',
        '/neutral',
        '/gfci',
        '/feeds',
        '/type',
        '/plug',
        '/from',
        '/to',
        '/loads/unit/watts',
        '/',
        '',
        '/a b',
        '/offGrid/c_air',
        '/ampacity',
        '/scenarios/s',
    ];
    $draw = [
        'title' => fn(): mixed => drawn($random, ['Hives', '', str_repeat('x', 300), '<i>y</i>']),
        'layout' => fn(): mixed => drawn($random, ['trailer_30_in_panel', 'castle']),
        'panel' => fn(): mixed => drawn($random, ['main_panel', 'inverter_panel', 'inlet', 'attic']),
        'lines' => fn(): mixed => drawn($random, [
            '15 hives 14/2 #3b',
            '20',
            "20 a\n\n15 b #99",
            '',
            '15 ' . str_repeat('long ', 200),
            '15 <b> 14/2 #2b',
        ]),
        'component' => fn(): mixed => drawn(
            $random,
            in_array($kind, ['survey_add', 'plan_fit', 'plan_in_line'], true) ? $values : $parts,
        ),
        'path' => fn(): mixed => drawn($random, $paths),
        'feeder' => fn(): mixed => drawn($random, ['feeder_main', 'inlet', '']),
        'item' => fn(): mixed => drawn($random, ['tug', 'moon']),
        'verdict' => fn(): mixed => drawn($random, ['sound', 'fault', '', 'fine']),
        'basis' => fn(): mixed => drawn($random, ['measured', 'read_off', 'assumed', 'dreamt']),
        'values' => fn(): mixed => drawn($random, [
            [(object) ['component' => 'c_air', 'path' => '/breakerA']],
            [(object) ['component' => 'c_air', 'path' => '/gfci']],
            [(object) ['component' => drawn($random, $parts)]],
            [],
            'all',
        ]),
        'value' => fn(): mixed => drawn($random, $values),
        'id' => fn(): mixed => drawn($random, ['new_one', 'p', 'inlet', 'Not An Id', '', str_repeat('a', 80)]),
        'plan' => fn(): mixed => drawn($random, $plans),
        'recipe' => fn(): mixed => drawn($random, [...array_keys(Arrangements::all()), 'wish']),
        'options' => fn(): mixed => drawn($random, [
            new stdClass(),
            (object) ['circuits' => (object) ['c_outlets' => true]],
            (object) ['circuit' => 'c_wet'],
            (object) ['continuousW' => -5],
            (object) ['converter' => 'eaten'],
            (object) ['continuousW' => 2000, 'surgeW' => 300],
            [],
            'none',
        ]),
        'circuit' => fn(): mixed => drawn($random, $parts),
        'wires' => fn(): mixed => drawn($random, ['both', 'hot', 'neutral', 'left']),
        'change' => fn(): mixed => drawn($random, $changes),
        'stage' => fn(): mixed => drawn($random, ['whole', 'never']),
    ];
    $intent = ['kind' => $kind];
    foreach (Intents::all()[$kind]::needs() as $property) {
        if ($random->getInt(0, 19) > 0) {
            $intent[$property] = $draw[$property]();
        }
    }

    return (object) $intent;
}

it('refuses with place and reason, or leaves a file that reads back and is answered', function (int $seed): void {
    $random = new Randomizer(new Mt19937($seed));
    $document = Rigs::job();
    $accepted = 0;
    for ($i = 0; $i < 25; $i++) {
        $intent = randomIntent($random, $document);
        $before = JobFile::write($document);
        $said = (string) json_encode($intent, JSON_PARTIAL_OUTPUT_ON_ERROR);
        try {
            $edit = Intents::apply($document, $intent);
        } catch (Refused $refused) {
            foreach ($refused->problems as $problem) {
                expect(trim($problem->message))
                    ->not->toBe('', $said)
                    ->and(strlen($problem->message))
                    ->toBeLessThan(600, $said);
            }
            expect(JobFile::write($document) === $before)->toBeTrue($said);

            continue;
        }
        $accepted++;
        expect(JobFile::write($document) === $before)
            ->toBeTrue($said)
            ->and(trim($edit->words))
            ->not->toBe('', $said);
        $text = JobFile::write($edit->document);
        expect(JobFile::write(JobFile::read($text)) === $text)->toBeTrue($said);
        $document = $edit->document;
    }
    $answers = new JobAnswers($document);
    foreach ($answers->views as $view) {
        expect(json_encode($answers->answer($view['hash']), JSON_THROW_ON_ERROR))->toBeString();
    }
    expect($accepted)->toBeLessThan(25);
})
    ->with(Seeds::of(120))
    ->group('drawn');
