<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Switching;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;

/** Chooses one of two AC supplies: by itself, or by hand with a centre-off position. */
final class TransferSwitch extends Component
{
    public static function type(): string
    {
        return 'transfer_switch';
    }

    public static function summary(): string
    {
        return 'A transfer switch with two inputs and one output: automatic (which input it prefers, its delay, the ' .
            'side it rests on when dead) or by hand with centre-off; one pole or two. Ports: in_a, in_b, out.';
    }

    public static function fields(): array
    {
        return [
            'kind' => Field::choice('Kind', ['automatic' => 'automatic', 'manual' => 'by hand, centre-off']),
            'poles' => Field::choice('Poles', ['two' => 'hot and neutral', 'one' => 'hot only']),
            'ratingA' => Field::integer('Rating, A', 10, 60),
            'prefers' => Field::choice('Prefers', ['a' => 'input A', 'b' => 'input B'])->optional(),
            'rest' => Field::choice('Rests on', ['a' => 'input A', 'b' => 'input B'])->optional(),
            'delayS' => Field::number('Delay before it goes to the preferred input', 's', 0, 120)->optional(),
        ];
    }

    public static function portNames(): array
    {
        return ['in_a', 'in_b', 'out'];
    }

    public function port(string $name): ?Port
    {
        return in_array($name, self::portNames(), true) ? Port::named("{$this->id}.{$name}") : null;
    }

    /** Whether it goes by volts and not by hand. */
    public function isAutomatic(): bool
    {
        return $this->values->text('kind') === 'automatic';
    }

    /** What its contacts carry, A. */
    public function ratingA(): float
    {
        return $this->values->number('ratingA');
    }

    protected function facts(): array
    {
        return ['handle' => $this->handle()];
    }

    /** Id of its device. */
    public function handle(): string
    {
        return "{$this->id}.handle";
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $twoPole = $this->values->text('poles', 'two') === 'two';
        $positions = $this->isAutomatic()
            ? ($this->values->text('rest', 'b') === 'a'
                ? ['a' => 'on input A', 'b' => 'on input B']
                : ['b' => 'on input B', 'a' => 'on input A'])
            : ['off' => 'centre off', 'a' => 'on input A', 'b' => 'on input B'];
        $graph->device(
            new Device(
                $this->handle(),
                $this->id,
                $this->label(),
                $this->isAutomatic() ? 'relay' : 'transfer',
                $positions,
                $this->isAutomatic() ? (string) array_key_first($positions) : 'off',
                $this->isAutomatic() ? new TransferLogic($this) : null,
                $this->isAutomatic() ? [] : ['a' => "{$this->id}.in_a.l", 'b' => "{$this->id}.in_b.l"],
            ),
        );
        foreach (['a', 'b'] as $side) {
            $graph->poles(
                "{$this->id}.{$side}",
                $this->id,
                Port::named("{$this->id}.in_{$side}"),
                Port::named("{$this->id}.out"),
                $this->handle(),
                [$side],
                new Rating($this->ratingA(), 'switch'),
                $twoPole,
            );
        }
        $graph->conductor("{$this->id}.case", $this->id, "{$this->id}.out.g", 'frame', \Hollin\Core\Network\Role::PE);
    }

    public function plate(): Plate
    {
        return new Plate('switching', 'gate', 0, [
            sprintf(
                '%g A · %s',
                $this->ratingA(),
                $this->values->text('poles', 'two') === 'two' ? 'two-pole' : 'one-pole',
            ),
            $this->isAutomatic()
                ? sprintf('prefers %s', strtoupper($this->values->text('prefers', 'a')))
                : 'by hand, centre-off',
        ]);
    }

    public function hasGroundedCase(): bool
    {
        return true;
    }
}
