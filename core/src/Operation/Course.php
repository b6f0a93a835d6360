<?php

declare(strict_types=1);

namespace Hollin\Core\Operation;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Fault;
use Hollin\Core\Network\Graph;
use Hollin\Core\Solve\Effort;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Failure;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Settled;

/**
 * A setting with its loads as it really ends: settle, solve, let what is past its limit open or shut down,
 * settle again. Charge and temperature stand still meanwhile.
 */
final readonly class Course
{
    private const MOST_STEPS = 8;

    /**
     * @param list<array{settled: Settled, flow: LoadFlowResult, trips: list<Trip>, lastsS: ?float}> $steps first to
     *      last; the last lasts for good when lastsS is null
     * @param bool $ends false when something goes on opening and closing, or retrying
     */
    private function __construct(public array $steps, public bool $ends) {}

    /** @param array<string, true> $running */
    public static function of(Graph $graph, Setting $setting, array $running, string $charge = 'half'): self
    {
        $effort = new Effort();
        $steps = [];
        $positions = $held = $tripped = [];
        $ends = true;
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $engine = new Engine(new Contraction($graph, moved: array_keys($tripped)));
            $settled = $engine->settle(
                new Setting($tripped + $setting->controls, $setting->surroundings),
                $positions,
                new Failure('tripped', '', '', heldAt: $held),
            );
            $flow = LoadFlow::of($settled, array_intersect_key($running, $graph->loads), [], $charge, $effort);
            $trips = Trips::of($flow, $graph, $settled->positions);
            // What has shut down already is solved as shut down.
            $first = array_values(array_filter($trips, fn(Trip $t): bool => $t->afterS !== null))[0] ?? null;
            $steps[] = ['settled' => $settled, 'flow' => $flow, 'trips' => $trips, 'lastsS' => $first?->afterS];
            if ($first === null) {
                break;
            }
            if ($first->then === 'retries') {
                $ends = false;
            }
            $positions = $settled->positions;
            [$graph, $held, $tripped] = self::after($graph, $held, $tripped, $first);
        }

        return new self($steps, $ends && end($steps)['lastsS'] === null);
    }

    /**
     * What is left once something has opened or shut down: a blown fuse is open for good, a breaker stands
     * tripped, a unit that latched stays at rest.
     *
     * @param array<string, string> $held
     * @param array<string, string> $tripped
     * @return array{Graph, array<string, string>, array<string, string>} network, devices that stay where they are,
     *      breakers that tripped
     */
    private static function after(Graph $graph, array $held, array $tripped, Trip $trip): array
    {
        $element = $graph->elements[$trip->id] ?? null;
        if ($element !== null) {
            $device = $graph->devices[(string) $element->device] ?? null;

            return $device?->trips() === true
                ? [$graph, $held, $tripped + [$device->id => Device::TRIPPED]]
                : [$graph->with(Fault::open($element->id)), $held, $tripped];
        }
        $source = $graph->sources[$trip->id];
        $device = $graph->devices[(string) $source->device] ?? null;
        if ($device !== null && $device->isAutomatic()) {
            // Latched off: it rests until somebody switches it.
            return [$graph, $held + [$device->id => $device->positionNames()[0]], $tripped];
        }

        return [$graph->without($source->id), $held, $tripped];
    }
}
