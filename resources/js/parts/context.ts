import { createContext, useContext } from 'react';
import type { Component, Field, Reference } from '../api/client';
import { t } from '../words/t';

/** What the fields of a part can point at. */
export interface Surroundings {
  /** parts of the rig, as found or as planned */
  components: Record<string, Component>;
  forms: Reference['forms'];
  /** the part the fields belong to, which is no choice of its own */
  self: string | null;
}

export const PartsContext = createContext<Surroundings>({ components: {}, forms: {}, self: null });
export const useParts = () => useContext(PartsContext);

export interface Option {
  value: string;
  label: string;
}

const isCircuitWithOutlets = (c: Component): boolean => c.type === 'circuit' && !c.feeds;

/** The parts that fit a field, and the one that stands there even where it does not. */
export function fitting(field: Field, { components, self }: Surroundings, chosen?: string): Option[] {
  return Object.entries(components)
    .filter(([id, c]) => {
      if (id === chosen) return true;
      if (id === self) return false;
      if (field.of.length > 0 && !field.of.includes(c.type)) return false;
      // A plug wants an outlet; a GFCI that feeds on must be one.
      if (field.label.includes('receptacle')) return isCircuitWithOutlets(c);
      if (field.label.includes('GFCI')) return c.gfci === 'receptacle';
      return true;
    })
    .map(([value, c]) => ({ value, label: c.label }));
}

/** Every end of equipment that gives or takes current, in words. */
export function ends(way: 'gives' | 'takes', { components, forms, self }: Surroundings): Option[] {
  return Object.entries(components)
    .filter(([id, c]) => id !== self && !(c.type === 'circuit' && !isCircuitWithOutlets(c)))
    .flatMap(([id, c]) => {
      const ports = Object.entries(forms[c.type]?.ports ?? {}).filter(([, p]) => p.way === way);
      return ports.map(([port, p]) => ({
        value: `${id} ${port}`,
        label: ports.length > 1 || p.words === 'receptacle' ? `${c.label}, ${p.words}` : c.label,
      }));
    });
}

/** Every terminal where a 12 V cable may land, in words. */
export function terminals({ components, forms, self }: Surroundings): Option[] {
  return [
    ...Object.entries(components)
      .filter(([id]) => id !== self)
      .flatMap(([id, c]) => {
        const names = Object.entries(forms[c.type]?.terminals ?? {});
        return names.map(([name, said]) => ({
          value: `${id}.${name}`,
          label: names.length > 1 ? `${c.label}, ${said}` : c.label,
        }));
      }),
    { value: 'frame', label: t('parts.frame') },
  ];
}
