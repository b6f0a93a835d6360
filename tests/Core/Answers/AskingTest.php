<?php

declare(strict_types=1);

use Hollin\Core\Answers\Asking;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Build\Kind;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Plan\Refused;
use Symfony\Component\Process\Process;
use Tests\Rigs;
use Tests\Works;

/* A program asks what the interface shows, and gets the same. */

/** @param array<string, mixed> $more */
function question(string $kind, array $more = []): stdClass
{
    return (object) ($more + [
        'kind' => $kind,
        'doc' => json_decode(JobFile::write(Rigs::demo('kite'))),
        'view' => 'apart/whole',
    ]);
}

/**
 * What the command prints for what stands on its standard input.
 *
 * @return array{int, string}
 */
function askedOf(string $input): array
{
    $run = new Process(['php', 'artisan', 'hollin:ask'], dirname(__DIR__, 3), input: $input, timeout: 120);
    $run->run();

    return [(int) $run->getExitCode(), $run->getOutput()];
}

it('answers every kind of question', function (string $kind): void {
    $answer = Asking::answer(question($kind, ['component' => 'ld_house', 'try' => (object) ['cable/lengthM' => 2.0]]));
    expect($answer)->not->toBe([]);
})->with(Asking::KINDS);

it('says of a view what the interface is told of it', function (): void {
    $job = new JobAnswers(Rigs::demo('kite'));
    $hash = array_column($job->views, 'hash', 'id')['apart/whole'];
    $plain = fn(array $a): string => (string) json_encode($a);
    expect($plain(Asking::answer(question('answer'))))->toBe($plain($job->answer($hash)));
    $sheet = Asking::answer(question('sheet'));
    expect(array_column($sheet['findings'], 'id'))->toBe(array_column($job->answer($hash)['findings'], 'id'));
    expect(Asking::answer(question('table'))['table'])->toEqual($job->answer($hash)['table']);
});

it('tells the work of a plan with what is opened, measured and waited for', function (): void {
    $work = Asking::answer(question('work'));
    $compiled = Works::of(Rigs::demo('kite'), 'apart');
    expect(array_column($work['steps'], 'id'))->toBe(array_keys($compiled->steps));
    $isolate = array_values(array_filter($work['steps'], fn(array $s): bool => $s['kind'] === Kind::Isolate->value))[0];
    expect($isolate['openings'])->not->toBe([])->and($isolate['absolute'])->toBeTrue();
    $dead = array_values(array_filter($work['steps'], fn(array $s): bool => $s['kind'] === Kind::ProveDead->value))[0];
    expect($dead['points'])
        ->not->toBe([])
        ->and(array_column(array_filter($dead['readings'], fn(array $r): bool => $r['kind'] === 'number'), 'high'))
        ->each->toBe(1.0);
    expect(count($work['links']))->toBe(count($compiled->links));
});

it('says where a question is wrong and what would be right', function (stdClass $question, string $pointer): void {
    try {
        Asking::answer($question);
    } catch (Refused $e) {
        expect($e->problems[0]->pointer)->toBe($pointer);

        return;
    }
    throw new LogicException('it was answered');
})->with([
    'no kind' => [(object) ['doc' => new stdClass()], '/kind'],
    'a kind of its own' => [(object) ['kind' => 'weather'], '/kind'],
    'no file' => [(object) ['kind' => 'answer'], '/doc'],
    'no such view' => [fn(): stdClass => question('answer', ['view' => 'nowhere']), '/view'],
    'work of what is found' => [fn(): stdClass => question('work', ['view' => 'as_found']), '/view'],
]);

it('puts the error of one question beside the answers of the others', function (): void {
    $doc = json_decode(JobFile::write(Rigs::demo('kite')));
    [$code, $said] = askedOf(
        (string) json_encode([
            ['kind' => 'table', 'doc' => $doc],
            'nonsense',
            ['kind' => 'answer', 'doc' => ['hollin' => 'job']],
            ['kind' => 'table', 'doc' => $doc, 'view' => 'apart/whole'],
        ]),
    );
    $answers = json_decode($said, true, flags: JSON_THROW_ON_ERROR);
    expect($code)
        ->toBe(0)
        ->and(array_map(fn(array $a): string => (string) array_key_first($a), $answers))
        ->toBe(['ok', 'error', 'error', 'ok'])
        ->and($answers[2]['problems'])
        ->not->toBe([])
        ->and($answers[0]['ok']['states'])
        ->not->toBe([]);
});

it('refuses what is no list of questions', function (string $input): void {
    [$code, $said] = askedOf($input);
    expect($code)->toBe(2)->and($said)->toBe('');
})->with(['', '{}', 'nonsense', '{"kind": "answer"}']);
