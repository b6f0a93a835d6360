import { createContext, useContext, useEffect, useMemo, useState } from 'react';

export type System = 'trade' | 'metric';

export interface Units {
  system: System;
  setSystem: (system: System) => void;
  length: (m: number) => string;
  /** a designation as it is printed on the jacket, never converted; beside it the area in mm² for whoever reads that */
  size: (designation: string) => string;
  weight: (kg: number) => string;
  temperature: (c: number) => string;
}

const M_PER_FT = 0.3048;
const KG_PER_LB = 0.45359237;

/** Area of an AWG designation in mm²: d(in) = 0.005 × 92^((36 − n) ÷ 39), ASTM B258. */
export function areaMm2(designation: string): number | null {
  const [system, gauge] = designation.split(':');
  if (system === 'mm2') return Number(gauge);
  if (system !== 'awg' || !gauge) return null;
  const n = gauge.endsWith('/0') ? 1 - Number(gauge.slice(0, -2)) : Number(gauge);
  const mm = 25.4 * 0.005 * 92 ** ((36 - n) / 39);
  return (Math.PI / 4) * mm ** 2;
}

export function makeUnits(system: System, setSystem: (system: System) => void = () => undefined): Units {
  const metric = system === 'metric';
  return {
    system,
    setSystem,
    length: (m) => (metric ? `${m.toFixed(1)} m` : `${(m / M_PER_FT).toFixed(m < 1 ? 1 : 0)} ft`),
    size: (designation) => {
      const own = designation.startsWith('mm2:') ? `${designation.slice(4)} mm²` : `${designation.slice(4)} AWG`;
      const area = areaMm2(designation);
      return metric && area !== null && designation.startsWith('awg:')
        ? `${own} (${area.toFixed(area < 10 ? 1 : 0)} mm²)`
        : own;
    },
    weight: (kg) => (metric ? `${kg.toFixed(kg < 10 ? 1 : 0)} kg` : `${(kg / KG_PER_LB).toFixed(0)} lb`),
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
