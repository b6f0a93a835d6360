<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Rules\Rule;
use Hollin\Core\Rules\RuleBook;

/**
 * What every rule declares of every step: that its findings get worse by it or stay, may ease and why, end because
 * another rule takes over, or have nothing to do with it. A rule or a step that is new is declared here, or a test
 * fails.
 */
final class Declared
{
    /** No finding disappears, none falls in severity or in how easily it comes about, no figure improves. */
    public const WORSE = 'worse';

    /** Neither milder nor worse nor new. */
    public const SAME = 'no change';

    public const EASES = 'may ease';

    public const OVER = 'another takes over';

    /** Steps after which a rule must speak of the part, whatever the rig. */
    public const BRINGS = [
        'bond.screw' => 'bond_count',
        'bond.none' => 'bond_count',
        'neutral.floats' => 'bond_count',
        'guard.gfci' => 'lost_gfci',
        'guard.interlock' => 'joined_sources',
        'guard.precharge' => 'inrush',
        'more.unlike' => 'unlike_parallel',
    ];

    /** Of each rule: step names, or a whole group as `cable.*`. */
    private const TABLE = [
        'joined_sources' => [
            'worse' => 'guard.* neutral.* load.* limit.* charger.* source.* habit.*',
            'same' => 'cable.* fuse.* bond.* known.* battery.* joint.* more.* part.*',
        ],
        'short_circuit' => [
            'worse' =>
                'guard.* neutral.unknown neutral.half neutral.common bond.fixed bond.screw bond.panel ' .
                'bond.frame limit.* source.* habit.*',
            'eases' => [
                'bond.none neutral.floats' => 'one bond fewer on the way',
            ],
            'same' => 'cable.* fuse.* known.* load.* battery.* charger.* joint.* more.* part.*',
        ],
        'dc_short' => [
            'worse' =>
                'guard.* neutral.* bond.none bond.fixed bond.screw bond.panel known.* load.* ' .
                'battery.* limit.* charger.* joint.* source.* more.* habit.* part.*',
            'eases' => [
                'bond.frame' => 'the strap that joined them is gone',
            ],
            'same' => 'cable.* fuse.*',
        ],
        'live_pins' => [
            'worse' =>
                'guard.* neutral.unknown neutral.half neutral.floats load.* limit.* charger.* ' . 'source.* habit.*',
            'eases' => [
                'bond.screw' => 'a neutral that hung in the air is held to the frame',
                'neutral.common' => 'what came back through loads goes home by the neutral',
            ],
            'same' =>
                'cable.* fuse.* bond.none bond.fixed bond.panel bond.frame known.* battery.* joint.* more.* part.*',
        ],
        'bond_count' => [
            'worse' =>
                'guard.interlock guard.hold_down guard.latch guard.bypass guard.delay guard.gfci ' .
                'guard.precharge guard.instruction guard.stop neutral.unknown neutral.half ' .
                'neutral.common bond.fixed bond.panel bond.frame source.* habit.*',
            'eases' => [
                'bond.none' => 'two bonds become one',
                'bond.screw' => 'none becomes one',
                'guard.poles' => 'the neutral stays with the supply, which bonds it',
                'neutral.floats' => 'two bonds become one',
            ],
            'same' => 'cable.* fuse.* known.* load.* battery.* limit.* charger.* joint.* more.* part.*',
        ],
        'ground_continuity' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'split_return' => [
            'worse' =>
                'guard.* neutral.unknown neutral.half neutral.floats bond.* load.* limit.* charger.* ' .
                'source.* habit.*',
            'eases' => [
                'neutral.common' => 'the neutrals are joined',
            ],
            'same' => 'cable.* fuse.* known.* battery.* joint.* more.* part.*',
        ],
        'charging_loop' => [
            'worse' => 'guard.* neutral.* limit.* source.* habit.*',
            'same' => 'cable.* fuse.* bond.* known.* load.* battery.* charger.* joint.* more.* part.*',
        ],
        'lost_gfci' => [
            'worse' => 'guard.* neutral.* load.* battery.* limit.* charger.* source.* habit.*',
            'same' => 'cable.* fuse.* bond.* known.* joint.* more.* part.*',
        ],
        'gfci_by_source' => [
            'worse' =>
                'guard.interlock guard.hold_down guard.latch guard.bypass guard.delay guard.poles ' .
                'guard.precharge guard.instruction guard.stop neutral.* bond.* known.* load.* ' .
                'battery.* limit.* charger.* joint.* source.* more.* habit.* part.*',
            'eases' => [
                'guard.gfci' => 'none is left that one source could bypass',
            ],
            'same' => 'cable.* fuse.*',
        ],
        'gfci_trips' => [
            'worse' =>
                'fuse.* guard.interlock guard.hold_down guard.latch guard.bypass guard.delay ' .
                'guard.poles guard.precharge guard.instruction guard.stop neutral.* bond.* known.* ' .
                'load.* battery.* limit.* charger.* joint.* source.* more.* habit.* part.*',
            'eases' => [
                'guard.gfci' => 'none is left to trip',
            ],
            'same' => 'cable.*',
        ],
        'fed_by_itself' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'fed_twice' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'frame_energised' => [
            'worse' => 'cable.* joint.* habit.*',
            'eases' => [
                'bond.fixed bond.screw' => 'a bond holds the frame near the neutral',
                'bond.panel' => 'the fault no longer reaches the frame',
            ],
            'same' =>
                'fuse.* guard.* neutral.* bond.none bond.frame known.* load.* battery.* limit.* ' .
                'charger.* source.* more.* part.*',
        ],
        'pedestal_volts' => [
            'worse' => 'habit.*',
            'same' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* part.*',
        ],
        'fault_clearing' => [
            'worse' =>
                'fuse.* guard.* neutral.unknown neutral.half neutral.common bond.fixed bond.screw ' .
                'bond.panel bond.frame source.* habit.*',
            'over' => [
                'bond.none neutral.floats' => [
                    'bond_count ground_continuity',
                    'without a bond a fault draws nothing: the missing bond is told',
                ],
            ],
            'same' => 'cable.* known.* load.* battery.* limit.* charger.* joint.* more.* part.*',
        ],
        'conductor_protection' => [
            'worse' =>
                'cable.* fuse.* guard.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'neutral.*',
        ],
        'interrupting_capacity' => [
            'worse' =>
                'joint.worse known.resistance fuse.larger fuse.weaker fuse.breaker neutral.* source.* more.* habit.*',
            'eases' => [
                'cable.thinner cable.longer' => 'more ohms, less short-circuit current',
                'battery.smaller battery.weaker' => 'a smaller bank, or one of more ohms, gives less',
                'fuse.gone' => 'it is gone, and its ohms for the others',
            ],
            'same' =>
                'cable.fewer cable.cheaper cable.hotter cable.bundled guard.* bond.* known.management ' .
                'known.rating known.alternator load.* battery.management battery.colder battery.end ' .
                'battery.together limit.* charger.* part.*',
        ],
        'dc_polarity' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'unlike_parallel' => [
            'worse' => 'guard.* neutral.* bond.* known.* load.* limit.* charger.* source.* more.* habit.* part.*',
            'same' => 'cable.* fuse.* battery.* joint.*',
        ],
        'path_rating' => [
            'worse' =>
                'cable.thinner cable.longer battery.weaker neutral.* known.* battery.management ' .
                'battery.colder battery.end battery.together limit.* charger.* source.* habit.* ' .
                'part.*',
            'eases' => [
                'battery.smaller' => 'other shares between the batteries',
                'joint.worse' => 'other shares between the batteries',
                'fuse.larger' => 'the device itself is larger',
                'fuse.gone' => 'the device is gone, and its ohms',
                'more.battery more.unlike' => 'other shares between the batteries',
            ],
            'same' =>
                'cable.fewer cable.cheaper cable.hotter cable.bundled fuse.weaker fuse.breaker ' .
                'guard.* bond.* load.* more.charger more.source',
        ],
        'unequal_sharing' => [
            'worse' =>
                'cable.thinner battery.weaker guard.* neutral.* load.* battery.management ' .
                'battery.colder battery.end battery.together limit.* charger.* source.* more.* ' .
                'habit.* part.*',
            'eases' => [
                'battery.smaller known.resistance' => 'other shares between the batteries',
                'joint.worse cable.longer' => 'ohms may even out what was uneven',
                'fuse.gone' => 'ohms may even out what was uneven',
            ],
            'same' =>
                'cable.fewer cable.cheaper cable.hotter cable.bundled fuse.larger fuse.weaker ' .
                'fuse.breaker bond.* known.management known.rating known.alternator',
        ],
        'voltage_drop' => [
            'worse' =>
                'cable.* guard.* neutral.* known.* load.* battery.* limit.* charger.* source.* ' .
                'more.charger more.source habit.* part.*',
            'eases' => [
                'more.battery more.unlike' => 'two batteries sag less',
            ],
            'same' => 'fuse.* bond.* joint.*',
        ],
        'frame_bond' => [
            'worse' =>
                'cable.* guard.* neutral.* bond.none bond.fixed bond.screw bond.panel known.* load.* ' .
                'battery.* limit.* charger.* joint.* source.* habit.*',
            'eases' => [
                'bond.frame' => 'the strap that is too thin is gone',
            ],
            'same' => 'fuse.* more.* part.*',
        ],
        'shunt_bypassed' => [
            'worse' =>
                'guard.* neutral.* bond.none bond.fixed bond.screw bond.panel known.* load.* ' .
                'battery.* limit.* charger.* joint.* source.* more.* habit.* part.*',
            'eases' => [
                'bond.frame' => 'the way around is gone',
            ],
            'same' => 'cable.* fuse.*',
        ],
        'dc_return' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'lead_pole' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'negative_switched' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'pass_through' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'overload' => [
            'worse' =>
                'cable.* guard.* known.* load.* battery.* limit.* charger.* joint.* source.* ' .
                'more.unlike more.charger more.source habit.* part.*',
            'eases' => [
                'fuse.larger fuse.breaker' => 'the device itself is larger',
                'more.battery' => 'other shares between the batteries',
            ],
            'same' => 'fuse.weaker fuse.gone neutral.* bond.*',
        ],
        'charging_lost' => [
            'worse' => 'limit.* more.battery more.unlike habit.*',
            'eases' => [
                'more.charger more.source' => 'it charges',
            ],
            'same' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* charger.* joint.* source.* part.*',
        ],
        'lost_direct' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'dark_on_shore' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'supply_refused' => [
            'worse' =>
                'guard.* neutral.* bond.none bond.fixed bond.panel bond.frame known.* load.* ' .
                'battery.* limit.* charger.* joint.* source.* more.* habit.* part.*',
            'eases' => [
                'bond.screw' => 'what floated is bonded and let in',
            ],
            'same' => 'cable.* fuse.*',
        ],
        'life_safety' => [
            'worse' => 'more.source more.charger neutral.* load.* limit.* charger.* source.* habit.*',
            'eases' => [
                'more.battery more.unlike' => 'another source keeps it up',
            ],
            'same' => 'cable.* fuse.* guard.* bond.* known.* battery.* joint.* part.*',
        ],
        'starts_by_itself' => [
            'worse' => 'guard.* neutral.* bond.* load.* source.* habit.*',
            'same' => 'cable.* fuse.* known.* battery.* limit.* charger.* joint.* more.* part.*',
        ],
        'motor_start' => [
            'worse' =>
                'fuse.larger fuse.breaker fuse.weaker fuse.gone guard.* neutral.* bond.* known.* ' .
                'load.* battery.* limit.* charger.* joint.* source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'motor_transfer' => [
            'worse' => 'neutral.* load.* limit.* charger.* source.* habit.*',
            'same' => 'cable.* fuse.* guard.* bond.* known.* battery.* joint.* more.* part.*',
        ],
        'reversed_polarity' => [
            'worse' => 'guard.* habit.*',
            'same' =>
                'cable.* fuse.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* part.*',
        ],
        'charger_profile' => [
            'worse' => 'guard.* neutral.* bond.* known.* load.* limit.* charger.* source.* more.* habit.* part.*',
            'same' => 'cable.* fuse.* battery.* joint.*',
        ],
        'hold_down' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'lost_circuit' => [
            'worse' =>
                'guard.* neutral.unknown neutral.half neutral.floats known.* load.* battery.* limit.* ' .
                'charger.* joint.* source.* more.* habit.*',
            'eases' => [
                'neutral.common' => 'the neutrals are joined: it has a way home',
            ],
            'same' => 'cable.* fuse.* bond.* part.*',
        ],
        'box_fill' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'charge_held_back' => [
            'worse' =>
                'guard.* neutral.* known.* load.* battery.* limit.lifted limit.rejects charger.* ' .
                'joint.* source.* more.* habit.* part.*',
            'eases' => [
                'limit.higher' => 'the limit holds back less',
            ],
            'same' => 'cable.* fuse.* bond.*',
        ],
        'assist_drains' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.lifted limit.rejects ' .
                'charger.* joint.* source.* more.* habit.* part.*',
            'eases' => [
                'limit.higher' => 'the unit helps later',
            ],
            'same' => 'cable.*',
        ],
        'lock_out' => [
            'worse' => 'neutral.* load.* limit.* charger.* source.* habit.*',
            'same' => 'cable.* fuse.* guard.* bond.* known.* battery.* joint.* more.* part.*',
        ],
        'cold_open_volts' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'alternator_unlimited' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'load_dump' => [
            'worse' =>
                'guard.* neutral.* bond.* known.* load.* limit.* charger.* source.* more.charger ' .
                'more.source habit.switch part.*',
            'eases' => [
                'habit.selector' => 'the other battery stays on',
                'more.battery more.unlike' => 'another battery stays on',
            ],
            'same' => 'cable.* fuse.* battery.* joint.*',
        ],
        'turned_through_both' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'converter_starves' => [
            'worse' =>
                'charger.larger cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* ' .
                'limit.* joint.* source.* more.* habit.* part.*',
        ],
        'lowered_alternator' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'separator_chatters' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.weaker ' .
                'battery.management battery.colder battery.end battery.together limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
            'eases' => [
                'battery.smaller' => 'a smaller battery takes less when it closes',
            ],
        ],
        'cut_off_comes_back' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'tow_pins_live' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'charged_cold' => [
            'worse' =>
                'guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* source.* ' .
                'more.* habit.* part.*',
            'same' => 'cable.* fuse.*',
        ],
        'charge_limit' => [
            'worse' =>
                'cable.thinner battery.weaker fuse.* guard.* neutral.* bond.* known.* load.* ' .
                'battery.management battery.colder battery.end battery.together limit.* charger.* ' .
                'source.colder source.volts source.series more.charger more.source habit.* part.*',
            'eases' => [
                'battery.smaller' => 'other shares between the batteries',
                'joint.worse' => 'other shares between the batteries',
                'cable.longer' => 'other shares between the batteries',
                'more.battery more.unlike' => 'another battery takes a part',
                'source.smaller' => 'it gives less',
            ],
            'same' => 'cable.fewer cable.cheaper cable.hotter cable.bundled',
        ],
        'array_first' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'array_breaker' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'wrong_return' => [
            'worse' =>
                'cable.thinner cable.longer fuse.* guard.* neutral.* bond.none bond.fixed bond.screw ' .
                'bond.panel known.* load.* battery.* limit.* charger.* source.* more.* habit.* part.*',
            'eases' => [
                'bond.frame' => 'the way by the frame is gone',
                'joint.worse' => 'volts share by ohms',
            ],
            'same' => 'cable.fewer cable.cheaper cable.hotter cable.bundled',
        ],
        'inrush' => [
            'worse' => 'guard.* source.* habit.*',
            'same' =>
                'cable.* fuse.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* more.* part.*',
        ],
        'joint_heat' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'behind_anothers_switch' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'both_ends_male' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* ' .
                'joint.* source.* more.* habit.* part.*',
        ],
        'panel_unregulated' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'controller_clips' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* joint.* source.* ' .
                'more.* habit.* part.*',
            'eases' => [
                'charger.larger' => 'a larger controller clips less',
            ],
            'same' => 'cable.*',
        ],
        'array_labels' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
        'restless' => [
            'worse' =>
                'neutral.unknown neutral.half neutral.common bond.* load.* limit.* charger.* source.* more.* habit.*',
            'eases' => [
                'neutral.floats' => 'a surge unit refuses what is bonded otherwise',
            ],
            'same' => 'cable.* fuse.* guard.* known.* battery.* joint.* part.*',
        ],
        'not_checked' => [
            'worse' =>
                'cable.* fuse.* guard.* neutral.* bond.* known.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'load.*',
        ],
        'does_not_apply' => [
            'worse' =>
                'fuse.* guard.* neutral.* bond.* known.* load.* battery.* limit.* charger.* joint.* ' .
                'source.* more.* habit.* part.*',
            'same' => 'cable.*',
        ],
    ];

    /** @var array<string, array<string, Declaration>> rule => step => what it declares */
    private array $of = [];

    public function __construct()
    {
        foreach (self::TABLE as $rule => $row) {
            foreach (['worse' => self::WORSE, 'same' => self::SAME] as $key => $kind) {
                $this->put($rule, $row[$key] ?? '', new Declaration($kind));
            }
            foreach ($row['eases'] ?? [] as $steps => $why) {
                $this->put($rule, $steps, new Declaration(self::EASES, $why));
            }
            foreach ($row['over'] ?? [] as $steps => [$heirs, $why]) {
                $this->put($rule, $steps, new Declaration(self::OVER, $why, explode(' ', $heirs)));
            }
        }
    }

    private function put(string $rule, string $steps, Declaration $declaration): void
    {
        foreach (preg_split('/ /', $steps, flags: PREG_SPLIT_NO_EMPTY) ?: [] as $pattern) {
            foreach (Steps::NAMES as $name) {
                if (fnmatch($pattern, $name)) {
                    if (isset($this->of[$rule][$name])) {
                        throw new \LogicException("{$rule} declares {$name} twice.");
                    }
                    $this->of[$rule][$name] = $declaration;
                }
            }
        }
    }

    /** @return list<string> */
    public function rules(): array
    {
        static $ids;

        return $ids ??= array_map(fn(Rule $rule): string => $rule::definition()->id, RuleBook::rules());
    }

    /** @return list<string> rule and step of which nothing is declared, and rules declared that are none */
    public function missing(): array
    {
        $missing = array_keys(array_diff_key($this->of, array_flip($this->rules())));
        foreach ($this->rules() as $rule) {
            foreach (Steps::NAMES as $name) {
                if (!isset($this->of[$rule][$name])) {
                    $missing[] = "{$rule}: {$name}";
                }
            }
        }

        return $missing;
    }

    /** @return list<array{string, string}> rule and step for everything that may ease */
    public function eases(): array
    {
        $eases = [];
        foreach ($this->of as $rule => $steps) {
            foreach ($steps as $step => $declaration) {
                if ($declaration->kind === self::EASES) {
                    $eases[] = [$rule, $step];
                }
            }
        }

        return $eases;
    }

    public function of(string $rule, string $step): Declaration
    {
        return $this->of[$rule][$step] ?? throw new \LogicException("{$rule} declares nothing of {$step}.");
    }
}
