<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** Sheets of labels that are sold everywhere, by their page and the size of one, mm. Common sizes, no source. */
enum LabelStock: string
{
    case Letter30 = 'letter_30';
    case Letter10 = 'letter_10';
    case A4by24 = 'a4_24';
    case A4by21 = 'a4_21';

    public function label(): string
    {
        return match ($this) {
            self::Letter30 => 'Letter, 30 of 2 ⅝ × 1 in',
            self::Letter10 => 'Letter, 10 of 4 × 2 in',
            self::A4by24 => 'A4, 24 of 70 × 37 mm',
            self::A4by21 => 'A4, 21 of 63.5 × 38.1 mm',
        };
    }

    /** @return array{float, float} width and height of the page */
    public function page(): array
    {
        return match ($this) {
            self::Letter30, self::Letter10 => [215.9, 279.4],
            self::A4by24, self::A4by21 => [210.0, 297.0],
        };
    }

    /** @return array{int, int} across and down */
    public function grid(): array
    {
        return match ($this) {
            self::Letter30 => [3, 10],
            self::Letter10 => [2, 5],
            self::A4by24 => [3, 8],
            self::A4by21 => [3, 7],
        };
    }

    /** @return array{float, float} width and height of one */
    public function size(): array
    {
        return match ($this) {
            self::Letter30 => [66.7, 25.4],
            self::Letter10 => [101.6, 50.8],
            self::A4by24 => [70.0, 37.0],
            self::A4by21 => [63.5, 38.1],
        };
    }

    /** @return array{float, float} left and top of the one at a place, the page's middle in the middle of all */
    public function at(int $n): array
    {
        [$across, $down] = $this->grid();
        [$w, $h] = $this->size();
        [$pageW, $pageH] = $this->page();
        // What is left over stands between columns where sheets have gaps, else at the edges.
        $gap = match ($this) {
            self::Letter30 => 3.1,
            self::Letter10 => 4.8,
            self::A4by24 => 0.0,
            self::A4by21 => 2.5,
        };
        $left = ($pageW - $across * $w - ($across - 1) * $gap) / 2;
        $top = ($pageH - $down * $h) / 2;

        return [$left + ($n % $across) * ($w + $gap), $top + intdiv($n, $across) * $h];
    }

    /** Labels on a sheet. */
    public function count(): int
    {
        [$across, $down] = $this->grid();

        return $across * $down;
    }
}
