<?php

declare(strict_types=1);

namespace Database\Seeders;

use Database\Seeders\Demo\ArchiveTrailer;
use Database\Seeders\Demo\BellowsTrailer;
use Database\Seeders\Demo\CausewayVan;
use Database\Seeders\Demo\GraftingTrailer;
use Database\Seeders\Demo\KiteCamper;
use Database\Seeders\Demo\Places;
use Database\Seeders\Demo\Stays;
use Database\Seeders\Demo\TideLineVan;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Intent\Intents;
use stdClass;

/**
 * The rigs of the demo workshop, as the edits that make them. Everything in them is invented:
 * a trailer a grafting school tows from orchard to orchard; a map archive's trailer in which
 * somebody fitted an inverter years ago; a van that counts birds on the tide line; one that reads tide gauges, charged
 * on the road and by the sun; the trailer of two organ tuners with lithium beside its lead; a camper that works and has
 * trouble that nobody has seen.
 */
final class DemoRigs
{
    /** One of them as the document its edits make. */
    public static function document(string $name): stdClass
    {
        $rig = self::all()[$name];
        $document = JobFile::blank($rig['title'], $rig['kind']);
        foreach ([...$rig['survey'], ...$rig['plans']] as $intent) {
            $document = Intents::apply(
                $document,
                json_decode((string) json_encode($intent, JSON_PRESERVE_ZERO_FRACTION), false, 32, JSON_THROW_ON_ERROR),
            )->document;
        }

        return $document;
    }

    /**
     * @return array<string, array{title: string, kind: string, customer: string, survey: list<array<string, mixed>>,
     *      plans: list<array<string, mixed>>}>
     */
    public static function all(): array
    {
        return [
            'grafting' => [
                'title' => 'Grafting trailer 2',
                'kind' => 'travel_trailer',
                'customer' => 'Pippin & Scion grafting school',
                'survey' => [...GraftingTrailer::survey(), ...Stays::of('grafting'), ...Places::of('grafting')],
                'plans' => GraftingTrailer::plans(),
            ],
            'archive' => [
                'title' => 'Map archive trailer',
                'kind' => 'travel_trailer',
                'customer' => 'Harrow Mobile Archive',
                'survey' => ArchiveTrailer::survey(),
                'plans' => ArchiveTrailer::plans(),
            ],
            'tideline' => [
                'title' => 'Tide-line van',
                'kind' => 'van',
                'customer' => 'Wader Count Society',
                'survey' => [...TideLineVan::survey(), ...Stays::of('tideline')],
                'plans' => TideLineVan::plans(),
            ],
            'causeway' => [
                'title' => 'Causeway van',
                'kind' => 'van',
                'customer' => 'Gauge Keepers',
                'survey' => [...CausewayVan::survey(), ...Stays::of('causeway'), ...Places::of('causeway')],
                'plans' => CausewayVan::plans(),
            ],
            'bellows' => [
                'title' => 'Bellows trailer',
                'kind' => 'travel_trailer',
                'customer' => 'Open Flue Tuners',
                'survey' => [...BellowsTrailer::survey(), ...Stays::of('bellows')],
                'plans' => BellowsTrailer::plans(),
            ],
            'kite' => [
                'title' => 'Kite camper',
                'kind' => 'other',
                'customer' => 'Box Kite Weather School',
                'survey' => KiteCamper::survey(),
                'plans' => KiteCamper::plans(),
            ],
        ];
    }
}
