<?php

declare(strict_types=1);

namespace Tests\Laws;

/** The table of steps that make a rig worse, each wherever a rig offers it. */
final class Steps
{
    public const NAMES = [
        'cable.thinner',
        'cable.longer',
        'cable.fewer',
        'cable.cheaper',
        'cable.hotter',
        'cable.bundled',
        'fuse.larger',
        'fuse.weaker',
        'fuse.gone',
        'fuse.breaker',
        'guard.interlock',
        'guard.hold_down',
        'guard.latch',
        'guard.bypass',
        'guard.delay',
        'guard.poles',
        'guard.gfci',
        'guard.precharge',
        'guard.instruction',
        'guard.stop',
        'neutral.unknown',
        'neutral.half',
        'neutral.floats',
        'neutral.common',
        'bond.none',
        'bond.fixed',
        'bond.screw',
        'bond.panel',
        'bond.frame',
        'known.resistance',
        'known.management',
        'known.rating',
        'known.alternator',
        'load.larger',
        'load.continuous',
        'load.starts',
        'battery.smaller',
        'battery.weaker',
        'battery.management',
        'battery.colder',
        'battery.end',
        'battery.together',
        'limit.higher',
        'limit.lifted',
        'limit.rejects',
        'charger.larger',
        'joint.worse',
        'source.smaller',
        'source.colder',
        'source.volts',
        'source.series',
        'more.battery',
        'more.unlike',
        'more.charger',
        'more.source',
        'habit.switch',
        'habit.selector',
        'part.smaller',
    ];

    private const AWG = ['18', '16', '14', '12', '10', '8', '6', '4', '3', '2', '1', '1/0', '2/0', '3/0', '4/0'];

    private const MM2 = ['0.75', '1', '1.5', '2.5', '4', '6', '10', '16', '25', '35', '50', '70', '95', '120'];

    private function __construct(private readonly Specimen $rig) {}

    /** @return list<Step> */
    public static function of(Specimen $rig): array
    {
        $steps = [];
        $of = new self($rig);
        foreach ($rig->parts as $id => $part) {
            $id = (string) $id;
            array_push(
                $steps,
                ...$of->cables($id, $part),
                ...$of->protection($id, $part),
                ...$of->neutrals($id, $part),
                ...$of->loads($id, $part),
                ...$of->batteries($id, $part),
                ...$of->sources($id, $part),
                ...$of->parts($id, $part),
            );
        }
        array_push($steps, ...$of->more());

        return $steps;
    }

    private function set(string $name, string $part, string $path, mixed $new): Step
    {
        return new Step($name, $part, [
            ['set', $part, $path, $new === null ? null : $this->rig->like($part, $path, $new)],
        ]);
    }

    private static function thinner(string $size): ?string
    {
        [$kind, $name] = explode(':', $size);
        $row = $kind === 'awg' ? self::AWG : self::MM2;
        $at = array_search($name, $row, true);

        return $at === false || $at === 0 ? null : "{$kind}:{$row[$at - 1]}";
    }

    /** @param array<string, mixed> $part @return \Generator<int, Step> */
    private function cables(string $id, array $part): \Generator
    {
        foreach (['cable', 'cord'] as $place) {
            if (!is_array(Specimen::plain($part[$place] ?? null))) {
                continue;
            }
            $thinner = self::thinner((string) $this->rig->value($id, "{$place}/size"));
            if ($thinner !== null) {
                yield $this->set('cable.thinner', $id, "{$place}/size", $thinner);
            }
            $length = $this->rig->value($id, "{$place}/lengthM");
            if ($length < 60) {
                yield $this->set('cable.longer', $id, "{$place}/lengthM", round(min(60, $length * 3), 3));
            }
            if ($place === 'cable' && in_array($part['type'], ['lead', 'feeder', 'circuit', 'dc_circuit'], true)) {
                yield $this->set('cable.cheaper', $id, 'cable/insulationC', 60);
                yield $this->set('cable.hotter', $id, 'cable/ambientC', 60);
                yield $this->set('cable.bundled', $id, 'cable/bundled', 6);
            }
            if (($this->rig->value($id, "{$place}/parallel") ?? 1) > 1) {
                yield $this->set('cable.fewer', $id, "{$place}/parallel", 1);
            }
        }
    }

    /** @param array<string, mixed> $part @return \Generator<int, Step> */
    private function protection(string $id, array $part): \Generator
    {
        $type = $part['type'];
        if ($type === 'dc_fuse') {
            yield $this->set('fuse.larger', $id, 'ratingA', $this->rig->value($id, 'ratingA') * 2);
            foreach (['automotive_bolt', 'thermal_breaker'] as $weaker) {
                if (in_array($part['family'], ['class_t', 'anl', 'mrbf'], true)) {
                    yield $this->set('fuse.weaker', $id, 'family', $weaker);
                }
            }
            $ends = [];
            foreach ($this->rig->parts as $lead => $of) {
                foreach ($of['type'] === 'lead' ? ['from', 'to'] : [] as $end) {
                    if (str_starts_with($of[$end], "{$id}.")) {
                        $ends[] = [(string) $lead, $end];
                    }
                }
            }
            if (count($ends) === 2) {
                $bar = $this->rig->free('law_bar');
                $joint = [
                    'type' => 'bus_bar',
                    'label' => 'Where the fuse was',
                    'pole' => 'positive',
                    'ratingA' => 1000,
                ];
                yield new Step('fuse.gone', $id, [
                    ['fit', $bar, '', $joint],
                    ...array_map(fn(array $e): array => ['set', $e[0], $e[1], "{$bar}.stud"], $ends),
                    ['remove', $id],
                ]);
            }
        }
        foreach (['breakerA', 'mainA', 'fuseA', 'backfeed/breakerA'] as $path) {
            $rating = in_array($type, ['circuit', 'panel', 'dc_circuit'], true) ? $this->rig->value($id, $path) : null;
            if ($rating) {
                yield $this->set('fuse.breaker', $id, $path, (int) ($rating * 2));
            }
        }
        foreach (
            [
                'backfeed/interlocked' => 'guard.interlock',
                'backfeed/holdDown' => 'guard.hold_down',
                'latchesOff' => 'guard.latch',
                'parts' => 'guard.bypass',
                'bondedToFrame' => 'bond.panel',
            ]
            as $path => $name
        ) {
            if ($this->rig->value($id, $path) === true) {
                yield $this->set($name, $id, $path, false);
            }
        }
        if ($this->rig->value($id, 'poles') === 'two') {
            yield $this->set('guard.poles', $id, 'poles', 'one');
        }
        if ($type === 'surge_unit' && $this->rig->value($id, 'opens') === 'both') {
            yield $this->set('guard.poles', $id, 'opens', 'hot');
        }
        if ($type === 'surge_unit' && $this->rig->value($id, 'delayS')) {
            yield $this->set('guard.delay', $id, 'delayS', 0);
        }
        if ($type === 'transfer_switch' && $this->rig->value($id, 'delayS')) {
            yield $this->set('guard.delay', $id, 'delayS', null);
        }
        if ($type === 'circuit' && ($part['gfci'] ?? 'none') !== 'none') {
            yield $this->set('guard.gfci', $id, 'gfci', 'none');
        }
        if ($this->rig->value($id, 'prechargeOhm')) {
            yield $this->set('guard.precharge', $id, 'prechargeOhm', null);
        }
        if ($this->rig->value($id, 'stoppedBy')) {
            yield $this->set('guard.stop', $id, 'stoppedBy', null);
        }
        if ($type === 'instruction') {
            yield new Step('guard.instruction', $id, [['remove', $id]]);
        }
    }

    /** @param array<string, mixed> $part @return \Generator<int, Step> */
    private function neutrals(string $id, array $part): \Generator
    {
        $type = $part['type'];
        if ($type === 'inverter') {
            $is = (string) $this->rig->value($id, 'neutral');
            $order = ['floating', 'unknown', 'half'];
            $at = array_search($is, $order, true);
            foreach ($at === false ? [] : array_slice($order, $at + 1) as $worse) {
                yield $this->set("neutral.{$worse}", $id, 'neutral', $worse);
            }
            if ($is === 'bonded') {
                yield $this->set('neutral.floats', $id, 'neutral', 'floating');
            }
        }
        if ($type === 'inverter_charger') {
            if ($this->rig->value($id, 'bond') === 'relay') {
                yield $this->set('bond.none', $id, 'bond', 'none');
                yield $this->set('bond.fixed', $id, 'bond', 'fixed');
            }
            if ($this->rig->value($id, 'neutral') === 'switched') {
                yield $this->set('neutral.common', $id, 'neutral', 'common');
            }
        }
        if ($type === 'generator' && $this->rig->value($id, 'bond') === 'bonded') {
            yield $this->set('neutral.floats', $id, 'bond', 'floating');
        }
        if ($type === 'panel' && $this->rig->value($id, 'bondScrew') === false) {
            yield $this->set('bond.screw', $id, 'bondScrew', true);
        }
        if ($type === 'frame_bond') {
            yield new Step('bond.frame', $id, [['remove', $id]]);
        }
    }

    /** @param array<string, mixed> $part @return \Generator<int, Step> */
    private function loads(string $id, array $part): \Generator
    {
        foreach ($part['loads'] ?? [] as $load => $of) {
            yield $this->set('load.larger', $id, "loads/{$load}/watts", min(10000, Specimen::plain($of['watts']) * 2));
            foreach (['continuous' => 'load.continuous', 'startsByItself' => 'load.starts'] as $path => $name) {
                if (!($of[$path] ?? false)) {
                    yield $this->set($name, $id, "loads/{$load}/{$path}", true);
                }
            }
        }
        foreach (
            in_array($part['type'], ['dc_panel', 'dc_load', 'dc_circuit'], true) ? ['loadA', 'amps'] : []
            as $path
        ) {
            if ($this->rig->value($id, $path)) {
                yield $this->set('load.larger', $id, $path, $this->rig->value($id, $path) * 2);
            }
        }
    }

    /** @param array<string, mixed> $part @return \Generator<int, Step> */
    private function batteries(string $id, array $part): \Generator
    {
        if ($part['type'] !== 'battery_bank') {
            return;
        }
        yield $this->set('battery.smaller', $id, 'unitAh', max(5, $this->rig->value($id, 'unitAh') / 2));
        if ($this->rig->value($id, 'unitMilliohm')) {
            $ohm = min(100, $this->rig->value($id, 'unitMilliohm') * 3);
            yield $this->set('battery.weaker', $id, 'unitMilliohm', $ohm);
            yield $this->set('known.resistance', $id, 'unitMilliohm', null);
        }
        foreach (['bmsContinuousA', 'bmsPeakA', 'bmsChargeA'] as $limit) {
            if ($this->rig->value($id, $limit)) {
                yield $this->set('battery.management', $id, $limit, $this->rig->value($id, $limit) / 2);
                yield $this->set('known.management', $id, $limit, null);
            }
        }
        if (in_array($this->rig->value($id, 'cold'), ['heats', 'blocks'], true)) {
            yield $this->set('battery.colder', $id, 'cold', 'none');
        }
        if (in_array($this->rig->value($id, 'takenOff'), ['across', 'equal'], true)) {
            yield $this->set('battery.end', $id, 'takenOff', 'one_end');
        }
        if ($this->rig->value($id, 'management') === 'apart') {
            yield $this->set('battery.together', $id, 'management', 'together');
        }
    }

    /** @param array<string, mixed> $part @return \Generator<int, Step> */
    private function sources(string $id, array $part): \Generator
    {
        $v = fn(string $path): mixed => $this->rig->value($id, $path);
        switch ($part['type']) {
            case 'inverter_charger':
                if ($v('inputLimitA')) {
                    yield $this->set('limit.higher', $id, 'inputLimitA', min(100, $v('inputLimitA') * 2));
                }
                yield $this->set('charger.larger', $id, 'chargerA', min(300, $v('chargerA') * 2));
                if ($v('rejectsBelowV') > 80) {
                    yield $this->set('limit.rejects', $id, 'rejectsBelowV', 80);
                }
                break;
            case 'converter':
                yield $this->set('charger.larger', $id, 'outputA', $v('outputA') * 2);
                break;
            case 'dcdc_charger':
                yield $this->set('charger.larger', $id, 'outputA', $v('outputA') * 2);
                if ($v('inputLimitA')) {
                    yield $this->set('limit.lifted', $id, 'inputLimitA', null);
                }
                break;
            case 'generator':
                yield $this->set('source.smaller', $id, 'ratedW', max(300, $v('ratedW') / 2));
                break;
            case 'alternator':
                if (in_array($v('control'), ['fixed', 'smart'], true)) {
                    yield $this->set('known.alternator', $id, 'control', 'unknown');
                }
                yield $this->set('source.smaller', $id, 'spareA', max(5, $v('spareA') / 2));
                break;
            case 'solar_charger':
                yield $this->set('charger.larger', $id, 'outputA', $v('outputA') * 2);
                yield $this->set('source.colder', $id, 'coldestC', -40);
                yield $this->set('source.volts', $id, 'limitV', max(10, $v('limitV') / 2));
                yield $this->set('source.series', $id, 'series', $v('series') * 2);
                break;
            default:
        }
    }

    /** @param array<string, mixed> $part @return \Generator<int, Step> */
    private function parts(string $id, array $part): \Generator
    {
        $type = $part['type'];
        $v = fn(string $path): mixed => $this->rig->value($id, $path);
        if ($type === 'lead') {
            yield $this->set('joint.worse', $id, 'jointMilliohm', 10);
        }
        if (in_array($type, ['inlet', 'tow_plug'], true)) {
            yield $this->set('joint.worse', $id, 'contactMilliohm', 50);
        }
        if (in_array($type, ['dc_switch', 'ac_switch'], true) && $v('usual') === 'off') {
            yield $this->set('habit.switch', $id, 'usual', 'on');
        }
        if ($type === 'battery_selector' && $v('usual') !== 'both') {
            yield $this->set('habit.selector', $id, 'usual', 'both');
        }
        if (
            in_array(
                $type,
                [
                    'bus_bar',
                    'shunt',
                    'dc_switch',
                    'cut_off',
                    'separator',
                    'battery_selector',
                    'contactor',
                    'bypass',
                    'transfer_switch',
                ],
                true,
            ) &&
            $v('ratingA')
        ) {
            yield $this->set('part.smaller', $id, 'ratingA', max(5, (int) ($v('ratingA') / 2)));
        }
        if ($type === 'bus_bar' && $v('ratingA')) {
            yield $this->set('known.rating', $id, 'ratingA', null);
        }
    }

    /** @return array<string, mixed> */
    public static function lead(string $from, string $to, string $size, float $lengthM, string $pole): array
    {
        return [
            'type' => 'lead',
            'label' => "Added {$pole} lead",
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => ['size' => $size, 'lengthM' => $lengthM, 'sheath' => 'fine'],
        ];
    }

    /** @return ?array{string, string, array<string, mixed>} a positive bar, a negative one, and a battery of the rig */
    public static function bars(Specimen $rig): ?array
    {
        $bank = $post = $positive = $negative = null;
        foreach ($rig->parts as $id => $part) {
            if ($part['type'] === 'bus_bar') {
                $positive ??= ($part['pole'] ?? '') === 'positive' ? "{$id}.stud" : null;
                $negative ??= ($part['pole'] ?? '') === 'negative' ? "{$id}.stud" : null;
            } elseif ($part['type'] === 'battery_bank') {
                $post ??= (string) $id;
                $bank ??= $part;
            }
        }
        if ($bank === null || $post === null) {
            return null;
        }

        return $positive !== null && $negative !== null
            ? [$positive, $negative, $bank]
            : ["{$post}.pos", "{$post}.neg", $bank];
    }

    /**
     * A part between the bars of a rig, behind a fuse of its own.
     *
     * @param array<string, mixed> $part
     */
    public static function between(Specimen $rig, string $name, array $part, int $fuseA, string $size): ?Step
    {
        $bars = self::bars($rig);
        if ($bars === null) {
            return null;
        }
        [$id, $fuse, $l1, $l2, $l3] = array_map($rig->free(...), [
            'law_part',
            'law_fuse',
            'law_l1',
            'law_l2',
            'law_l3',
        ]);

        return new Step($name, $id, [
            ['fit', $id, '', $part],
            [
                'fit',
                $fuse,
                '',
                ['type' => 'dc_fuse', 'label' => 'Added fuse', 'family' => 'class_t', 'ratingA' => $fuseA],
            ],
            ['fit', $l1, '', self::lead($bars[0], "{$fuse}.in", $size, 0.1, 'positive')],
            ['fit', $l2, '', self::lead("{$fuse}.out", "{$id}.pos", $size, 1, 'positive')],
            ['fit', $l3, '', self::lead($bars[1], "{$id}.neg", $size, 1, 'negative')],
        ]);
    }

    /** @return array<string, mixed> a small controller with a panel, that suits a battery */
    public static function sun(array $bank): array
    {
        $volts = self::systemV($bank);

        return [
            'type' => 'solar_charger',
            'label' => 'Added sun',
            'panelW' => 100,
            'panelVoc' => 22,
            'panelVmp' => 18,
            'panelIsc' => 6,
            'series' => intdiv($volts, 12) + ($volts > 12 ? 1 : 0),
            'parallel' => 1,
            'coldestC' => -10,
            'limitV' => 150,
            'outputA' => 10,
            'outputV' => (14.4 * $volts) / 12,
            'kind' => 'tracking',
            'profile' => Specimen::plain($bank['chemistry']) === 'lfp' ? 'lithium' : 'lead',
        ];
    }

    /** @param array<string, mixed> $bank */
    private static function systemV(array $bank): int
    {
        return max(1, (int) round((Specimen::plain($bank['unitV']) * Specimen::plain($bank['series'])) / 12)) * 12;
    }

    /** @return list<Step> one more battery, charger or source on the same bar */
    private function more(): array
    {
        $bars = self::bars($this->rig);
        if ($bars === null) {
            return [];
        }
        $bank = $bars[2];
        $lithium = Specimen::plain($bank['chemistry']) === 'lfp';
        $unlike = [
            'type' => 'battery_bank',
            'label' => 'Added battery',
            'chemistry' => $lithium ? 'flooded' : 'lfp',
            'unitV' => $lithium ? 12 : 12.8,
            'unitAh' => 100,
            'series' => intdiv(self::systemV($bank), 12),
            'parallel' => 1,
        ];
        $engine = [
            'type' => 'alternator',
            'label' => 'Added alternator',
            'spareA' => 60,
            'idleA' => 20,
            'holdsV' => 14.2,
        ];

        return array_values(
            array_filter([
                self::between($this->rig, 'more.battery', ['label' => 'Added battery'] + $bank, 200, 'awg:2/0'),
                self::between($this->rig, 'more.unlike', $unlike, 200, 'awg:2/0'),
                self::between($this->rig, 'more.charger', self::sun($bank), 30, 'awg:8'),
                self::systemV($bank) === 12
                    ? self::between($this->rig, 'more.source', $engine + ['control' => 'fixed'], 100, 'awg:4')
                    : null,
            ]),
        );
    }
}
