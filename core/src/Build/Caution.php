<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** A danger at the step where it is, short, with its reason. Common practice, no source. */
enum Caution: string
{
    case Monoxide = 'monoxide';
    case Posts = 'posts';
    case Cutting = 'cutting';
    case Probing = 'probing';
    case Water = 'water';
    case Joins = 'joins';
    case StartsItself = 'starts_itself';
    case People = 'people';
    case SwapLead = 'swap_lead';
    case Searching = 'searching';
    case Daylight = 'daylight';
    case Heavy = 'heavy';
    case Acid = 'acid';
    case Spark = 'spark';
    case Charged = 'charged';
    case Roof = 'roof';
    case Gas = 'gas';
    case Colours = 'colours';
    case Night = 'night';

    public function title(): string
    {
        return match ($this) {
            self::Monoxide => 'A generator kills by its exhaust',
            self::Posts => 'Bare posts',
            self::Cutting => 'Look before the drill',
            self::Probing => 'Live, with the cover off',
            self::Water => 'Water above it',
            self::Joins => 'This hole joins two rooms',
            self::StartsItself => 'Things move by themselves',
            self::People => 'Who else is here',
            self::SwapLead => 'The lead that swaps polarity',
            self::Searching => 'Zero on the meter is not off',
            self::Daylight => 'Panels in daylight are live',
            self::Heavy => 'Two people',
            self::Acid => 'Acid and gas',
            self::Spark => 'The first contact sparks',
            self::Charged => 'It holds its charge',
            self::Roof => 'On the roof',
            self::Gas => 'Gas near by',
            self::Colours => 'A black wire proves nothing',
            self::Night => 'Dead yesterday is not dead today',
        };
    }

    public function why(): string
    {
        return match ($this) {
            self::Monoxide
                => 'Outside only, away from openings, with the detector working: carbon monoxide has no smell.',
            self::Posts => 'Cover every post and bar you are not working on: a spanner that falls across them welds ' .
                'itself fast, and no fuse stands before it.',
            self::Cutting => 'Both faces, with gas lines, cables and tanks found first; a pilot hole, and a stop on ' .
                'the bit.',
            self::Probing
                => 'Shrouded probes, one hand, nothing loose on the wrists, a barrier over what is not measured.',
            self::Water => 'A leak above electronics finds them: a shield or another place before power.',
            self::Joins
                => 'Battery gas, exhaust and propane follow a hole into the living space: seal it around the cable.',
            self::StartsItself
                => 'Beds and slides with motors, drain valves, fridge, water heater, tank pads: hands and ' .
                'people clear, water in the heater, breakers closed one by one.',
            self::People => 'Helpers know what is live; children and animals are out; holes in the floor are covered.',
            self::SwapLead
                => 'Take out the lead that was made for one reversed pedestal: at the next site it makes the ' .
                'hot the neutral.',
            self::Searching
                => 'A unit in search mode reads near nothing and goes fully live under a load. Only an open, ' .
                'locked switch counts.',
            self::Daylight => 'Cover them or open their breaker, and measure: a switch at the controller leaves the ' .
                'leads live.',
            self::Heavy
                => 'It is heavier than one person lifts in a tight place; feet and fingers first, then the holes.',
            self::Acid => 'Goggles, water at hand, no flame: lead gases while it charges.',
            self::Spark
                => 'Empty capacitors draw thousands of amps for a moment: fill them through the resistor first.',
            self::Charged
                => 'After the last source is off, wait as long as its maker says and measure before you touch.',
            self::Roof => 'A dry roof, a second person, a ladder that is tied; walk on what carries.',
            self::Gas
                => 'Bottle closed and the room aired; nothing that sparks. A line that was touched is tested by ' .
                'somebody qualified before the rig leaves.',
            self::Colours
                => 'Black is plus in many trailers and minus elsewhere: measure each one before it is landed.',
            self::Night
                => 'Somebody may have closed what you opened: prove it dead again before the first touch of the day.',
        };
    }

    /** @return array{id: string, title: string, why: string} */
    public function toArray(): array
    {
        return ['id' => $this->value, 'title' => $this->title(), 'why' => $this->why()];
    }
}
