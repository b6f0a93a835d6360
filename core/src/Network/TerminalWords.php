<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Terminals in the words of somebody who holds a meter to them. */
final class TerminalWords
{
    private const WORDS = [
        'l' => 'hot',
        'n' => 'neutral',
        'g' => 'ground',
        'pin_l' => 'hot pin',
        'pin_n' => 'neutral pin',
        'pin_g' => 'ground pin',
        'bus' => 'bus',
        'line' => 'line lug',
        'neutral_bar' => 'neutral bar',
        'ground_bar' => 'ground bar',
        'head' => 'breaker, load side',
        'pos' => 'positive',
        'neg' => 'negative',
        'stud' => 'stud',
        'in' => 'in',
        'out' => 'out',
        'battery' => 'battery side',
        'load' => 'load side',
        'backfeed' => 'back-fed lug',
        'winding' => 'winding',
        'fused' => 'behind a branch fuse',
        'in_pos' => 'input positive',
        'in_neg' => 'input negative',
        'one' => '1',
        'two' => '2',
        'common' => 'common',
        'a' => 'engine side',
        'b' => 'house side',
    ];

    private const PORTS = [
        'ac_in' => 'AC in',
        'ac_out' => 'AC out',
        'ac_out2' => 'second AC out',
        'in' => 'in',
        'out' => 'out',
        'in_a' => 'input A',
        'in_b' => 'input B',
        'unit_in' => 'to the unit',
        'unit_out' => 'from the unit',
        'follow' => 'following contact',
        'service' => 'service',
    ];

    /** A terminal of a part, without the part. */
    public static function one(string $name): string
    {
        return self::WORDS[$name] ?? $name;
    }

    /** @return array<string, string> terminal => words, what a probe can reach */
    public static function of(Graph $graph): array
    {
        $words = ['frame' => 'Frame', 'earth' => 'Earth (independent)'];
        foreach (array_keys($graph->terminals) as $terminal) {
            $parts = explode('.', $terminal);
            $last = array_pop($parts);
            $component = array_shift($parts);
            if ($component === null || !isset(self::WORDS[$last]) || in_array('service', $parts, true)) {
                continue;
            }
            $port = $parts === [] ? '' : (self::PORTS[$parts[0]] ?? $parts[0]) . ' ';
            $words[$terminal] = $graph->label($component) . ': ' . $port . self::WORDS[$last];
        }

        return $words;
    }
}
