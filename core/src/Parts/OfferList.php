<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Job\Csv;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use stdClass;

/** A workshop's catalogue as comma-separated values (RFC 4180), in and out: a column for each field of an offer. */
final class OfferList
{
    public const MOST = 2000;

    /** @return list<string> */
    public static function columns(): array
    {
        return ['code', ...array_keys(Offer::fields())];
    }

    /** @param array<string, Offer> $offers */
    public static function written(array $offers): string
    {
        $rows = [self::columns()];
        foreach ($offers as $code => $offer) {
            $body = $offer->toBody();
            $row = [(string) $code];
            foreach (array_keys(Offer::fields()) as $name) {
                $value = $body->{$name} ?? '';
                $row[] = is_bool($value) ? ($value ? 'yes' : 'no') : (string) $value;
            }
            $rows[] = $row;
        }

        return Csv::written($rows);
    }

    /**
     * @return array<string, stdClass> code => body
     * @throws Refused with the row and column of everything that is wrong; nothing is taken then
     */
    public static function read(string $text): array
    {
        $rows = Csv::rows($text);
        [$head, $problems] = Csv::head(array_shift($rows) ?? [], self::columns(), ['code', 'kind', 'name']);
        if ($problems !== []) {
            throw new Refused($problems);
        }
        [$entries, $problems] = Csv::entries($rows, $head);
        $bodies = [];
        $fields = Offer::fields();
        foreach ($entries as $at => $row) {
            $code = self::code($row['code']);
            if ($code === null || isset($bodies[$code])) {
                $problems[] = new Problem(
                    "{$at}/code",
                    $code === null
                        ? "code: \"{$row['code']}\" is no code: lower case letters, digits and -."
                        : "code: \"{$code}\" stands in an earlier row too.",
                );
                continue;
            }
            $body = new stdClass();
            foreach (array_diff_key($row, ['code' => 0]) as $column => $value) {
                if ($value === '') {
                    if ($fields[$column]->required) {
                        $problems[] = new Problem("{$at}/{$column}", "{$column}: is empty.");
                    }
                    continue;
                }
                [$read, $why] = Csv::value($fields[$column], $value);
                if ($why !== null) {
                    $problems[] = new Problem("{$at}/{$column}", "{$column}: {$why}");
                } else {
                    $body->{$column} = $read;
                }
            }
            $bodies[$code] = $body;
        }
        if (count($bodies) > self::MOST) {
            $problems[] = new Problem(
                '/row/' . (self::MOST + 2),
                sprintf('is one too many: a catalogue has at most %d offers.', self::MOST),
            );
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }

        return $bodies;
    }

    /** A code as it is kept; null for what cannot be one. */
    public static function code(string $text): ?string
    {
        $code = mb_strtolower(trim($text));

        return preg_match('/^[a-z0-9][a-z0-9-]{0,59}$/', $code) === 1 ? $code : null;
    }
}
