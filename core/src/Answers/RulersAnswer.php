<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Intent\Intents;
use Hollin\Core\Parts\RunCost;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Carried;
use Hollin\Core\Rules\RatedParts;
use Hollin\Core\Rules\Ruler;
use Hollin\Core\Rules\Sharing;
use stdClass;

/** The rulers of a view, as it is or with a length or size that somebody tries. */
final class RulersAnswer
{
    /**
     * @param ?RunCost $cost by the workshop's catalogue
     * @return array{rows: list<array<string, mixed>>, parts: list<array<string, mixed>>,
     *      banks: list<array<string, mixed>>, options: list<array<string, mixed>>}
     * @throws Refused when there is no such view
     */
    public static function of(stdClass $document, string $view, ?RunCost $cost = null): array
    {
        $rig = (new JobAnswers($document))->seen($view);
        $carried = new Carried($rig);
        $cost ??= new RunCost([]);

        return [
            'rows' => array_map(
                fn(array $row): array => $row + [
                    'cost' => $cost->of(
                        $row['size'],
                        $row['lengthM'],
                        $row['parallel'],
                        $row['kind'] !== 'alternating',
                        $rig->graph->elements[$row['id']]->cable?->sheath === 'cord',
                    ),
                ],
                Ruler::of($rig, $carried),
            ),
            'parts' => RatedParts::of($rig, $carried),
            'banks' => Sharing::of($rig),
            'options' => (new Options($rig, $rig->needs->school, $cost->metre(...)))->all(),
        ];
    }

    /**
     * The same with a part's cable changed; nothing is stored.
     *
     * @param array<string, mixed> $try place in the part => value: cable/lengthM, cable/size
     * @return array{rows: list<array<string, mixed>>, parts: list<array<string, mixed>>,
     *      banks: list<array<string, mixed>>, options: list<array<string, mixed>>}
     * @throws Refused when the part, the place or the value is none
     */
    public static function trying(
        stdClass $document,
        string $view,
        string $component,
        array $try,
        ?RunCost $cost = null,
    ): array {
        $plan = $view === 'as_found' ? null : explode('/', $view)[0];
        foreach ($try as $path => $value) {
            $intent =
                (object) ([
                    'kind' => $plan === null ? 'survey_set' : 'plan_set',
                    'component' => $component,
                    'path' => "/{$path}",
                    'value' => (object) ['value' => $value, 'basis' => 'told'],
                ] + ($plan === null ? [] : ['plan' => $plan]));
            $document = Intents::apply($document, $intent)->document;
        }

        return self::of($document, $view, $cost);
    }
}
