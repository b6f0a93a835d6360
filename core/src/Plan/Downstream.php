<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Feeder;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Supply\Inlet;
use stdClass;

/** What hangs on a part by 120 V cables and cords, whatever position anything is in. A battery between ends it. */
final readonly class Downstream
{
    /** @var array<string, array<string, true>> part => parts it feeds directly */
    private array $feeds;

    public function __construct(Rig $rig)
    {
        $feeds = [];
        foreach ($rig->components as $id => $part) {
            $raw = $part->values->raw();
            if ($part instanceof Circuit) {
                $feeds[$part->lands('hot')][$id] = true;
                $fed = $part->feedsComponent();
                if ($fed !== null) {
                    $feeds[$id][$fed] = true;
                }
            } elseif ($part instanceof Feeder) {
                $feeds[$part->values->group('from')?->text('at') ?? ''][$part->toComponent()] = true;
            } elseif ($part instanceof Converter) {
                $feeds[$part->values->text('plug')][$id] = true;
            } elseif ($part instanceof Inlet) {
                foreach (get_object_vars($raw->into ?? new stdClass()) as $receptacle) {
                    $feeds[$receptacle->at][$id] = true;
                }
            }
            $feeds[$id][$part->values->text('reaches')] = true;
        }
        unset($feeds['']);
        $this->feeds = $feeds;
    }

    /** @return array<string, true> everything a part feeds, straight or through others */
    public function of(string $id): array
    {
        $found = [];
        $open = [$id];
        while ($open !== []) {
            foreach (array_keys($this->feeds[(string) array_pop($open)] ?? []) as $next) {
                if ($next !== '' && !isset($found[$next])) {
                    $found[$next] = true;
                    $open[] = $next;
                }
            }
        }

        return $found;
    }
}
