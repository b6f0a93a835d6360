<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Job\Csv;

/** Labels as sheets to print (SVG, one a page) and as a table for a label machine (CSV). */
final class LabelSheets
{
    /** Free at the edge of a label, mm. */
    private const EDGE = 2.0;

    /** Letters are at most so wide on the average, of their height: plain and bold. */
    private const WIDE = [0.57, 0.66];

    private const LARGEST = 5.2;

    private const SMALLEST = 1.6;

    /**
     * @param list<Label> $labels
     * @return list<string> SVG, a page each
     */
    public static function svg(array $labels, LabelStock $stock): array
    {
        $pages = [];
        foreach (array_chunk($labels, max(1, $stock->count())) as $chunk) {
            [$w, $h] = $stock->page();
            $cells = '';
            foreach ($chunk as $n => $label) {
                $cells .= self::cell($label, $stock, $n);
            }
            $pages[] = sprintf(
                '<svg xmlns="http://www.w3.org/2000/svg" width="%1$smm" height="%2$smm" viewBox="0 0 %1$s %2$s" ' .
                    'font-family="sans-serif">%3$s</svg>',
                $w,
                $h,
                $cells,
            );
        }

        return $pages;
    }

    private static function cell(Label $label, LabelStock $stock, int $n): string
    {
        [$x, $y] = $stock->at($n);
        [$w, $h] = $stock->size();
        $room = $w - 2 * self::EDGE;
        // Directories have many lines: all of them get smaller until they fit.
        for ($size = self::LARGEST; $size > self::SMALLEST; $size -= 0.2) {
            $rows = self::rows($label, $size, $room);
            if (self::heightOf($rows) <= $h - 2 * self::EDGE) {
                break;
            }
        }
        $rows = self::rows($label, $size, $room);
        $text = '';
        $at = $y + self::EDGE;
        foreach ($rows as [$words, $of, $bold]) {
            $at += $of * 1.2;
            $text .= sprintf(
                '<text x="%.2f" y="%.2f" font-size="%.2f"%s>%s</text>',
                $x + self::EDGE,
                $at - $of * 0.25,
                $of,
                $bold ? ' font-weight="700"' : '',
                htmlspecialchars($words, ENT_XML1 | ENT_QUOTES),
            );
        }
        return sprintf(
            '<g><rect x="%.2f" y="%.2f" width="%s" height="%s" fill="none" stroke="#bbb" stroke-width="0.1"/>%s</g>',
            $x,
            $y,
            $w,
            $h,
            $text,
        );
    }

    /**
     * Lines broken to the width, the title larger.
     *
     * @return list<array{string, float, bool}> words, size, bold
     */
    private static function rows(Label $label, float $size, float $room): array
    {
        $rows = [];
        foreach (
            [
                [$label->title, $size, true],
                ...array_map(fn(string $l): array => [$l, $size * 0.72, false], $label->lines),
            ]
            as $line
        ) {
            [$words, $of, $bold] = $line;
            $most = max(4, (int) floor($room / ($of * self::WIDE[(int) $bold])));
            foreach (explode("\n", wordwrap($words, $most, "\n", true)) as $part) {
                $rows[] = [$part, $of, $bold];
            }
        }

        return $rows;
    }

    /** @param list<array{string, float, bool}> $rows */
    private static function heightOf(array $rows): float
    {
        return array_sum(array_map(fn(array $r): float => $r[1] * 1.2, $rows));
    }

    /**
     * A row a label: kind, where, title, lines.
     *
     * @param list<Label> $labels
     */
    public static function csv(array $labels): string
    {
        $most = max([1, ...array_map(fn(Label $l): int => count($l->lines), $labels)]);
        $head = ['kind', 'where', 'title'];
        for ($n = 1; $n <= $most; $n++) {
            $head[] = "line {$n}";
        }

        return Csv::written([
            $head,
            ...array_map(
                fn(Label $l): array => [$l->kind, $l->where, $l->title, ...array_pad($l->lines, $most, '')],
                $labels,
            ),
        ]);
    }
}
