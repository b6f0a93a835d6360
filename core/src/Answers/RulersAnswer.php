<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Intent\Intents;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Ruler;
use stdClass;

/** The rulers of a view, as it is or with a length or size that somebody tries. */
final class RulersAnswer
{
    /**
     * @return list<array<string, mixed>>
     * @throws Refused when there is no such view
     */
    public static function of(stdClass $document, string $view): array
    {
        return Ruler::of((new JobAnswers($document))->seen($view));
    }

    /**
     * The same with a part's cable changed; nothing is stored.
     *
     * @param array<string, mixed> $try place in the part => value: cable/lengthM, cable/size
     * @return list<array<string, mixed>>
     * @throws Refused when the part, the place or the value is none
     */
    public static function trying(stdClass $document, string $view, string $component, array $try): array
    {
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

        return self::of($document, $view);
    }
}
