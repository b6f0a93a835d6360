<?php

declare(strict_types=1);

namespace Hollin\Core\Operation;

use Hollin\Core\Solve\Effort;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\Settled;

/** Load flows of one rig, each solved once. */
final class Flows
{
    /** @var array<string, LoadFlowResult> */
    private array $solved = [];

    /** @var array<string, array{Settled, array<string, true>, string}> what was asked for: state, loads, charge */
    public array $asked = [];

    public function __construct(private readonly Effort $effort = new Effort(Effort::RIG)) {}

    /** @param array<string, true> $running loads that are on */
    public function of(Settled $settled, array $running, string $charge = 'half'): LoadFlowResult
    {
        ksort($running);
        $modes = [];
        foreach ($settled->situation->network->graph->converters as $converter) {
            $modes[] = $settled->positions[(string) $converter->mode] ?? '';
        }
        $key =
            $settled->situation->key . '|' . implode(',', $modes) . "|{$charge}|" . implode(',', array_keys($running));

        $this->asked[$key] ??= [$settled, $running, $charge];

        if (!isset($this->solved[$key])) {
            $share = new Effort(max(0.0, min(Effort::FLOW, $this->effort->left())));
            $had = $share->left();
            $this->solved[$key] = LoadFlow::of($settled, $running, [], $charge, $share);
            $this->effort->count($share, $had);
        }

        return $this->solved[$key];
    }
}
