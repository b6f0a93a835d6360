<?php

declare(strict_types=1);

use Hollin\Core\Needs\LoadList;
use Hollin\Core\Needs\Typical;
use Hollin\Core\Plan\Refused;
use Tests\Rigs;

it('comes back from a table as it went out', function (): void {
    $loads = Rigs::object(Typical::all());
    $text = LoadList::written($loads);
    expect(substr_count($text, "\r\n"))->toBe(count(Typical::all()) + 1);
    $back = array_values(get_object_vars(LoadList::read($text)));
    foreach (array_values(get_object_vars($loads)) as $n => $load) {
        expect($back[$n]->label)->toBe($load->label)->and($back[$n]->supply)->toBe($load->supply);
        expect((float) $back[$n]->watts->value)
            ->toBe((float) $load->watts->value)
            ->and($back[$n]->watts->basis)
            ->toBe('assumed');
        foreach (get_object_vars($load->spans) as $id => $span) {
            expect($back[$n]->spans->{$id}->fromH)->toEqualWithDelta($span->fromH, 1e-3);
            expect($back[$n]->spans->{$id}->hours)->toEqualWithDelta($span->hours, 1e-3);
        }
    }
});

it('reads what RFC 4180 allows', function (): void {
    $read = LoadList::read(
        "\u{FEFF}name,runs on,watts,hours\r\n\"Kettle, the \"\"old\"\" one\",120 V,1400,7:00+0.25; 16:30+0.1\r\n" .
            "\"Two\nlines\",12V,5,0+24\r\n",
    );
    [$kettle, $lines] = array_values(get_object_vars($read));
    expect($kettle->label)->toBe('Kettle, the "old" one')->and($lines->label)->toBe("Two\nlines");
    expect($kettle->spans->h2->fromH)->toBe(16.5)->and($lines->supply)->toBe('dc');
});

it('keeps a name from becoming a formula, and gives it back', function (): void {
    $load = ['label' => '=SUM(A1)', 'supply' => 'ac', 'watts' => ['value' => 5, 'basis' => 'told']];
    $text = LoadList::written(Rigs::object(['x' => $load]));
    expect($text)->toContain("\r\n'=SUM(A1),");
    expect(array_values(get_object_vars(LoadList::read($text)))[0]->label)->toBe('=SUM(A1)');
});

it('says of everything that is wrong where, and takes nothing', function (string $text, string $at, string $why): void {
    try {
        LoadList::read($text);
        expect(false)->toBeTrue();
    } catch (Refused $refused) {
        $told = array_map(fn($p): string => "{$p->pointer} {$p->message}", $refused->problems);
        expect(implode("\n", $told))->toContain($at)->toContain($why);
    }
})->with([
    'a column nobody knows' => ["name,runs on,watts,colour\nA,12 V,5,red\n", '/row/1', 'colour'],
    'a column missing' => ["name,watts\nA,5\n", '/row/1', '"runs on" is missing'],
    'watts that are none' => [
        "name,runs on,watts\nA,12 V,5\nB,12 V,lots\n",
        '/row/3/watts',
        'not a number from 0 to 6000 W',
    ],
    'volts there are none of' => ["name,runs on,watts\nA,48 V,5\n", '/row/2/runs on', 'neither'],
    'hours' => ["name,runs on,watts,hours\nA,12 V,5,from dusk\n", '/row/2/hours', '7:00+0.25'],
    'a row that is short' => ["name,runs on,watts\nA,12 V\n", '/row/2', 'has 2 fields'],
    'no name' => ["name,runs on,watts\n,12 V,5\n", '/row/2/name', 'is empty'],
    'an hour past the day' => ["name,runs on,watts,hours\nA,12 V,5,27:00+1\n", '/row/2/hours', '27:00'],
    'a basis' => ["name,runs on,watts,known by\nA,12 V,5,guess\n", '/row/2/known by', 'measured'],
]);

it('takes no more than a day has', function (): void {
    $rows = implode('', array_map(fn(int $n): string => "L{$n},12 V,1\n", range(1, 101)));
    expect(fn() => LoadList::read("name,runs on,watts\n{$rows}"))->toThrow(Refused::class, 'at most 100');
});
