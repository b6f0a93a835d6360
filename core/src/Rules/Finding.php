<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\States\Setting;

/** A hazard with the state and the path that prove it, its figures, and what can be done about it. */
final readonly class Finding
{
    /**
     * @param list<string> $path terminals
     * @param list<string> $elements
     * @param list<string> $states named states that show it
     */
    public function __construct(
        public Definition $rule,
        public Hit $hit,
        public Ways $ways,
        public ?Setting $setting,
        public ?string $state,
        public string $stateWords,
        public array $path,
        public array $elements,
        public array $states = [],
    ) {}

    /** That of this hit, or that of its rule; for what passes by itself, what the rule says of that. */
    public function severity(): Severity
    {
        return match (true) {
            $this->ways->kind === 'passing' && $this->rule->passing !== null => $this->rule->passing,
            default => $this->hit->severity ?? $this->rule->severity,
        };
    }

    /** Identity: rule, components and cause, never the wording. */
    public function identity(): string
    {
        return self::identityOf($this->rule->id . '|' . $this->hit->key);
    }

    private static function identityOf(string $ruleAndKey): string
    {
        return substr(hash('sha256', $ruleAndKey), 0, 16);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->identity(),
            'rule' => $this->rule->id,
            'severity' => $this->severity()->value,
            'title' => $this->hit->title ?? $this->rule->title,
            'text' => $this->hit->text,
            'components' => $this->hit->components,
            'figures' => array_map(fn(Figure $f): array => $f->toArray($this->state), $this->hit->figures),
            'remedies' => array_map(
                fn(Remedy $r): array => $r->toArray(),
                array_values(array_filter($this->hit->remedies, fn(Remedy $r): bool => $r->isWhole())),
            ),
            'source' => $this->rule->source->text(),
            'because' => $this->hit->because === null ? null : self::identityOf($this->hit->because),
            'ways' => ['kind' => $this->ways->kind, 'pairs' => $this->ways->pairs, 'words' => $this->ways->words],
            'witness' => [
                'state' => $this->state,
                'states' => $this->states,
                'words' => $this->stateWords,
                'controls' => $this->setting === null ? null : (object) $this->setting->controls,
                'surroundings' => $this->setting === null ? null : (object) $this->setting->surroundings,
                'path' => $this->path,
                'elements' => $this->elements,
            ],
        ];
    }
}
