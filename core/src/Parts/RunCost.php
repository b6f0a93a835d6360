<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

/** What one run of cable costs by a workshop's catalogue: what is cut of it, and its lugs and sleeves. */
final class RunCost
{
    /** @var array<string, array<string, float>> kind => size => the lowest price */
    private array $lowest = [];

    /** @param array<string, Offer> $offers */
    public function __construct(array $offers)
    {
        foreach ($offers as $offer) {
            $price = $offer->price();
            $kind = $offer->is('cable') ? 'cable ' . $offer->text('sheath') : $offer->text('kind');
            if ($price !== null) {
                $size = $offer->text('size');
                $this->lowest[$kind][$size] = min($this->lowest[$kind][$size] ?? INF, $price);
            }
        }
    }

    /** Price of a metre; null where nobody has one. */
    public function metre(string $size, string $sheath = 'fine'): ?float
    {
        return $this->lowest["cable {$sheath}"][$size] ?? null;
    }

    /**
     * Of a run as it is cut, with a lug and a sleeve at each end of each conductor of a lead; null where cable or lug
     * has no price.
     */
    public function of(string $size, float $lengthM, int $parallel, bool $isLead, bool $isCord = false): ?float
    {
        $metre = $this->metre($size, $isLead ? 'fine' : ($isCord ? 'cord' : 'nm_b'));
        $lug = $this->lowest['lug'][$size] ?? null;
        if ($metre === null || ($isLead && $lug === null)) {
            return null;
        }
        $ends = $isLead ? 2 * ($lug + ($this->lowest['sleeve'][$size] ?? 0.0)) : 0.0;

        return round($parallel * ($metre * TakeOff::cutM($lengthM) + $ends), 2);
    }
}
