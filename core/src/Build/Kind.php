<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** What is done in a step. In the order in which the trade works where nothing else decides. */
enum Kind: string
{
    case BenchProve = 'bench_prove';
    case ChargeAlone = 'charge_alone';
    case DryFit = 'dry_fit';
    case Crimp = 'crimp';
    case Baseline = 'baseline';
    case Materials = 'materials';
    case Tag = 'tag';
    case Isolate = 'isolate';
    case ProveDead = 'prove_dead';
    case NegativeOff = 'negative_off';
    case TakeOut = 'take_out';
    case Hole = 'hole';
    case Inside = 'inside';
    case Mount = 'mount';
    case Run = 'run';
    case Move = 'move';
    case Land = 'land';
    case Retighten = 'retighten';
    case Seal = 'seal';
    case Cure = 'cure';
    case Ohms = 'ohms';
    case Close = 'close';
    case Match = 'match';
    case NegativeOn = 'negative_on';
    case MainFuse = 'main_fuse';
    case Settings = 'settings';
    case Sun = 'sun';
    case Energise = 'energise';
    case ProveRun = 'prove_run';
    case Photo = 'photo';
    case Lining = 'lining';
    case Labels = 'labels';
    case Furniture = 'furniture';
    case ProveStates = 'prove_states';
    case CleanUp = 'clean_up';
    case FirstDrive = 'first_drive';

    /** Where it stands on the rope when nothing else decides. */
    public function place(): int
    {
        return (int) array_search($this, self::cases(), true);
    }

    /** A knot of the rope: what hangs below it opens only once it is proven. */
    public function isGate(): bool
    {
        return in_array(
            $this,
            [
                self::Materials,
                self::Baseline,
                self::Isolate,
                self::ProveDead,
                self::Ohms,
                self::Match,
                self::MainFuse,
                self::ProveStates,
            ],
            true,
        );
    }

    /**
     * A gate between hands and volts or shorts: nobody passes it without its proof. The way out is another way of
     * opening or measuring, which is recorded.
     */
    public function isAbsolute(): bool
    {
        return in_array($this, [self::Isolate, self::ProveDead, self::Ohms, self::MainFuse], true);
    }

    /** The kind of a step by its id: stage.kind.part. */
    public static function ofStep(string $id): ?self
    {
        return self::tryFrom(explode('.', $id, 3)[1] ?? '');
    }

    /** Whether it waits for an event after the rig has left. */
    public function isLater(): bool
    {
        return $this === self::FirstDrive;
    }

    /** Whether it has to do with parts and conductors, so that every source must be out first. */
    public function isOnWiring(): bool
    {
        return in_array(
            $this,
            [
                self::NegativeOff,
                self::TakeOut,
                self::Hole,
                self::Inside,
                self::Mount,
                self::Run,
                self::Move,
                self::Land,
                self::Retighten,
            ],
            true,
        );
    }

    /**
     * Minutes with hands on it for one piece: quick, usual, slow. Common practice, no source; a workshop's own times
     * take their place.
     *
     * @return array{float, float, float}
     */
    public function minutes(): array
    {
        return match ($this) {
            self::Materials => [10, 20, 40],
            self::Baseline => [2, 3, 6],
            self::BenchProve => [8, 15, 30],
            self::ChargeAlone => [5, 10, 15],
            self::DryFit => [8, 15, 30],
            self::Crimp => [4, 6, 10],
            self::Tag => [1, 2, 4],
            self::Isolate => [2, 4, 8],
            self::ProveDead => [1, 1.5, 3],
            self::NegativeOff => [3, 5, 10],
            self::TakeOut => [5, 12, 30],
            self::Hole => [8, 15, 40],
            self::Inside => [10, 20, 40],
            self::Mount => [10, 25, 60],
            self::Run => [6, 15, 40],
            self::Move => [10, 20, 40],
            self::Land => [3, 6, 12],
            self::Retighten => [1, 1.5, 3],
            self::ProveRun => [5, 10, 20],
            self::Photo => [1, 2, 3],
            self::Lining => [10, 20, 60],
            self::Close => [3, 6, 12],
            self::Seal => [5, 10, 20],
            self::Cure => [0, 0, 0],
            self::Ohms => [2, 3, 6],
            self::Match => [3, 5, 10],
            self::NegativeOn => [3, 5, 10],
            self::MainFuse => [5, 8, 15],
            self::Settings => [8, 15, 40],
            self::Sun => [10, 20, 40],
            self::Energise => [10, 15, 30],
            self::ProveStates => [10, 15, 25],
            self::Labels => [0.5, 1, 2],
            self::Furniture => [10, 20, 45],
            self::CleanUp => [5, 10, 20],
            self::FirstDrive => [20, 30, 60],
        };
    }
}
