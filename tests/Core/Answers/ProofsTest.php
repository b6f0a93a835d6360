<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\Proofs;
use Hollin\Core\Job\Tree;
use Hollin\Core\Rules\Proof;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;
use Tests\Seeds;

/** Keeps proofs, serialised as a cache does, and counts how often one was of use. */
function keepingProofs(): Proofs
{
    return new class implements Proofs {
        /** @var array<string, string> */
        private array $kept = [];

        public int $used = 0;

        public function of(string $structure): ?Proof
        {
            $this->used += isset($this->kept[$structure]) ? 1 : 0;

            return isset($this->kept[$structure]) ? unserialize($this->kept[$structure]) : null;
        }

        public function keep(string $structure, Proof $proof): void
        {
            $this->kept[$structure] = serialize($proof);
        }
    };
}

/** Every cable of a document with another length and size, every assumed value now read off, every part renamed. */
function measuredAlong(stdClass $at, int $seed): stdClass
{
    $sizes = ['awg:14', 'awg:10', 'awg:6', 'awg:2', 'awg:2/0'];
    $copy = Tree::copy($at);
    foreach (get_object_vars($copy) as $name => $value) {
        if ($name === 'label') {
            $copy->label = substr('{device x} ' . strrev($value), 0, 80);
        }
        if (!($value instanceof stdClass)) {
            continue;
        }
        if (in_array($name, ['cable', 'cord'], true)) {
            foreach (
                [
                    'lengthM' => 0.2 + (crc32("{$seed}{$name}" . json_encode($value)) % 90) / 10,
                    'size' => $sizes[crc32("s{$seed}" . json_encode($value)) % 5],
                ]
                as $field => $new
            ) {
                if (isset($value->{$field})) {
                    $value->{$field} = (object) ['value' => $new, 'basis' => 'measured'];
                }
            }
        } elseif (isset($value->basis) && $value->basis === 'assumed') {
            $value->basis = 'read_off';
        } else {
            $copy->{$name} = measuredAlong($value, $seed);
        }
    }

    return $copy;
}

/** @return array<string, string> view => answer as JSON */
function answersOf(stdClass $document, ?Proofs $proofs = null): array
{
    $job = new JobAnswers($document, $proofs);

    return array_map(
        fn(string $hash): string => (string) json_encode($job->answer($hash)),
        array_column($job->views, 'hash', 'id'),
    );
}

it('answers from the proof of a rig of the same structure as from a search of its own', function (
    stdClass $document,
): void {
    $proofs = keepingProofs();
    $before = answersOf($document, $proofs);
    expect($before)->toBe(answersOf($document));
    foreach ([1, 2] as $seed) {
        $measured = measuredAlong($document, $seed);
        $used = $proofs->used;
        $anew = answersOf($measured);
        expect(answersOf($measured, $proofs))
            ->toBe($anew)
            ->and($anew)
            ->not->toBe($before)
            ->and($proofs->used - $used)
            ->toBe(count($anew));
    }
})->with(function () {
    foreach (array_keys(Rigs::DEMO) as $name) {
        yield $name => [Rigs::demo($name)];
    }
    foreach (Seeds::of(12) as $seed) {
        yield "generated {$seed}" => [Rigs::generated($seed)];
        yield "varied {$seed}" => [Rigs::varied($seed)];
    }
});

it('searches anew when anything else changes', function (array $edit): void {
    $document = Rigs::job(Sample::choose('in_line', ['converter' => 'left']));
    $proofs = keepingProofs();
    answersOf($document, $proofs);
    $changed = Rigs::edit($document, $edit);
    expect(answersOf($changed, $proofs)['p/whole'])
        ->toBe(answersOf($changed)['p/whole'])
        ->and($proofs->used)
        ->toBe(isset($edit['plan']) ? 1 : 0);
})->with([
    'a breaker' => [Sample::survey('c_air', '/breakerA', ['value' => 15, 'basis' => 'read_off'])],
    'a bond' => [Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off'])],
    'the inverter' => [Sample::set('inverter', '/bond', 'none')],
    'where a circuit lands' => [
        [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'feeder_main',
            'path' => '/to',
            'value' => ['at' => 'main_panel', 'port' => 'line'],
        ],
    ],
]);

it('does not believe a proof that does not fit', function (): void {
    $danger = Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'left'])));
    $proof = (new Hollin\Core\Rules\Search($danger))->proof;
    new Hollin\Core\Rules\Judge(
        Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'removed']))),
        $proof,
    );
})->throws(LogicException::class, 'another rig');
