<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Graph;

/** What a remedy costs to do, in the order a technician would try them (common practice, no source). */
enum Work: string
{
    case Setting = 'setting';
    case Device = 'device';
    case Landing = 'landing';
    case Habit = 'habit';
    case Part = 'part';
    case Cable = 'cable';
    case WallCable = 'wall_cable';

    /** Settings of a unit that somebody changes with its own buttons. */
    private const SET = [
        '/inputLimitA',
        '/chargerA',
        '/prefers',
        '/delayS',
        '/qualifyS',
        '/rejectsBelowV',
        '/rejectsAboveV',
        '/assist',
        '/pole',
    ];

    /** What is swapped or fitted where wires end already. */
    private const DEVICES = [
        '/breakerA',
        '/ratingA',
        '/mainA',
        '/family',
        '/gfci',
        '/bondScrew',
        '/bondedToFrame',
        '/backfeed/holdDown',
    ];

    /** @param array<string, mixed> $intent of a remedy */
    public static function of(array $intent, Graph $graph): self
    {
        $path = is_string($intent['path'] ?? null) ? $intent['path'] : '';
        $component = is_string($intent['component'] ?? null) ? $graph->partAt($intent['component']) : null;
        $fitted = is_array($intent['component'] ?? null) ? $intent['component']['type'] ?? '' : '';

        return match (true) {
            $intent['kind'] === 'drop_change', in_array($path, self::SET, true) => self::Setting,
            $intent['kind'] === 'set_need', $fitted === 'instruction' => self::Habit,
            in_array($path, self::DEVICES, true), $intent['kind'] === 'plan_remove' => self::Device,
            $intent['kind'] === 'move_circuit',
            $intent['kind'] === 'plan_exchange',
            in_array($path, ['/from', '/to'], true),
            in_array($path, ['/hot', '/neutral'], true) && ($component?->is('circuit') ?? false)
                => self::Landing,
            str_starts_with($path, '/cable'), str_starts_with($path, '/cord') => ($component?->is('circuit') ??
                false) || ($component?->is('feeder') ?? false)
                ? self::WallCable
                : self::Cable,
            default => self::Part,
        };
    }

    /** Least work first. */
    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }

    /** As it stands beside an offer. */
    public function words(): string
    {
        return match ($this) {
            self::Setting => 'a setting, no tools',
            self::Device => 'one device where wires end already',
            self::Landing => 'wires landed elsewhere in the panels',
            self::Habit => 'no work, but somebody must remember it',
            self::Part => 'another part',
            self::Cable => 'a new cable at hand',
            self::WallCable => 'a new cable in walls or under floors',
        };
    }
}
