<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\Situation;

/** What the state rules show in the situations of one rig, by rule and key; each situation is asked once. */
final class Hazards
{
    /** @var array<string, StateRule> rules of the battery side alone, by id */
    private readonly array $directRules;

    /** @var array<string, StateRule> all others, by id */
    private readonly array $otherRules;

    /** @var array<string, list<string>> situation => hazards */
    private array $of = [];

    /** @var array<string, list<string>> the battery side of a situation => its hazards */
    private array $ofDirect = [];

    /** @var array<string, StateRule&Claims> rules that claim something to be impossible, by id */
    public readonly array $claiming;

    public function __construct(private readonly Examination $rig)
    {
        $direct = $others = [];
        foreach (RuleBook::rules() as $rule) {
            if ($rule instanceof StateRule && $rule instanceof OfDirectCurrent) {
                $direct[$rule::definition()->id] = $rule;
            } elseif ($rule instanceof StateRule) {
                $others[$rule::definition()->id] = $rule;
            }
        }
        $this->directRules = $direct;
        $this->otherRules = $others;
        $this->claiming = array_filter($direct + $others, fn(StateRule $r): bool => $r instanceof Claims);
    }

    /** @return list<string> of every state rule */
    public function of(Situation $situation): array
    {
        $direct = $this->ofDirect($situation);
        $rest = $this->ofRest($situation);

        return $direct === [] ? $rest : [...$direct, ...$rest];
    }

    /** @return list<string> of the rules that claim something to be impossible; not kept */
    public function claimed(Situation $situation): array
    {
        return $this->asked($this->claiming, $situation);
    }

    /** @return list<string> of the battery side alone */
    public function ofDirect(Situation $situation): array
    {
        return $this->ofDirect[$situation->directKey()] ??= $this->asked($this->directRules, $situation);
    }

    /** @return list<string> all others */
    public function ofRest(Situation $situation): array
    {
        return $this->of[$situation->key] ??= $this->asked($this->otherRules, $situation);
    }

    /**
     * @param array<string, StateRule> $rules
     * @return list<string>
     */
    private function asked(array $rules, Situation $situation): array
    {
        $shown = [];
        foreach ($rules as $id => $rule) {
            foreach ($rule->hits($situation, $this->rig) as $hit) {
                $shown["{$id}|{$hit->key}"] = true;
            }
        }

        return array_keys($shown);
    }
}
