<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

/** What must run: a place in the needs. */
final class SetNeed implements Handler
{
    public static function kind(): string
    {
        return 'set_need';
    }

    public static function needs(): array
    {
        return ['path', 'value'];
    }

    public static function right(): Right
    {
        return Right::Survey;
    }

    public function handle(Editing $on): Edit
    {
        $on->put($on->document->needs, 'needs');
        $spoken = [
            'ampacity' => 'ampacity school',
            'scenarios' => 'running together',
            'offGrid' => 'off grid',
            'running' => '',
            'loads' => 'loads of the day',
            'trip' => 'the stay',
            'measured' => 'what was measured',
            'used' => '',
            'unit' => 'what is wished of a unit',
            'chosen' => 'what is bought',
            'spans' => 'hours',
            'weatherOn' => 'weather',
        ];
        $words = array_map(
            fn(string $step): string => $spoken[$step] ??
                ($on->document->asFound->components->{explode('.', $step)[0]}->label ??
                    ($on->document->needs->scenarios->{$step}->title ??
                        ($on->document->needs->loads->{$step}->label ??
                            (preg_match('/^[hd]\d+$/', $step) === 1 ? '' : $step)))),
            explode('/', trim($on->path(), '/')),
        );

        return $on->done('changed what must run: ' . implode(', ', array_filter($words)));
    }
}
