import { createContext, useContext, useEffect, useMemo, useState } from 'react';
import sizes from '../ui/sizes.json';

export type System = 'trade' | 'metric';

export interface Units {
  system: System;
  setSystem: (system: System) => void;
  length: (m: number) => string;
  /** a designation as it is printed on the jacket, never converted; beside it the area in mm² for whoever reads that */
  size: (designation: string) => string;
  weight: (kg: number) => string;
  temperature: (c: number) => string;
  /** a sentence of the core, which speaks in metric: its lengths, weights and temperatures in the units chosen */
  said: (sentence: string) => string;
}

const M_PER_FT = 0.3048;
const KG_PER_LB = 0.45359237;

interface Size {
  spoken: string;
  areaMm2: number;
  /** a size that is printed in mm² anyway */
  printedInMm2: boolean;
  /** the size it is misread for */
  twin: string | null;
}

/** Conductor sizes as the core knows them, by designation. */
const SIZES: Record<string, Size> = sizes;

/** The size that is misread for this one: 3 for 3/0 and back. Null where there is none. */
export function twinOf(designation: string): string | null {
  return SIZES[designation]?.twin ?? null;
}

/** A figure with its unit that is not part of another: "30 cm", but not "30 cm²" or "40 m³/h". */
const FIGURE = /(?<![\w.])([+−-]?)(\d+(?:\.\d+)?) (kg|m³\/h|cm²|cm|m|°C|K)(?![\w²³/])/g;

function inTradeUnits(sentence: string): string {
  return sentence.replace(FIGURE, (whole, sign: string, digits: string, unit: string) => {
    const n = Number(digits) * (sign === '-' || sign === '−' ? -1 : 1);
    const spoken = (value: number, places = 0) => `${sign === '+' && value >= 0 ? '+' : ''}${value.toFixed(places)}`;
    switch (unit) {
      case 'kg':
        return `${spoken(n / KG_PER_LB)} lb`;
      case 'cm':
        return `${spoken(n / 2.54)} in`;
      case 'cm²':
        return `${spoken(n / 6.4516)} in²`;
      case 'm':
        return `${spoken(n / M_PER_FT, Math.abs(n) < 3 ? 1 : 0)} ft`;
      case 'm³/h':
        return `${spoken(n / 1.699)} ft³/min`;
      case 'K':
        return `${spoken(n * 1.8)} °F`;
      case '°C':
        return `${spoken(n * 1.8 + 32)} °F`;
      default:
        return whole;
    }
  });
}

export function makeUnits(system: System, setSystem: (system: System) => void = () => undefined): Units {
  const metric = system === 'metric';
  return {
    system,
    setSystem,
    length: (m) => (metric ? `${m.toFixed(1)} m` : `${(m / M_PER_FT).toFixed(m < 1 ? 1 : 0)} ft`),
    size: (designation) => {
      const size = SIZES[designation];
      if (!size) return designation;
      const area = size.areaMm2.toFixed(size.areaMm2 < 10 ? 1 : 0);
      return metric && !size.printedInMm2 ? `${size.spoken} (${area} mm²)` : size.spoken;
    },
    weight: (kg) => (metric ? `${kg.toFixed(kg < 10 ? 1 : 0)} kg` : `${(kg / KG_PER_LB).toFixed(0)} lb`),
    said: (sentence) => (metric ? sentence : inTradeUnits(sentence)),
    temperature: (c) => (metric ? `${c.toFixed(0)} °C` : `${((c * 9) / 5 + 32).toFixed(0)} °F`),
  };
}

export const UnitsContext = createContext<Units>(makeUnits('trade'));
export const useUnits = () => useContext(UnitsContext);

/** The units as chosen before. One switch for all of them. */
export function useUnitsPref(): Units {
  const [system, setSystem] = useState<System>(() =>
    localStorage.getItem('hollin.units') === 'metric' ? 'metric' : 'trade',
  );
  useEffect(() => localStorage.setItem('hollin.units', system), [system]);
  return useMemo(() => makeUnits(system, setSystem), [system]);
}
