<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use Hollin\Core\Reference\ConductorSize;

/**
 * What else an assumed value could plausibly be: the low and the high that one would not be surprised to find, with
 * the reason. Common practice, no source, where nothing else is said.
 */
final readonly class Plausible
{
    /** @param list<mixed> $values to try in its place, whatever it is */
    private function __construct(
        public string $reason,
        private float $low = 1.0,
        private float $high = 1.0,
        private array $values = [],
    ) {}

    /** From so many times to so many times what is assumed. */
    public static function times(float $low, float $high, string $reason): self
    {
        return new self($reason, $low, $high);
    }

    /** One of these, whatever is assumed. */
    public static function oneOf(string $reason, mixed ...$values): self
    {
        return new self($reason, values: array_values($values));
    }

    /**
     * The values to try in place of an assumed one, each allowed by its field.
     *
     * @return list<mixed>
     */
    public function insteadOf(mixed $assumed, Field $field): array
    {
        if ($field->kind === 'size') {
            return self::neighbours((string) (is_string($assumed) ? $assumed : ''));
        }
        $values = $this->values;
        if ($values === [] && is_numeric($assumed)) {
            $values = array_map(
                fn(float $times): float|int => $field->kind === 'integer'
                    ? (int) round((float) $assumed * $times)
                    : round((float) $assumed * $times, 4),
                [$this->low, $this->high],
            );
            $values = array_map(
                fn(float|int $v): float|int => max(
                    is_int($v) ? (int) ceil($field->min) : $field->min,
                    min(is_int($v) ? (int) floor($field->max) : $field->max, $v),
                ),
                $values,
            );
        }

        return array_values(array_filter($values, fn(mixed $v): bool => $v != $assumed));
    }

    /** @return list<string> the sizes one step thinner and one thicker, of the same system */
    private static function neighbours(string $designation): array
    {
        $system = explode(':', $designation)[0];
        $sizes = array_filter(
            ConductorSize::all(),
            fn(ConductorSize $s): bool => str_starts_with($s->designation, "{$system}:"),
        );
        uasort($sizes, fn(ConductorSize $a, ConductorSize $b): int => $a->areaMm2 <=> $b->areaMm2);
        $order = array_keys($sizes);
        $at = array_search($designation, $order, true);

        return $at === false ? [] : array_values(array_filter([$order[$at - 1] ?? null, $order[$at + 1] ?? null]));
    }
}
