<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\Remedies;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Carried;
use Hollin\Core\Rules\Claims;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\RatedParts;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Ruler;
use Hollin\Core\Rules\StateRule;
use Hollin\Core\States\Failure;
use stdClass;

/**
 * There and back: a remedy that is carried out does what it says and brings nothing unsaid, what is said to be
 * prevented is tried with every single failure, a job that is written and read again answers the same.
 */
final class ThereAndBack
{
    /** @var list<Violation> */
    public array $broken = [];

    public int $remedies = 0;

    public int $failures = 0;

    /** @param string $step what was done to the rig before */
    public function remedies(Specimen $rig, Said $before): void
    {
        $offers = new Remedies($rig->document);
        $red = self::troubles($before->rig);
        foreach ($before->findings as $f) {
            $offered = $offers->of($rig->view, $f['id']) ?? [];
            if ($f['severity'] === 'danger' && $f['ways']['kind'] !== 'outside' && $offered === []) {
                $this->break($rig, 'none offered', $f, 'a danger without a remedy');
            }
            foreach ($offered as $remedy) {
                $this->remedies++;
                try {
                    [$document, $view] = self::carried($rig->document, $rig->view, $remedy['intent']);
                    $after = Said::of($document, $view);
                } catch (Refused $e) {
                    $this->break($rig, $remedy['label'], $f, 'cannot be carried out', $e->getMessage());
                    continue;
                }
                foreach (self::left($f, $remedy, $before, $after) as [$what, $detail]) {
                    $this->break($rig, $remedy['label'], $f, $what, $detail);
                }
                foreach (array_diff_key(self::troubles($after->rig), $red) as $row => $words) {
                    $this->break($rig, $remedy['label'], $f, 'leaves a row out of order', "{$row}: {$words}");
                }
            }
        }
    }

    /** @param array<string, mixed> $f */
    private function break(Specimen $rig, string $label, array $f, string $what, string $detail = ''): void
    {
        $detail = "{$f['severity']}, {$f['text']} {$detail}";
        $label = (string) preg_replace('/\d[\d.,]*/', '#', $label);
        $this->broken[] = new Violation('back', $rig->title(), $label, $f['rule'], $f['components'], $what, $detail);
    }

    /**
     * @param array<string, mixed> $intent as it is offered
     * @return array{stdClass, string} the job with it carried out, and the view to look at
     */
    public static function carried(stdClass $document, string $view, array $intent): array
    {
        $plan = $view === 'as_found' ? null : explode('/', $view)[0];
        if ($plan === null && $intent['kind'] !== 'set_need') {
            $add = ['kind' => 'add_plan', 'id' => 'trial', 'title' => 'Trial'];
            $document = Intents::apply($document, Specimen::copy((object) $add))->document;
            $intent += ['plan' => 'trial'];
        }
        if ($intent['kind'] === 'choose_arrangement') {
            $chosen = $document->plans->{$intent['plan']}->arrangement ?? throw Refused::because('', 'by hand');
            $intent += ['recipe' => $chosen->recipe];
            $intent['options'] = (object) ((array) $intent['options'] + get_object_vars($chosen->options));
        }
        $document = Intents::apply($document, Specimen::copy((object) $intent))->document;
        if ($plan === null && $intent['kind'] !== 'set_need') {
            $view = (string) array_column((new JobAnswers($document))->views, 'id', 'plan')['trial'];
        }

        return [$document, $view];
    }

    /**
     * @param array<string, mixed> $f
     * @param array<string, mixed> $remedy
     * @return \Generator<int, array{string, string}>
     */
    private static function left(array $f, array $remedy, Said $before, Said $after): \Generator
    {
        $old = array_column($before->findings, null, 'id');
        $new = array_column($after->findings, null, 'id');
        $left = $new[$f['id']] ?? null;
        if ($remedy['result'] === 'clears' && $left !== null) {
            yield ['said to clear, and stays', ''];
        }
        if (
            $remedy['result'] === 'lessens' &&
            ($left === null || Said::RANKS[$left['severity']] <= Said::RANKS[$f['severity']])
        ) {
            yield ['said to lessen, and does not', ''];
        }
        $said = array_column($remedy['brings'], 'title');
        foreach ($new as $id => $g) {
            $was = $old[$id] ?? null;
            $graver = $was === null || Said::RANKS[$g['severity']] < Said::RANKS[$was['severity']];
            $matters = $g['severity'] !== 'advice' && $g['ways']['kind'] !== 'outside';
            $detail = "{$g['rule']}: " . mb_substr($g['text'], 0, 120);
            if ($graver && $matters && Said::RANKS[$g['severity']] <= Said::RANKS[$f['severity']]) {
                yield [
                    in_array($g['title'], $said, true)
                        ? "brings {$g['severity']} {$g['rule']}, said"
                        : "brings {$g['severity']} {$g['rule']}, unsaid",
                    $detail,
                ];
            }
            if ($was === null || $graver || !$matters) {
                continue;
            }
            if ((Said::WAYS[$g['ways']['kind']] ?? 5) < (Said::WAYS[$was['ways']['kind']] ?? 5)) {
                yield ["brings {$g['rule']} nearer", "{$was['ways']['words']} becomes {$g['ways']['words']}"];
            }
            [$x, $y] = [$was['figures'][0] ?? null, $g['figures'][0] ?? null];
            if (
                $x !== null &&
                $y !== null &&
                $x['label'] === $y['label'] &&
                $x['limit'] &&
                $y['limit'] &&
                $x['value'] > $x['limit'] &&
                $y['value'] / $y['limit'] > (1.05 * $x['value']) / $x['limit']
            ) {
                yield [
                    "moves {$g['rule']} away from its limit",
                    sprintf('%.4g to %.4g %s', $x['value'], $y['value'], $x['unit']),
                ];
            }
        }
    }

    /** @return array<string, string> row of the rulers => what is out of order with it */
    private static function troubles(Examination $rig): array
    {
        $red = [];
        $carried = new Carried($rig);
        foreach (Ruler::of($rig, $carried) as $row) {
            foreach ($row['trouble'] as $trouble) {
                $red["{$row['component']} {$row['id']} {$trouble['kind']}"] = $trouble['words'];
            }
        }
        foreach (RatedParts::of($rig, $carried) as $part) {
            foreach ($part['trouble'] as $trouble) {
                $red[
                    "{$part['component']} {$part['id']} " . (str_contains($trouble, 'heat') ? 'heat' : 'rated')
                ] = $trouble;
            }
        }

        return $red;
    }

    /** Every hazard said to be prevented, tried with every single failure in every named state. */
    public function prevented(Specimen $rig, Said $said): void
    {
        $claimed = array_filter($said->judge->prevented, fn($p): bool => $p->proven && $p->undoneBy === []);
        if ($claimed === []) {
            return;
        }
        $engine = $said->rig->engine;
        foreach (RuleBook::rules() as $rule) {
            if (!($rule instanceof StateRule && $rule instanceof Claims)) {
                continue;
            }
            $prefixes = [];
            foreach ($rule->claims($said->rig) as $claim) {
                foreach ($claimed as $p) {
                    if ($p->rule === $rule::definition()->id && $p->title === $claim->title) {
                        $prefixes[] = $claim->keyPrefix;
                    }
                }
            }
            foreach ($prefixes === [] ? [] : Failure::ofNetwork($engine->network) as $failure) {
                foreach ($said->rig->named as $id => $state) {
                    $this->failures++;
                    $settled = $engine->settle($state->setting, $said->rig->settled[$id]->positions, $failure);
                    foreach ($rule->hits($settled->situation, $said->rig) as $hit) {
                        foreach ($prefixes as $prefix) {
                            if (str_starts_with($hit->key, $prefix)) {
                                $this->broken[] = new Violation(
                                    'back',
                                    $rig->title(),
                                    "one failure: {$failure->id}",
                                    $rule::definition()->id,
                                    $hit->components,
                                    'said to survive any single failure',
                                    "{$id}: {$hit->text}",
                                );
                                break 3;
                            }
                        }
                    }
                }
            }
        }
    }

    /** Written and read again, the same is said. */
    public function written(Specimen $rig, Said $said): void
    {
        $again = Said::of(JobFile::read(JobFile::write($rig->document)), $rig->view);
        if (json_encode($again->findings) !== json_encode($said->findings)) {
            $this->broken[] = new Violation(
                'back',
                $rig->title(),
                'written and read',
                'job file',
                [],
                'other findings',
            );
        }
    }
}
