<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Job\BadJobFile;
use stdClass;
use Throwable;

/** Holds rigs against the laws: every pair of rig and step, or a share by name, so that a new rig moves no other. */
final class Court
{
    public const LAWS = [
        'throws',
        'worse',
        'beside',
        'verdict',
        'physics',
        'meter',
        'weights',
        'prices',
        'sizes',
        'runs',
        'days',
        'back',
    ];

    public readonly Worse $worse;

    public readonly Beside $beside;

    public readonly Verdict $verdict;

    public readonly Physics $physics;

    public readonly Meters $meter;

    public readonly Weights $weights;

    public readonly Prices $prices;

    public readonly Sizes $sizes;

    public readonly Runs $runs;

    public readonly Quarters $days;

    public readonly ThereAndBack $back;

    /** @var list<Violation> */
    public array $thrown = [];

    /** @var array<string, true> law | rig | step that was tried */
    public array $tried = [];

    /** @var array<string, int> step => how often the format refused it */
    public array $refused = [];

    /** @param list<string> $laws that are held */
    public function __construct(private readonly array $laws = self::LAWS, private readonly string $seed = '')
    {
        $this->worse = new Worse(new Declared());
        $this->beside = new Beside();
        $this->verdict = new Verdict();
        $this->physics = new Physics();
        $this->meter = new Meters();
        $this->weights = new Weights();
        $this->prices = new Prices();
        $this->sizes = new Sizes();
        $this->runs = new Runs();
        $this->days = new Quarters();
        $this->back = new ThereAndBack();
    }

    /**
     * @param float $share of the pairs of rig and step
     * @param bool $remedies whether each remedy is carried out
     * @param ?\Closure(): bool $goesOn asked before every pair
     * @param ?list<string> $laws that are held on this rig, where not all are
     */
    public function try(
        Specimen $rig,
        float $share = 1.0,
        bool $remedies = true,
        ?\Closure $goesOn = null,
        ?array $laws = null,
    ): void {
        $holds = fn(string $law): bool => in_array($law, $laws ?? $this->laws, true);
        $before = $this->said($rig, $rig->document, 'as it is');
        if ($before === null) {
            return;
        }
        foreach (
            [
                'verdict' => fn() => $this->verdict->hold($rig, $before),
                'physics' => fn() => $this->physics->hold($rig, $before->rig),
                'meter' => fn() => $this->meter->hold($rig, $before->rig),
                'weights' => fn() => $this->weights->hold($rig, $before),
                'prices' => fn() => $this->prices->hold($rig, $before),
                'sizes' => fn() => $this->sizes->hold($rig, $before),
                'runs' => fn() => $this->runs->hold($rig, $before),
                'days' => fn() => $this->days->hold($rig, $before->rig),
            ]
            as $law => $hold
        ) {
            if ($holds($law)) {
                $this->held($law, $rig, 'as it is', $hold);
            }
        }
        if ($holds('back')) {
            $this->held('back', $rig, '', function () use ($rig, $before, $remedies): void {
                $remedies ? $this->back->remedies($rig, $before) : null;
                $this->back->prevented($rig, $before);
                $this->back->written($rig, $before);
            });
        }
        foreach ($holds('worse') ? Steps::of($rig) : [] as $step) {
            if ($this->isDrawn($rig, $step->title(), $share) && ($goesOn === null || $goesOn())) {
                $document = $this->edited($step->name, fn(): stdClass => $rig->edited($step->edits));
                $after = $document === null ? null : $this->said($rig, $document, $step->title());
                if ($after !== null) {
                    $this->held(
                        'worse',
                        $rig,
                        $step->title(),
                        fn() => $this->worse->hold($rig, $step, $before, $after),
                    );
                }
            }
        }
        foreach ($holds('beside') ? Additions::of($rig, $before->findings) : [] as $added) {
            if ($this->isDrawn($rig, $added->title(), $share) && ($goesOn === null || $goesOn())) {
                $document = $this->edited($added->name, $added->document);
                $after = $document === null ? null : $this->said($rig, $document, $added->title());
                if ($after !== null) {
                    $this->held(
                        'beside',
                        $rig,
                        $added->title(),
                        fn() => $this->beside->hold($rig, $added, $before, $after),
                    );
                }
            }
        }
    }

    private function isDrawn(Specimen $rig, string $step, float $share): bool
    {
        return hexdec(substr(hash('xxh32', "{$this->seed}{$rig->title()} {$step}"), 0, 8)) / 0xffffffff <= $share;
    }

    /** @param \Closure(): stdClass $edit */
    private function edited(string $name, \Closure $edit): ?stdClass
    {
        try {
            return $edit();
        } catch (BadJobFile) {
            $this->refused[$name] = ($this->refused[$name] ?? 0) + 1;

            return null;
        }
    }

    /** What is said, or null and a law broken: nothing that is changed may end in an exception. */
    private function said(Specimen $rig, stdClass $document, string $step): ?Said
    {
        $said = null;
        $this->held('throws', $rig, $step, function () use (&$said, $rig, $document): void {
            $said = Said::of($document, $rig->view);
        });

        return $said;
    }

    /** @param \Closure(): mixed $hold */
    private function held(string $law, Specimen $rig, string $step, \Closure $hold): void
    {
        $this->tried["{$law} | {$rig->title()} | {$step}"] = true;
        try {
            $hold();
        } catch (Throwable $e) {
            $at = basename($e->getFile()) . ':' . $e->getLine();
            $this->thrown[] = new Violation(
                'throws',
                $rig->title(),
                $step,
                $law,
                [],
                $e::class,
                "{$e->getMessage()} {$at}",
            );
        }
    }

    /** @return list<Violation> */
    public function broken(): array
    {
        return [
            ...$this->thrown,
            ...$this->worse->broken,
            ...$this->beside->broken,
            ...$this->verdict->broken,
            ...$this->physics->broken,
            ...$this->meter->broken,
            ...$this->weights->broken,
            ...$this->prices->broken,
            ...$this->sizes->broken,
            ...$this->runs->broken,
            ...$this->days->broken,
            ...$this->back->broken,
        ];
    }
}
