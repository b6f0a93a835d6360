<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Job\Values;

/** A baseline reading that was taken at the survey: the work counts it, so that nobody reads twice. */
final readonly class SurveyReading
{
    /**
     * @param string $point id of the reading, as `Baseline` names it
     * @param ?float $value in the point's unit; null where words say it
     * @param string $at when it was taken, ISO 8601 UTC
     */
    public function __construct(
        public string $uuid,
        public string $point,
        public ?float $value,
        public ?string $words,
        public string $instrument,
        public string $by,
        public string $at,
    ) {}

    /**
     * A logbook with the survey's readings put in where they belong by their time. Those that came out of the logbook
     * are in it already.
     *
     * @param list<Entry> $entries in the order of their numbers
     * @param list<self> $read in the order in which they were taken
     * @param string $step the step that asks for them
     * @return list<Entry>
     */
    public static function among(array $entries, array $read, string $step): array
    {
        $known = array_column($entries, 'uuid', 'uuid');
        $read = array_values(array_filter($read, fn(self $r): bool => !isset($known[$r->uuid])));
        $all = [];
        $number = 0;
        foreach ($entries as $entry) {
            while ($read !== [] && strcmp($read[0]->at, $entry->at) < 0) {
                $all[] = array_shift($read)->line($step, $number);
            }
            $all[] = $entry;
            $number = $entry->number;
        }

        return [...$all, ...array_map(fn(self $r): Entry => $r->line($step, $number), $read)];
    }

    /** @param int $number of the line before it: whoever saw that may well not have seen this */
    private function line(string $step, int $number): Entry
    {
        return new Entry(
            $this->uuid,
            $number,
            EntryKind::Value,
            $step,
            new Values(
                (object) (['ask' => Ask::READING . $this->point, 'instrument' => $this->instrument] +
                    ($this->value === null ? ['words' => (string) $this->words] : ['number' => $this->value])),
            ),
            $this->at,
            $this->by,
            '',
            $number,
        );
    }
}
