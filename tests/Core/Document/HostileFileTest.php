<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Tree;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Rigs;
use Tests\Seeds;

/*
 * A good file with one place spoilt at random. It is either refused, with a place and a reason, or
 * it is a rig like any other and every question about it is answered. The seed spoils it again.
 */

/** @return list<list<string>> the way to every value of a document */
function everyPlace(mixed $value, array $way = []): array
{
    $places = $way === [] ? [] : [$way];
    foreach (
        $value instanceof stdClass ? get_object_vars($value) : (is_array($value) ? $value : [])
        as $name => $inner
    ) {
        array_push($places, ...everyPlace($inner, [...$way, (string) $name]));
    }

    return $places;
}

/** @param list<string> $way */
function spoil(stdClass $document, array $way, mixed $value, bool $gone): void
{
    $last = array_pop($way);
    $at = $document;
    foreach ($way as $step) {
        $at = $at->{$step};
    }
    if ($gone) {
        unset($at->{$last});
    } else {
        $at->{$last} = $value;
    }
}

$values = [
    'nothing' => null,
    'an empty text' => '',
    'a negative number' => -1,
    'zero' => 0,
    'a huge number' => 1e300,
    'a tiny one' => 1e-300,
    'yes' => true,
    'a list' => [1, 2, 3],
    'an empty object' => new stdClass(),
    'markup' => '<img src=x onerror=alert(1)>',
    'a long text' => str_repeat('long ', 4000),
    'control characters' => "a\x00b\x1b[31m\u{202e}",
    'another part' => 'main_panel',
    'a terminal' => 'main_panel.bus',
    'itself' => 'c_outlets',
    'a path' => '../../etc/passwd',
    'a number as text' => '15',
    'a size' => 'awg:4/0',
    'a fraction' => 2.5,
];

it('refuses a spoilt file with place and reason, or takes it as the rig it is', function (int $seed) use (
    $values,
): void {
    $random = new Randomizer(new Mt19937($seed));
    $document = Tree::copy(
        $seed % 3 === 0
            ? Rigs::demo('archive')
            : ($seed % 3 === 1
                ? Rigs::generated(200 + ($seed % 30))
                : Rigs::varied($seed)),
    );
    $places = everyPlace($document);
    $way = $places[$random->getInt(0, count($places) - 1)];
    $kinds = array_keys($values);
    $kind = $kinds[$random->getInt(0, count($kinds) - 1)];
    spoil($document, $way, $values[$kind], $seed % 5 === 0);
    $spoilt = '/' . implode('/', $way) . ($seed % 5 === 0 ? ' taken out' : " is {$kind}");
    try {
        $read = JobFile::read(
            (string) json_encode($document, JSON_INVALID_UTF8_SUBSTITUTE | JSON_PRESERVE_ZERO_FRACTION),
        );
    } catch (BadJobFile $bad) {
        expect($bad->problems)->not->toBe([], $spoilt);
        foreach ($bad->problems as $problem) {
            expect($problem->pointer)
                ->toMatch('#^(/|$)#', $spoilt)
                ->and(trim($problem->message))
                ->not->toBe('', $spoilt)
                ->and(strlen($problem->message))
                ->toBeLessThan(400, $spoilt);
        }

        return;
    }
    $answers = new JobAnswers($read);
    foreach ($answers->views as $view) {
        expect(str_contains(json_encode($answers->answer($view['hash']), JSON_THROW_ON_ERROR), '"findings"'))->toBeTrue(
            $spoilt,
        );
    }
})
    ->with(Seeds::of(400))
    ->group('drawn');
