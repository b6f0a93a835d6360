<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Answers\PlaceAnswer;
use Hollin\Core\Network\Part;
use Hollin\Core\Sizing\TypicalWeight;

/** One verdict: a part has one weight and one name, and what a plan adds is one weight, wherever it is shown. */
final class Weights
{
    /** @var list<Violation> */
    public array $broken = [];

    /** Parts compared. */
    public int $parts = 0;

    private string $title = '';

    public function hold(Specimen $rig, Said $said): void
    {
        $this->title = $rig->title();
        if ($rig->plan === null) {
            return;
        }
        $found = $said->found();
        $graph = $said->rig->graph;
        $place = (new PlaceAnswer($found->rig->graph, $graph, $rig->document, (string) $rig->plan))->toArray();
        foreach ($place['items'] as $item) {
            $part = $graph->parts[$item['id']] ?? ($found->rig->graph->parts[$item['id']] ?? null);
            if ($part instanceof Part) {
                $this->parts++;
                $this->claim(
                    $item['label'] === $part->label,
                    $item['id'],
                    'another name where it stands',
                    $item['label'],
                );
                $usual = TypicalWeight::of($part);
                $this->claim(
                    abs($item['kg'] - $usual) <= 0.01,
                    $item['id'],
                    'another weight where it stands',
                    sprintf('%.2f kg there, %.2f kg', $item['kg'], $usual),
                );
            }
        }
        $weight = fn(Said $of): float => $of->answer()['weight']['kg'];
        $more = $weight($said) - $weight($found);
        $things = array_filter($place['items'], fn(array $i): bool => $i['type'] === 'thing');
        $this->claim(
            $things !== [] || abs($more - $place['moreKg']) <= 0.2,
            '',
            'a plan adds another weight where things stand',
            sprintf('%.1f kg there, %.1f kg by the rig', $place['moreKg'], $more),
        );
    }

    private function claim(bool $holds, string $part, string $what, string $detail): void
    {
        if (!$holds) {
            $parts = $part === '' ? [] : [$part];
            $this->broken[] = new Violation('weights', $this->title, 'as it is', 'weights', $parts, $what, $detail);
        }
    }
}
