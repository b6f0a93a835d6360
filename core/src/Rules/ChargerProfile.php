<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Reference\Chemistry;
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
            'A lead profile leaves lithium part full and may equalise it; a lithium profile overcharges lead or never finishes it. When the chemistry changes, every charger is looked at again.',
            Source::recalled('battery makers\' sheets; the maker\'s sheet wins'),
            [
                Sample::found('a lead converter left on a lithium bank', Sample::survey('converter', '/profile', 'lead'), Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'left'])),
                Sample::silent('replaced by one for lithium', Sample::survey('converter', '/profile', 'lead'), Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'replaced'])),
                Sample::silent('as found'),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->rig->all(Converter::class) as $id => $converter) {
            $profile = $converter->values->text('profile');
            foreach ($rig->rig->all(Bank::class) as $bank) {
                $lithium = $bank->chemistry() === Chemistry::Lfp;
                $wrong = ($profile === 'lead' && $lithium) || ($profile === 'lithium' && !$lithium);
                if ($wrong && self::charges($rig, $id, $bank)) {
                    $hits[] = new Hit(
                        "{$id}|{$bank->id}",
                        sprintf('%s has a %s profile; %s is %s.', $converter->label(), $profile, $bank->label(), $bank->chemistry()->label()),
                        [$id, $bank->id],
                        remedies: [Remedy::set("Replace {$converter->label()} by one for " . ($lithium ? 'lithium' : 'lead'), 'suited to the bank', $id, '/profile', $lithium ? 'lithium' : 'lead')],
                    );
                }
            }
        }

        return $hits;
    }

    private static function charges(Examination $rig, string $converter, Bank $bank): bool
    {
        foreach ($rig->settled as $settled) {
            if ($settled->situation->joined("{$converter}.pos", "{$bank->id}.pos")) {
                return true;
            }
        }

        return false;
    }
}
