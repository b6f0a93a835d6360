<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Source;

/** A charger's profile does not suit the chemistry of the bank it charges. */
final class ChargerProfile implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'charger_profile',
            Severity::Warning,
            'Charger does not suit the chemistry',
            'A lead profile leaves lithium part full and may equalise it; a lithium profile overcharges lead ' .
                'or never finishes it. When the chemistry changes, every charger is looked at again.',
            Source::recalled('battery makers\' sheets; the maker\'s sheet wins'),
            [
                Sample::found(
                    'a lead converter left on a lithium bank',
                    Sample::survey('converter', '/profile', 'lead'),
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'left']),
                ),
                Sample::silent(
                    'replaced by one for lithium',
                    Sample::survey('converter', '/profile', 'lead'),
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'replaced']),
                ),
                Sample::silent('as found'),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->converters as $converter) {
            $profile = $converter->profile;
            $id = $converter->component;
            foreach ($converter->charges() ? $rig->graph->batteries : [] as $bank) {
                $lithium = !$bank->chemistry->isLead();
                $wrong = ($profile === 'lead' && $lithium) || ($profile === 'lithium' && !$lithium);
                if ($wrong && self::charges($rig, $converter, $bank)) {
                    $hits[] = new Hit(
                        "{$id}|{$bank->component}",
                        sprintf(
                            '%s has a %s profile; %s is %s.',
                            $rig->graph->label($id),
                            $profile,
                            $rig->graph->label($bank->component),
                            $bank->chemistry->label(),
                        ),
                        [$id, $bank->component],
                        remedies: [
                            Remedy::set(
                                "Replace {$rig->graph->label($id)} by one for " . ($lithium ? 'lithium' : 'lead'),
                                'suited to the bank',
                                $id,
                                '/profile',
                                $lithium ? 'lithium' : 'lead',
                            ),
                        ],
                    );
                }
            }
        }

        return $hits;
    }

    private static function charges(Examination $rig, PowerConverter $converter, Battery $bank): bool
    {
        foreach ($rig->settled as $settled) {
            if ($settled->situation->paired($converter->output, [$bank->pos, $bank->neg])) {
                return true;
            }
        }

        return false;
    }
}
