import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Component, JobDocument, Reference } from '../api/client';
import { ends, fitting, terminals } from '../parts/context';
import { assumedPlaces } from '../parts/values';
import { field } from '../testing';
import { fieldAt } from '../ui/spoken';
import { bankWords, circuitsOf, confirmation, landsWords, shownAt, shownOf } from './survey';

const reference = JSON.parse(readFileSync('storage/fixtures/reference.json', 'utf8')) as Reference;
const document = JSON.parse(readFileSync('tests/golden/format-1.json', 'utf8')) as JobDocument;
const components = document.asFound.components as Record<string, Component>;
const bank = (more: object): Component =>
  ({
    type: 'battery_bank',
    label: 'B',
    unitV: 12,
    unitAh: { value: 100, basis: 'told' },
    series: 1,
    parallel: 1,
    ...more,
  }) as never;

describe('what a battery is made of', () => {
  it('is said as it stands there', () => {
    expect(bankWords(bank({}))).toBe('12 V, 100 Ah');
    expect(bankWords(bank({ unitV: 6, unitAh: 220, series: 2 }))).toBe('2 × 6 V in series = 12 V, 220 Ah');
    expect(bankWords(bank({ parallel: 3 }))).toBe('3 side by side = 12 V, 300 Ah');
    expect(bankWords(bank({ unitV: 6, unitAh: 220, series: 2, parallel: 2 }))).toBe(
      '2 strings of 2 × 6 V in series = 12 V, 440 Ah',
    );
  });
});

describe('what is confirmed', () => {
  it('is every assumed place, lengths as measured and the rest as read off', () => {
    const part = {
      type: 'circuit',
      label: 'C',
      breakerA: { value: 15, basis: 'assumed' },
      cable: { size: { value: 'awg:14', basis: 'read_off' }, lengthM: { value: 5, basis: 'assumed' } },
    } as unknown as Component;
    expect(assumedPlaces(part)).toEqual(['/breakerA', '/cable/lengthM']);
    const intent = confirmation([['c', part]], 'Robin', new Date('2026-11-26T12:00:00Z'))!;
    expect(intent).toMatchObject({ kind: 'survey_confirm', by: 'Robin', at: '2026-11-26' });
    expect(intent.values).toEqual([
      { component: 'c', path: '/breakerA', basis: 'read_off' },
      { component: 'c', path: '/cable/lengthM', basis: 'measured' },
    ]);
    expect(confirmation([['c', { type: 'x', label: 'X' } as never]], '', new Date())).toBeNull();
  });
});

describe('a row', () => {
  it('shows whatever is surveyed, with its place and its field', () => {
    for (const [, part] of Object.entries(components)) {
      const fields = reference.forms[part.type]!.fields;
      const shown = shownOf(fields, part);
      // Nothing that is assumed may be missing from its row.
      for (const path of assumedPlaces(part)) expect(shown.map((s) => s.path)).toContain(path);
      for (const s of shown) expect(fieldAt(fields, s.path)).toBe(s.field);
    }
    expect(shownAt(reference.forms.circuit!.fields, components.c_air!, '/nowhere')).toBeNull();
  });

  it('says where a circuit lands, in the order of the slots', () => {
    const name = (id: string) => components[id]?.label ?? id;
    expect(landsWords({ panel: 'main_panel', slot: 3, half: 'a' }, name, 1)).toBe('3a');
    expect(landsWords({ panel: 'main_panel', slot: 3 }, name, 2)).toBe(`${name('main_panel')} 3`);
    expect(landsWords({ behind: 'c_air' }, name, 1)).toBe(`behind ${name('c_air')}`);
    expect(landsWords({ at: 'converter' }, name, 1)).toBe(`at ${name('converter')}`);
    expect(landsWords(undefined, name, 1)).toBe('nowhere');
    const slots = circuitsOf(components).map(([, c]) => (c.hot as { slot?: number }).slot ?? 99);
    expect(slots).toEqual([...slots].sort((a, b) => a - b));
  });
});

describe('what a field can point at', () => {
  const around = { components, forms: reference.forms, self: 'c_air' };

  it('is what fits, never the part itself, and what stands there already', () => {
    const panel = fitting(field('ref', 'Panel', { of: ['panel'] }), around);
    expect(panel.length).toBeGreaterThan(0);
    for (const p of panel) expect(components[p.value]!.type).toBe('panel');
    const circuits = fitting(field('ref', 'Circuit whose receptacle it is plugged into', { of: ['circuit'] }), around);
    for (const c of circuits) expect(components[c.value]!.feeds).toBeUndefined();
    expect(circuits.map((c) => c.value)).not.toContain('c_air');
    expect(fitting(field('ref', 'Panel', { of: ['panel'] }), around, 'inlet').map((o) => o.value)).toContain('inlet');
  });

  it('is an end that gives, or one that takes, in words', () => {
    const gives = ends('gives', around).map((e) => e.value);
    const takes = ends('takes', around).map((e) => e.value);
    expect(gives).toContain('inlet out');
    expect(takes).toContain('main_panel line');
    expect(gives.filter((g) => takes.includes(g))).toEqual([]);
    for (const e of [...ends('gives', around), ...ends('takes', around)]) expect(e.label).not.toMatch(/_/);
  });

  it('is a terminal by the part and the pole', () => {
    const all = terminals(around);
    const house = Object.entries(components).find(([, c]) => c.type === 'battery_bank')!;
    expect(all).toContainEqual({ value: `${house[0]}.pos`, label: `${house[1].label}, positive` });
    expect(all.at(-1)).toEqual({ value: 'frame', label: 'Frame' });
  });
});
