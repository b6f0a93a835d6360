<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** Which step must come before which in one stage, and why: the habits of the trade, each with its reason. */
final readonly class Order
{
    /** Before, after, what they must share (all, part or cable), why. */
    private const RULES = [
        [Kind::Baseline, Kind::Tag, 'all', 'readings first: afterwards nobody can tell what was broken before'],
        [Kind::Baseline, Kind::Isolate, 'all', 'readings need the rig alive, as it was found'],
        [Kind::Materials, Kind::Tag, 'all', 'a rig is not taken apart for parts that have not come'],
        [Kind::Materials, Kind::Isolate, 'all', 'a rig is not taken apart for parts that have not come'],
        [Kind::Tag, Kind::Isolate, 'all', 'plus and minus are measured while there are volts to measure'],
        [Kind::Isolate, Kind::ProveDead, 'all', 'what is opened is then proven'],
        [Kind::NegativeOff, Kind::TakeOut, 'all', 'negative off first'],
        [Kind::TakeOut, Kind::Mount, 'place', 'what was there goes first'],
        [Kind::TakeOut, Kind::DryFit, 'zone', 'what stands there goes first'],
        [Kind::DryFit, Kind::Hole, 'part', 'a hole that is drilled stays drilled'],
        [Kind::DryFit, Kind::Mount, 'part', 'a dry fit shows what does not fit'],
        [Kind::BenchProve, Kind::Mount, 'part', 'proven on the bench, where there is room'],
        [Kind::Hole, Kind::Mount, 'part', 'the hole before what covers it'],
        [Kind::Hole, Kind::Run, 'cable', 'a cable goes through a hole that is there'],
        [Kind::Crimp, Kind::Run, 'cable', 'made up on the bench'],
        [Kind::Crimp, Kind::Land, 'cable', 'made up on the bench'],
        [Kind::Run, Kind::Land, 'cable', 'a cable is run before it is landed'],
        [Kind::ChargeAlone, Kind::Match, 'part', 'each alone to full'],
        [Kind::Land, Kind::Retighten, 'all', 'once more when all are on'],
        [Kind::Move, Kind::Retighten, 'all', 'once more when all are on'],
        [Kind::Ohms, Kind::Close, 'all', 'bars are measured with the cover off'],
        [Kind::Ohms, Kind::Match, 'all', 'ohms before volts'],
        [Kind::Ohms, Kind::Settings, 'all', 'ohms before volts'],
        [Kind::Run, Kind::Seal, 'all', 'holes are sealed after the last cable'],
        [Kind::Mount, Kind::Seal, 'all', 'sealed after what goes through it hangs'],
        [Kind::Seal, Kind::Cure, 'all', 'it cures once it is on'],
        [Kind::Ohms, Kind::NegativeOn, 'all', 'ohms before volts'],
        [Kind::Ohms, Kind::Energise, 'all', 'ohms before volts'],
        [Kind::Match, Kind::NegativeOn, 'all', 'alike before they are joined'],
        [Kind::Mount, Kind::Match, 'part', 'measured where they stand'],
        [Kind::NegativeOn, Kind::MainFuse, 'all', 'main fuse last'],
        [Kind::Close, Kind::MainFuse, 'all', 'covers on before there are volts'],
        [Kind::Close, Kind::Energise, 'all', 'covers on before there are volts'],
        [Kind::MainFuse, Kind::Settings, 'all', 'settings after the battery: a unit without it forgets them'],
        [Kind::MainFuse, Kind::Sun, 'all', 'battery before array'],
        [Kind::MainFuse, Kind::Energise, 'all', 'chargers find their battery first'],
        [Kind::Settings, Kind::Sun, 'all', 'told what it charges before it charges'],
        [Kind::Settings, Kind::Energise, 'all', 'told what it charges before it charges'],
        [Kind::MainFuse, Kind::ProveRun, 'all', 'under its load'],
        [Kind::Energise, Kind::ProveRun, 'all', 'under its load'],
        [Kind::ProveRun, Kind::Photo, 'all', 'photographed as it was proven'],
        [Kind::Photo, Kind::Lining, 'all', 'photographed before it is covered'],
        [Kind::Energise, Kind::ProveStates, 'all', 'proven with everything on'],
        [Kind::Settings, Kind::ProveStates, 'all', 'charging is unproven until its settings are in'],
        [Kind::Sun, Kind::ProveStates, 'all', 'proven with everything on'],
        [Kind::MainFuse, Kind::ProveStates, 'all', 'proven with everything on'],
        [Kind::Ohms, Kind::ProveStates, 'all', 'ohms before volts'],
        [Kind::Lining, Kind::Furniture, 'all', 'the lining behind it is closed'],
        [Kind::Close, Kind::Labels, 'all', 'labels go on what is closed'],
        [Kind::Ohms, Kind::Labels, 'all', 'labels go on what is finished'],
        [Kind::Ohms, Kind::Furniture, 'all', 'measured before the furniture is back'],
        [Kind::MainFuse, Kind::Labels, 'all', 'nobody leans over the bars any more'],
        [Kind::Labels, Kind::ProveStates, 'all', 'proven by the names that stand on it'],
        [Kind::Furniture, Kind::ProveStates, 'all', 'proven as it will be used, furniture in'],
        [Kind::MainFuse, Kind::Furniture, 'all', 'the battery is reached before the furniture is back'],
        [Kind::Settings, Kind::Furniture, 'all', 'units are reached before the furniture is back'],
        [Kind::Close, Kind::Furniture, 'all', 'covers are reached before the furniture is back'],
        [Kind::Cure, Kind::FirstDrive, 'all', 'no road before the sealant is firm'],
        [Kind::ProveStates, Kind::FirstDrive, 'all', 'nothing drives unproven'],
        [Kind::Furniture, Kind::CleanUp, 'all', 'last of all'],
        [Kind::ProveStates, Kind::CleanUp, 'all', 'last of all'],
        [Kind::Labels, Kind::CleanUp, 'all', 'last of all'],
        [Kind::CleanUp, Kind::FirstDrive, 'all', 'on the road only with everything counted'],
    ];

    public function __construct(private Site $site) {}

    /**
     * @param list<Step> $steps of the stage
     * @return list<Link>
     */
    public function links(array $steps): array
    {
        $of = [];
        foreach ($steps as $step) {
            $of[$step->kind->value][] = $step;
        }
        $links = [];
        $add = function (Step $a, Step $b, string $why) use (&$links): void {
            $links["{$a->id} {$b->id}"] ??= new Link($a->id, $b->id, $why);
        };
        foreach (self::RULES as [$before, $after, $share, $why]) {
            foreach ($of[$before->value] ?? [] as $a) {
                foreach ($of[$after->value] ?? [] as $b) {
                    if ($this->share($a, $b, $share)) {
                        $add($a, $b, $why);
                    }
                }
            }
        }
        foreach ($steps as $step) {
            foreach ($step->kind->isOnWiring() ? $of[Kind::ProveDead->value] ?? [] : [] as $gate) {
                $add($gate, $step, 'hands only on what is proven dead');
            }
            foreach ($step->kind->isOnWiring() ? $of[Kind::Ohms->value] ?? [] : [] as $gate) {
                $add($step, $gate, 'measured when all hands are off the wiring');
            }
        }
        // In a tight place the cables are on before it hangs, elsewhere it hangs before its cables are landed.
        foreach ($of[Kind::Land->value] ?? [] as $land) {
            $tight = $this->isBefore($land);
            foreach ($of[Kind::Mount->value] ?? [] as $mount) {
                if (array_intersect($mount->components, $land->components) !== []) {
                    $tight
                        ? $add($land, $mount, 'nobody reaches its terminals once it hangs')
                        : $add($mount, $land, 'it hangs before its cables are landed');
                }
            }
            foreach ($tight ? $of[Kind::Run->value] ?? [] : [] as $run) {
                if (array_intersect($run->cables, $land->cables) !== []) {
                    unset($links["{$run->id} {$land->id}"]);
                    $add($land, $run, 'its end is on before the rest is led away');
                }
            }
        }

        return array_values($links);
    }

    /** Whether cables are put on a part before it hangs. */
    private function isBefore(Step $land): bool
    {
        return $this->site->isTight($land->components[0]) &&
            isset($this->site->difference->fitted[$land->components[0]]);
    }

    private function share(Step $a, Step $b, string $share): bool
    {
        return match ($share) {
            'part' => array_intersect($a->components, $b->components) !== [],
            'cable' => array_intersect($a->cables, $b->cables) !== [],
            'place' => $a->where === $b->where || $b->where === '' || $a->where === '',
            'zone' => $a->where === $b->where && $a->where !== '',
            default => true,
        };
    }
}
