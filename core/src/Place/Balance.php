<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Job\Values;

/** The rig on its supports, as it was weighed and with what changes, against what they may carry. */
final readonly class Balance
{
    /** Share of a loaded fifth wheel on its pin. Common practice, no source. */
    private const PIN_SHARE = [0.15, 0.25];

    public ?Ledger $before;

    public ?Ledger $after;

    /** Change on the left wheels of what has a place, kg. */
    public float $left;

    /** On the right ones, kg. */
    public float $right;

    /** Change in all, kg. */
    public float $more;

    /** @var array<string, float> what changes and stands nobody knows where, kg */
    public array $nowhere;

    /** @param array<string, Item> $items */
    public function __construct(private Values $rig, private string $kind, array $items)
    {
        $ledger = $this->weighed();
        $this->before = $ledger;
        $left = 0.0;
        $right = 0.0;
        $more = 0.0;
        $nowhere = [];
        $track = $rig->number('trackM', 1.9);
        foreach ($items as $item) {
            if ($item->state() === 'stays') {
                continue;
            }
            foreach ([[$item->before, -$item->beforeKg], [$item->after, $item->afterKg]] as [$spot, $kg]) {
                if ($kg == 0.0) {
                    continue;
                }
                $more += $kg;
                if ($spot === null) {
                    $nowhere[$item->label] = ($nowhere[$item->label] ?? 0.0) + abs($kg);
                    continue;
                }
                $ledger = $ledger?->with($kg, $this->lever($spot->xM));
                $on = Ledger::sides($kg, $spot->leftM, $track);
                $left += $on[0];
                $right += $on[1];
            }
        }
        $this->after = $ledger;
        $this->left = $left;
        $this->right = $right;
        $this->more = $more;
        arsort($nowhere);
        $this->nowhere = $nowhere;
    }

    /** Whether it steers itself: front and rear axle and no coupler. */
    public function isMotor(): bool
    {
        return in_array($this->kind, ['motorhome', 'van'], true);
    }

    /** Lever for the ledger of a place behind the coupler or front axle. */
    public function lever(float $xM): float
    {
        return $this->isMotor() ? $xM : (float) $this->baseM() - $xM;
    }

    public function baseM(): ?float
    {
        return $this->rig->numberOrNull('baseM');
    }

    /** What a kilogram that goes a metre to the rear puts on the coupler or the rear axle, kg; null unknown. */
    public function perMetre(): ?float
    {
        $base = $this->baseM();

        return $base === null ? null : ($this->isMotor() ? 1 : -1) / $base;
    }

    /** Whether it stands on a pin over the bed of a truck: as somebody has said, or by its kind. */
    public function hasPin(): bool
    {
        return $this->rig->text('hitch', $this->kind === 'fifth_wheel' ? 'pin' : 'ball') === 'pin';
    }

    /** What of the weights cannot be; null where nothing contradicts. */
    public function contradiction(): ?string
    {
        $total = $this->rig->numberOrNull('totalKg');
        $coupler = $this->rig->numberOrNull('couplerKg');

        return !$this->isMotor() && $total !== null && $coupler !== null && $coupler >= $total
            ? sprintf(
                'Of %.0f kg in all no %.0f kg can be on the coupler: weigh again, or swap the two.',
                $total,
                $coupler,
            )
            : null;
    }

    /** @return ?array{float, float} share of the whole that the coupler should carry */
    public function band(): ?array
    {
        return match (true) {
            $this->isMotor() => null,
            $this->hasPin() => self::PIN_SHARE,
            default => Ledger::COUPLER_SHARE,
        };
    }

    /** @return list<array<string, mixed>> the two supports and the whole */
    public function scales(): array
    {
        if ($this->before === null || $this->after === null) {
            return [];
        }
        $motor = $this->isMotor();
        $base = (float) $this->baseM();
        $far = [$this->before->far, $this->after->far];
        $near = [$this->before->near, $this->after->near];

        return $motor
            ? [
                $this->scale('front', 'Front axle', 0.0, $near, 'maxFrontKg'),
                $this->scale('rear', 'Rear axle', $base, $far, 'maxRearKg'),
                $this->scale('total', 'In all', null, [$this->before->total, $this->after->total], 'maxTotalKg'),
            ]
            : [
                $this->scale('coupler', $this->hasPin() ? 'Pin' : 'Coupler', 0.0, $far, 'maxCouplerKg'),
                $this->scale('axles', $this->axles(), $base, $near, 'maxAxlesKg'),
                $this->scale('total', 'In all', null, [$this->before->total, $this->after->total], 'maxTotalKg'),
            ];
    }

    private function axles(): string
    {
        return $this->rig->integer('axles', 1) === 1 ? 'Axle' : 'Axles';
    }

    /**
     * @param array{float, float} $kg
     * @return array<string, mixed>
     */
    private function scale(string $id, string $label, ?float $atM, array $kg, string $limit): array
    {
        $most = $this->rig->numberOrNull($limit);
        $share = $id === 'coupler' ? $this->band() : null;

        return [
            'id' => $id,
            'label' => $label,
            'atM' => $atM,
            'beforeKg' => round($kg[0], 1),
            'afterKg' => round($kg[1], 1),
            'limitKg' => $most,
            'bandKg' =>
                $share === null || $this->after === null
                    ? null
                    : array_map(fn(float $s): float => round($s * $this->after->total, 1), $share),
            'over' => $most !== null && $kg[1] > $most,
        ];
    }

    private function weighed(): ?Ledger
    {
        $base = $this->baseM();
        $of = fn(string $name): ?float => $this->rig->numberOrNull($name);
        if ($base === null) {
            return null;
        }
        if ($this->isMotor()) {
            return $of('frontKg') === null || $of('rearKg') === null
                ? null
                : Ledger::motorhome($of('frontKg'), $of('rearKg'), $base);
        }
        $coupler = $of('couplerKg');
        $total = $of('totalKg');

        return $total === null || $coupler === null || $coupler >= $total || $total <= 0
            ? null
            : Ledger::trailer($total, $coupler, $base);
    }
}
