<?php

declare(strict_types=1);

use Hollin\Core\Build\Label;
use Hollin\Core\Build\LabelSheets;
use Hollin\Core\Build\LabelStock;
use Hollin\Core\Job\Csv;
use Tests\Works;

/** @return list<Label> */
function allLabels(): array
{
    return array_values(Works::demo('tideline', 'line')->labels);
}

it('lays every label inside its place on the page, on as many pages as it takes', function (LabelStock $stock): void {
    $labels = allLabels();
    $pages = LabelSheets::svg($labels, $stock);
    expect($pages)->toHaveCount((int) ceil(count($labels) / $stock->count()));
    [$pageW, $pageH] = $stock->page();
    [$w, $h] = $stock->size();
    $seen = 0;
    foreach ($pages as $page) {
        $svg = simplexml_load_string($page);
        expect($svg)->not->toBeFalse();
        foreach ($svg->g as $cell) {
            $x = (float) $cell->rect['x'];
            $y = (float) $cell->rect['y'];
            expect($x)
                ->toBeGreaterThanOrEqual(0.0)
                ->and($x + $w)
                ->toBeLessThanOrEqual($pageW + 0.01)
                ->and($y)
                ->toBeGreaterThanOrEqual(0.0)
                ->and($y + $h)
                ->toBeLessThanOrEqual($pageH + 0.01);
            foreach ($cell->text as $text) {
                $size = (float) $text['font-size'];
                // A sans-serif letter is 0.55 of its height on the average; bold ones are wider.
                $wide = mb_strlen((string) $text) * $size * 0.5;
                expect((float) $text['x'] + $wide)
                    ->toBeLessThanOrEqual($x + $w + 0.01, (string) $text)
                    ->and((float) $text['y'])
                    ->toBeGreaterThan($y)
                    ->toBeLessThan($y + $h);
            }
            $seen++;
        }
    }
    expect($seen)->toBe(count($labels));
})->with(LabelStock::cases());

it('never lays two labels over each other', function (LabelStock $stock): void {
    [$w, $h] = $stock->size();
    for ($a = 0; $a < $stock->count(); $a++) {
        for ($b = 0; $b < $a; $b++) {
            [$ax, $ay] = $stock->at($a);
            [$bx, $by] = $stock->at($b);
            expect(abs($ax - $bx) >= $w - 1e-9 || abs($ay - $by) >= $h - 1e-9)->toBeTrue();
        }
    }
})->with(LabelStock::cases());

it('writes signs that mean something in SVG as themselves', function (): void {
    $label = new Label('x', 'cable', 'A & B <"fuse">', ["it's 4/0"], 'here', 'c');
    $svg = simplexml_load_string(LabelSheets::svg([$label], LabelStock::A4by24)[0]);
    expect((string) $svg->g->text[0])->toBe('A & B <"fuse">')->and((string) $svg->g->text[1])->toBe("it's 4/0");
});

it('writes a table that reads back as the same labels', function (): void {
    $rows = Csv::rows(LabelSheets::csv(allLabels()));
    expect($rows)->toHaveCount(count(allLabels()) + 1);
    foreach (allLabels() as $n => $label) {
        expect(array_slice($rows[$n + 1], 0, 3))->toBe([$label->kind, $label->where, $label->title]);
        expect(array_values(array_filter(array_slice($rows[$n + 1], 3))))->toBe($label->lines);
    }
});
