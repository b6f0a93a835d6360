<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Workshop;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\SchemaCheck;
use Hollin\Core\Parts\Offer;
use Hollin\Core\Parts\OfferList;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Plan\Refused;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A workshop's catalogue: what ships, and what it has written over it. */
final class Catalogue
{
    /** @return array<string, Offer> code => offer */
    public function offers(Workshop $workshop): array
    {
        $offers = Stock::all();
        foreach ($workshop->catalogueEntries()->orderBy('code')->get() as $entry) {
            if ($entry->body === null) {
                unset($offers[$entry->code]);
            } else {
                $offers[$entry->code] = Offer::of($entry->code, $entry->body);
            }
        }

        return $offers;
    }

    /** @return list<string> codes that the workshop has written itself */
    public function own(Workshop $workshop): array
    {
        return array_values($workshop->catalogueEntries()->whereNotNull('body')->pluck('code')->all());
    }

    /** @throws Refused when the code or anything of the offer cannot be */
    public function put(Workshop $workshop, string $code, stdClass $body): Offer
    {
        if (OfferList::code($code) !== $code) {
            throw Refused::because('/code', 'is lower case letters, digits and -, at most sixty of them.');
        }
        $error = SchemaCheck::validate($body, 'offer', fn(): stdClass => (object) Field::objectSchema(Offer::fields()));
        if ($error !== null) {
            throw new Refused(SchemaCheck::leaves($error) ?: [new Problem('', 'is no offer.')]);
        }
        $this->keep($workshop, $code, $body);

        return Offer::of($code, $body);
    }

    /** Takes one out; one that ships stays out of this workshop's catalogue. */
    public function drop(Workshop $workshop, string $code): void
    {
        if (isset(Stock::all()[$code])) {
            $this->keep($workshop, $code, null);
        } else {
            $workshop->catalogueEntries()->where('code', $code)->delete();
        }
    }

    /**
     * Takes a table in: what it names is written over, what it does not name stays.
     *
     * @return int how many offers it has
     * @throws Refused with everything that is wrong; nothing is taken then
     */
    public function read(Workshop $workshop, string $text): int
    {
        $bodies = OfferList::read($text);
        if (count($this->offers($workshop) + $bodies) > OfferList::MOST) {
            throw new Refused([new Problem('/text', sprintf('would make more than %d offers.', OfferList::MOST))]);
        }
        DB::transaction(function () use ($workshop, $bodies): void {
            foreach ($bodies as $code => $body) {
                $this->keep($workshop, (string) $code, $body);
            }
        });

        return count($bodies);
    }

    private function keep(Workshop $workshop, string $code, ?stdClass $body): void
    {
        $workshop->catalogueEntries()->updateOrCreate(['code' => $code], ['body' => $body]);
    }
}
