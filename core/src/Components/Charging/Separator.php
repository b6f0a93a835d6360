<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Charging;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\VoltContact;

/** A relay that joins two batteries while one of them is charged: by its volts, or by the ignition. */
final class Separator extends Component
{
    public static function type(): string
    {
        return 'separator';
    }

    public static function summary(): string
    {
        return 'A relay that joins two batteries while one is charged: by the volts it senses at side a, at either ' .
            'side, or by the ignition. Terminals: a (engine), b (house), neg (what it senses against).';
    }

    public static function fields(): array
    {
        return [
            'ratingA' => Field::number('Rating, continuous', 'A', 10, 600)->plausibly(
                Plausible::times(0.5, 1, 'the figure on the case is often that for minutes'),
            ),
            'by' => Field::choice('Pulls in by', [
                'volts' => 'volts at its engine side',
                'either' => 'volts at either side',
                'ignition' => 'the ignition',
            ]),
            'closesV' => Field::number('Closes at', 'V', 12, 30)->plausibly(
                Plausible::times(0.97, 1.03, 'makers differ by some tenths'),
            ),
            'opensV' => Field::number('Opens at', 'V', 11, 29)->plausibly(
                Plausible::times(0.97, 1.03, 'makers differ by some tenths'),
            ),
            'closesAfterS' => Field::number('Closes after', 's', 0, 300)->optional(),
            'opensAfterS' => Field::number('Opens after', 's', 0, 300)->optional(),
            'engine' => Field::ref('Engine by whose ignition it pulls in', 'alternator')->optional(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.a", "{$this->id}.b", "{$this->id}.neg"];
    }

    public function referenceProblems(array $others): array
    {
        $engine = $this->values->text('engine');
        $found = [];
        if ($this->values->number('opensV') >= $this->values->number('closesV')) {
            $found[] = [
                '/opensV',
                sprintf(
                    'is %g V, not below the %g V at which it closes: it could never rest.',
                    $this->values->number('opensV'),
                    $this->values->number('closesV'),
                ),
            ];
        }
        if ($this->byIgnition() && $engine === '') {
            $found[] = ['/engine', 'must name the engine by whose ignition it pulls in.'];
        }

        return [...$found, ...$engine === '' ? [] : $this->mustBe($others, '/engine', $engine, Alternator::class)];
    }

    /** Whether it goes by the ignition and not by volts. */
    public function byIgnition(): bool
    {
        return $this->values->text('by') === 'ignition';
    }

    /** Id of its contact\'s device. */
    public function relay(): string
    {
        return "{$this->id}.relay";
    }

    /**
     * Pairs of terminals at which it looks for volts.
     *
     * @return list<array{string, string}>
     */
    public function senses(): array
    {
        $a = ["{$this->id}.a", "{$this->id}.neg"];

        return match ($this->values->text('by')) {
            'either' => [$a, ["{$this->id}.b", "{$this->id}.neg"]],
            'ignition' => [],
            default => [$a],
        };
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->terminal("{$this->id}.neg");
        $graph->device(
            new Device(
                $this->relay(),
                $this->id,
                $this->label(),
                'relay',
                ['open' => 'open', 'closed' => 'closed'],
                'open',
                byItself: true,
            ),
        );
        $engine = $this->values->text('engine');
        $graph->voltContacts[] = new VoltContact(
            VoltContact::SEPARATOR,
            $this->id,
            $this->relay(),
            "{$this->id}.a",
            "{$this->id}.b",
            $this->senses(),
            $this->values->number('closesV'),
            $this->values->number('opensV'),
            $this->values->number('closesAfterS', 0.0),
            $this->values->number('opensAfterS', 0.0),
            $this->byIgnition() ? "{$engine}.engine" : null,
            ['idle', 'drive'],
        );
        $graph->contact(
            "{$this->id}.pole",
            $this->id,
            "{$this->id}.a",
            "{$this->id}.b",
            Role::DcPositive,
            $this->relay(),
            ['closed'],
            new Rating($this->values->number('ratingA'), 'relay'),
        );
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 2, [
            $this->byIgnition()
                ? sprintf('%g A · by ignition', $this->values->number('ratingA'))
                : sprintf(
                    '%g A · %g / %g V',
                    $this->values->number('ratingA'),
                    $this->values->number('closesV'),
                    $this->values->number('opensV'),
                ),
        ]);
    }
}
