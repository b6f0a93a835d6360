<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** What a figure of a finding measures. */
enum Quantity: string
{
    /** A through an element, out of a source, into a battery */
    case Current = 'current';

    /** V across a part or between two terminals */
    case Volts = 'volts';

    /** W a part takes or gives */
    case Power = 'power';

    /** W that become heat in a part */
    case Heat = 'heat';

    /** V at which nothing is taken */
    case OpenVolts = 'open-circuit volts';

    /** V lost on a way */
    case Drop = 'drop';

    /** A into a short */
    case Short = 'short-circuit current';

    /** A that can arrive before a device opens */
    case Arriving = 'arriving current';

    /** A for the first moments */
    case Starting = 'starting current';

    /** A by a label or a rating */
    case Rated = 'rated current';

    /** Ah a day */
    case Charge = 'charge a day';

    case Time = 'time';
    case Share = 'share';
    case Number = 'number';
    case Length = 'length';
    case Section = 'section';
    case Volume = 'volume';

    /** Whether the operating point of a state has it, so that the figure can be held against it. */
    public function isSolved(): bool
    {
        return in_array($this, [self::Current, self::Volts, self::Power], true);
    }
}
