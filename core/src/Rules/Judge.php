<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\Naming;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Situation;

/** What every rule finds in a rig, each with its witness and how it can come about. */
final class Judge
{
    /** @var list<StateRule> */
    private array $stateRules = [];

    /** @var list<RigRule> */
    private array $rigRules = [];

    /** @var array<string, array<string, array{StateRule, Hit}>> situation => key => rule and hit */
    private array $hitsOf = [];

    /** @var list<Finding> */
    public array $findings = [];

    /** @var list<Prevented> */
    public array $prevented;

    public readonly Proof $proof;

    public readonly Coverage $coverage;

    /** @param ?Proof $proof of a rig of the same structure, where one is at hand */
    public function __construct(private readonly Examination $rig, ?Proof $proof = null)
    {
        // Thousands of small things are kept until the end: looking for cycles among them again and again costs as much
        // as the search.
        $collects = gc_enabled();
        gc_disable();
        try {
            $this->proof = $proof ?? (new Search($rig))->proof;
            $this->prevented = array_map(
                fn(Prevented $p): Prevented => $p->read($this->read(...)),
                $this->proof->prevented,
            );
            $this->coverage = $this->proof->coverage->read($this->read(...));
            $this->judge();
        } finally {
            $collects ? gc_enable() : null;
        }
    }

    private function judge(): void
    {
        foreach (RuleBook::rules() as $rule) {
            if ($rule instanceof StateRule) {
                $this->stateRules[] = $rule;
            } elseif ($rule instanceof RigRule) {
                $this->rigRules[] = $rule;
            }
        }
        foreach ($this->proof->found as $found) {
            $this->findings[] = $this->seen($found);
        }
        foreach ($this->rigRules as $rule) {
            foreach ($rule->hits($this->rig) as $hit) {
                $named = $hit->proof ?? ($hit->state === null ? null : $this->rig->named[$hit->state]);
                $situation = match (true) {
                    $hit->proof !== null => $this->rig->faulty()[$hit->proof->id]->situation,
                    $hit->state !== null => $this->rig->settled[$hit->state]->situation,
                    default => null,
                };
                $ways = $hit->ways ?? ($named === null ? Ways::onTheRig() : Ways::slips(0, $named->title));
                $this->findings[] = $this->finding(
                    $rule,
                    $hit,
                    $ways,
                    $named?->setting,
                    $hit->state,
                    $situation,
                    $hit->state === null ? [] : [$hit->state],
                );
            }
        }
        usort(
            $this->findings,
            fn(Finding $a, Finding $b): int => [
                $a->ways->kind === 'outside',
                $a->severity()->rank(),
                $a->ways->pairs[0]['slips'],
                $a->rule->id,
                $a->hit->key,
            ] <=> [
                $b->ways->kind === 'outside',
                $b->severity()->rank(),
                $b->ways->pairs[0]['slips'],
                $b->rule->id,
                $b->hit->key,
            ],
        );
    }

    /** Looks at the state that shows a hazard, for its figures as this rig has them. */
    private function seen(Found $found): Finding
    {
        $settled = $this->rig->engine->settle($found->setting, $found->from);
        $passing = $found->step === null ? null : $settled->passing[$found->step];
        $situation = $passing['situation'] ?? $settled->situation;
        [$rule, $hit] =
            $this->hits($situation)[$found->key] ??
            throw new \LogicException("The proof is of another rig: {$found->key} is not there.");
        $words = $this->read($found->words);
        $ways = match ($found->kind) {
            'outage' => Ways::outage($words),
            'passing' => Ways::passing($passing['lastsS'] ?? 0.0, $words),
            'outside' => Ways::outside($words, $found->slips),
            'reached' => Ways::reached($words, $found->slips),
            default => Ways::slips($found->slips, $words),
        };

        if ($found->failure !== null) {
            $ways = $ways->orFailing($this->read($found->failure['words']), $found->failure['slips']);
        }

        return $this->finding($rule, $hit, $ways, $found->setting, $found->state, $situation, $found->states);
    }

    /** What a proof says, with the names this rig has. */
    private function read(string $kept): string
    {
        return Naming::read($kept, $this->rig->graph, $this->rig->named);
    }

    /** @return array<string, array{StateRule, Hit}> */
    private function hits(Situation $situation): array
    {
        if (!isset($this->hitsOf[$situation->key])) {
            $hits = [];
            foreach ($this->stateRules as $rule) {
                foreach ($rule->hits($situation, $this->rig) as $hit) {
                    $hits[self::definition($rule)->id . '|' . $hit->key] ??= [$rule, $hit];
                }
            }
            $this->hitsOf[$situation->key] = $hits;
        }

        return $this->hitsOf[$situation->key];
    }

    private static function definition(Rule $rule): Definition
    {
        static $definitions = [];

        return $definitions[$rule::class] ??= $rule::definition();
    }

    /** @param list<string> $states */
    private function finding(
        Rule $rule,
        Hit $hit,
        Ways $ways,
        ?Setting $setting,
        ?string $state,
        ?Situation $situation,
        array $states = [],
    ): Finding {
        $terminals = $elements = [];
        foreach ($hit->paths as [$from, $to]) {
            if ($situation === null) {
                break;
            }
            $path = Path::between($situation, $from, $to);
            $terminals = [...$terminals, ...$path['terminals']];
            $elements = [...$elements, ...$path['elements']];
        }
        $words =
            $state !== null
                ? $this->rig->named[$state]->title
                : ($ways->kind === 'always'
                    ? 'in every state'
                    : $ways->pairs[0]['words']);

        return new Finding(
            self::definition($rule),
            $hit,
            $ways,
            $setting,
            $state,
            $words,
            $terminals,
            $elements,
            $states,
        );
    }
}
