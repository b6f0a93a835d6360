<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Values;
use Hollin\Core\Reference\Stud;
use stdClass;

/** Something of a workshop's catalogue that can be bought: what it is, what is written on it, weight and price. */
final readonly class Offer
{
    /** What may be offered, in words. */
    public const KINDS = [
        'inverter' => 'inverter',
        'inverter_charger' => 'inverter/charger',
        'converter' => 'converter, mains charger',
        'dcdc_charger' => 'DC-DC charger',
        'solar_charger' => 'solar controller',
        'solar_panel' => 'solar panel',
        'battery_bank' => 'battery',
        'transfer_switch' => 'transfer switch',
        'panel' => 'panel',
        'bus_bar' => 'bus bar',
        'dc_switch' => 'battery switch',
        'shunt' => 'shunt with monitor',
        'surge_unit' => 'surge unit',
        'contactor' => 'contactor',
        'bypass' => 'bypass switch',
        'splice_box' => 'splice box',
        'ac_switch' => '120 V switch',
        'inlet' => 'inlet',
        'side_inlet' => 'solar inlet',
        'battery_selector' => 'battery selector',
        'separator' => 'separating relay',
        'cut_off' => 'low-voltage cut-off',
        'dc_panel' => '12 V panel',
        'generator' => 'generator',
        'dc_fuse' => 'fuse',
        'fuse_holder' => 'fuse holder',
        'cable' => 'cable',
        'lug' => 'lug',
        'sleeve' => 'heat-shrink sleeve',
        'label' => 'label',
        'clamp' => 'cable clamp',
        'screw' => 'screw',
        'box' => 'box',
        'tool' => 'tool',
        'other' => 'other',
    ];

    public function __construct(public string $code, private Values $values) {}

    /** @return array<string, Field> what is asked of one; also the columns of its table, after its code */
    public static function fields(): array
    {
        $mm = fn(string $label): Field => Field::number($label, 'mm', 1, 3000)->optional();
        $watts = fn(string $label): Field => Field::number($label, 'W', 0, 20000)->optional();

        return [
            'kind' => Field::choice('Kind', self::KINDS),
            'name' => Field::text('Name', 120),
            'price' => Field::number('Price', '', 0, 100000)->optional(),
            'known' => Field::flag('Price is known, not assumed')->optional(),
            'per' => Field::choice('Sold by', ['each' => 'each', 'm' => 'metre'])->usual('each'),
            'kg' => Field::number('Weight', 'kg', 0, 500)->optional(),
            'minutes' => Field::number('Time to fit one', 'min', 0, 6000)->optional(),
            'watts' => $watts('Continuous power'),
            'surgeW' => $watts('Power for seconds'),
            'volts' => Field::number('Volts', 'V', 1, 600)->optional(),
            'ratingA' => Field::number('Rating', 'A', 0.5, 1000)->optional(),
            'chargerA' => Field::number('Charges with', 'A', 0, 300)->optional(),
            'passA' => Field::number('Passes', 'A', 0, 100)->optional(),
            'ah' => Field::number('Capacity', 'Ah', 1, 2000)->optional(),
            'chemistry' => Field::choice('Chemistry', [
                'lfp' => 'lithium',
                'flooded' => 'flooded lead',
                'agm' => 'AGM lead',
                'gel' => 'gel lead',
            ])->optional(),
            'family' => Field::choice('Fuse family', [
                'class_t' => 'class T',
                'anl' => 'bolt-down',
                'mrbf' => 'on the post',
                'automotive_bolt' => 'automotive bolt-down',
                'blade' => 'blade',
                'thermal_breaker' => 'thermal breaker',
            ])->optional(),
            'size' => Field::size('Conductor size')->optional(),
            'upToSize' => Field::size('Takes conductors up to')->optional(),
            'sheath' => Field::choice('Cable is', [
                'fine' => 'fine-strand',
                'nm_b' => 'NM-B sheathed',
                'cord' => 'cord',
            ])->optional(),
            'stud' => Field::choice('Stud', Stud::choices())->optional(),
            'slots' => Field::integer('Slots', 1, 60)->optional(),
            'waveform' => Field::choice('Waveform', ['sine' => 'sine', 'stepped' => 'stepped'])->optional(),
            'transferMs' => Field::number('Transfer takes', 'ms', 0, 2000)->optional(),
            'idleW' => Field::number('Idles with', 'W', 0, 200)->optional(),
            'noiseDb' => Field::number('Loudest, at 1 m', 'dB', 0, 90)->optional(),
            'remote' => Field::flag('Remote switch')->optional(),
            'listed' => Field::flag('Listed for the use')->optional(),
            'anySide' => Field::flag('May be mounted on any side')->optional(),
            'widthMm' => $mm('Width'),
            'heightMm' => $mm('Height'),
            'depthMm' => $mm('Depth'),
            'cutOut' => Field::text('Cut-out it wants', 60)->optional(),
            'note' => Field::text('Note', 200)->optional(),
        ];
    }

    /** @param stdClass $body already checked */
    public static function of(string $code, stdClass $body): self
    {
        return new self($code, new Values($body));
    }

    public function is(string ...$kinds): bool
    {
        return in_array($this->text('kind'), $kinds, true);
    }

    public function name(): string
    {
        return $this->text('name');
    }

    public function text(string $name): string
    {
        return $this->values->text($name);
    }

    public function number(string $name): ?float
    {
        return $this->values->numberOrNull($name);
    }

    /** Yes, no, or null where nobody has said. */
    public function flag(string $name): ?bool
    {
        return $this->values->has($name) ? $this->values->flag($name) : null;
    }

    public function price(): ?float
    {
        return $this->number('price');
    }

    /** Whether nobody has asked for its price. */
    public function isAssumed(): bool
    {
        return !$this->values->flag('known');
    }

    public function toBody(): stdClass
    {
        return $this->values->raw();
    }
}
