import type { ComponentType } from 'react';
import { Converter } from './Converter';
import type { Facts } from './facts';
import { Generator } from './Generator';
import { Inlet } from './Inlet';
import { Inverter } from './Inverter';
import { InverterCharger } from './InverterCharger';
import { Part } from './Part';
import { Supply } from './Supply';
import { Switching } from './Switching';

/** The face of each kind of part that has one of its own. */
const FACES: Record<string, ComponentType<Facts>> = {
  shore_supply: Supply,
  inlet: Inlet,
  generator: Generator,
  converter: Converter,
  inverter: Inverter,
  inverter_charger: InverterCharger,
};

/** What the plate of a part tells in a state. */
export function Face(facts: Facts) {
  // In no state a part has nothing to tell but what is always true of it.
  if (facts.answer.paint[facts.state] === undefined) return <Part {...facts} />;
  const One = FACES[facts.plate.type] ?? (facts.plate.shape === 'gate' ? Switching : Part);
  return <One {...facts} />;
}
