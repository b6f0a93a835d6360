<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Network\Part;

/** Offers for a part of a plan, each held against what it must have: what the plan counts on, and what is wished. */
final readonly class Candidates
{
    /** Fact of a part => fact of an offer that must be at least that, and its unit. */
    private const AT_LEAST = [
        'continuousW' => ['watts', 'continuous power', 'W'],
        'surgeW' => ['surgeW', 'power for seconds', 'W'],
        'chargerA' => ['chargerA', 'charges with', 'A'],
        'passThroughA' => ['passA', 'passes', 'A'],
        'outputA' => ['ratingA', 'output', 'A'],
        'slots' => ['slots', 'slots', ''],
        'unitAh' => ['ah', 'capacity', 'Ah'],
        'limitV' => ['volts', 'input up to', 'V'],
        'panelW' => ['watts', 'power', 'W'],
    ];

    /** Wish => fact of an offer that may be at most that. */
    private const AT_MOST = [
        'transferMs' => ['transfer within', 'ms'],
        'idleW' => ['idles with', 'W'],
        'noiseDb' => ['no louder than', 'dB'],
        'widthMm' => ['no wider than', 'mm'],
        'heightMm' => ['no higher than', 'mm'],
        'depthMm' => ['no deeper than', 'mm'],
    ];

    private const FLAGS = [
        'remote' => 'remote switch',
        'listed' => 'listed for the use',
        'anySide' => 'on any side',
    ];

    /** Parts whose waveform, noise and the like are wished for. */
    private const UNITS = ['inverter', 'inverter_charger'];

    /** @param array<string, Offer> $offers */
    public function __construct(private array $offers, private Wishes $wishes) {}

    /**
     * @return list<array{code: string, name: string, price: ?float, assumed: bool, verdict: string,
     *      musts: list<array{name: string, wants: string, has: ?string, ok: ?bool}>}> those that have all first, then
     *      those of which something is not known; within that the cheapest first
     */
    public function of(Part $part): array
    {
        $found = [];
        foreach ($this->offers as $code => $offer) {
            if (!$offer->is($part->type)) {
                continue;
            }
            $musts = $this->musts($part, $offer);
            $oks = array_column($musts, 'ok');
            $found[] = [
                'code' => (string) $code,
                'name' => $offer->name(),
                'price' => $offer->price(),
                'assumed' => $offer->isAssumed(),
                'verdict' => in_array(false, $oks, true) ? 'lacks' : (in_array(null, $oks, true) ? 'ask' : 'has'),
                'musts' => $musts,
            ];
        }
        $rank = ['has' => 0, 'ask' => 1, 'lacks' => 2];
        usort(
            $found,
            fn(array $a, array $b): int => [$rank[$a['verdict']], $a['price'] ?? INF, $a['code']] <=> [
                $rank[$b['verdict']],
                $b['price'] ?? INF,
                $b['code'],
            ],
        );

        return $found;
    }

    /** @return list<array{name: string, wants: string, has: ?string, ok: ?bool}> */
    private function musts(Part $part, Offer $offer): array
    {
        $musts = [];
        foreach (self::AT_LEAST as $fact => [$of, $name, $unit]) {
            $wants = $part->numberOrNull($fact);
            // Of a controller with its panels the panels' watts are asked of the panels.
            if ($wants !== null && $wants > 0 && !($fact === 'panelW' && $part->is('solar_charger'))) {
                $musts[] = self::must($name, '≥', $wants, $offer->number($of), $unit);
            }
        }
        $rating = $part->numberOrNull('ratingA');
        if ($rating !== null) {
            $exact = $part->is('dc_fuse');
            $has = $offer->number($part->is('transfer_switch') ? 'passA' : 'ratingA');
            $musts[] = self::must('rating', $exact ? '=' : '≥', $rating, $has, 'A');
        }
        $volts = $part->numberOrNull('dcNominalV') ?? $part->numberOrNull('unitV');
        if ($volts !== null) {
            $has = $offer->number('volts');
            // 12 and 12.8 V are one system; 12 and 24 V are two.
            $musts[] = [
                'name' => 'battery volts',
                'wants' => sprintf('%g V', $volts),
                'has' => $has === null ? null : sprintf('%g V', $has),
                'ok' => $has === null ? null : abs($has / $volts - 1) < 0.1,
            ];
        }
        foreach (['chemistry' => 'chemistry', 'family' => 'family'] as $fact => $name) {
            if ($part->text($fact) !== '') {
                $has = $offer->text($fact);
                $musts[] = [
                    'name' => $name,
                    'wants' => $part->text($fact),
                    'has' => $has === '' ? null : $has,
                    'ok' => $has === '' ? null : $has === $part->text($fact),
                ];
            }
        }

        return [...$musts, ...$part->is(...self::UNITS) ? $this->wished($offer) : []];
    }

    /** @return list<array{name: string, wants: string, has: ?string, ok: ?bool}> */
    private function wished(Offer $offer): array
    {
        $musts = [];
        if ($this->wishes->sine()) {
            $has = $offer->text('waveform');
            $musts[] = [
                'name' => 'waveform',
                'wants' => 'sine',
                'has' => $has === '' ? null : $has,
                'ok' => $has === '' ? null : $has === 'sine',
            ];
        }
        foreach (self::AT_MOST as $wish => [$name, $unit]) {
            $most = $this->wishes->most($wish);
            if ($most !== null) {
                $musts[] = self::must($name, '≤', $most, $offer->number($wish), $unit);
            }
        }
        foreach (self::FLAGS as $wish => $name) {
            if ($this->wishes->wants($wish)) {
                $has = $offer->flag($wish);
                $musts[] = [
                    'name' => $name,
                    'wants' => 'yes',
                    'has' => $has === null ? null : ($has ? 'yes' : 'no'),
                    'ok' => $has,
                ];
            }
        }

        return $musts;
    }

    /** @return array{name: string, wants: string, has: ?string, ok: ?bool} */
    private static function must(string $name, string $sign, float $wants, ?float $has, string $unit): array
    {
        return [
            'name' => $name,
            'wants' => trim(sprintf('%s%g %s', $sign === '=' ? '' : "{$sign} ", $wants, $unit)),
            'has' => $has === null ? null : trim(sprintf('%g %s', $has, $unit)),
            'ok' =>
                $has === null
                    ? null
                    : match ($sign) {
                        '≥' => $has >= $wants - 1e-9,
                        '≤' => $has <= $wants + 1e-9,
                        default => abs($has - $wants) < 1e-9,
                    },
        ];
    }
}
