import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Answer, Component, JobDocument, Reference } from '../api/client';
import { notToRun } from '../sheet/Door';
import { filledWords, kindsWith, named, neededOffGrid, wrongCharger } from './arrangement';
import { probed } from './MeterPanel';

const reference = JSON.parse(readFileSync('storage/fixtures/reference.json', 'utf8')) as Reference;
const document = JSON.parse(readFileSync('tests/golden/format-1.json', 'utf8')) as JobDocument;
const answers = JSON.parse(readFileSync('storage/fixtures/demo.json', 'utf8')) as Record<string, Answer>;
const answer = answers['panel/whole'] ?? Object.values(answers).at(-1)!;

describe('an arrangement', () => {
  it('begins with what must run off grid', () => {
    const needs = {
      ...document,
      needs: { offGrid: { c_air: true, ghost: true, inlet: true } },
    } as unknown as JobDocument;
    expect(neededOffGrid(needs)).toEqual(['c_air']);
    expect(neededOffGrid({ ...document, needs: {} })).toEqual([]);
  });

  it('asks back where a charger stays on a battery of another chemistry', () => {
    const rig = (profile?: string) =>
      ({
        house: { type: 'battery_bank', label: 'House', chemistry: 'flooded' },
        converter: { type: 'converter', label: 'Converter', ...(profile ? { profile } : {}) },
      }) as unknown as Record<string, Component>;
    expect(wrongCharger(rig('lead'), 'lfp', 'left')?.label).toBe('Converter');
    expect(wrongCharger(rig(), 'lfp', 'ahead')?.label).toBe('Converter');
    expect(wrongCharger(rig('lithium'), 'lfp', 'left')).toBeNull();
    expect(wrongCharger(rig('lead'), 'lfp', 'removed')).toBeNull();
    expect(wrongCharger(rig('lead'), 'flooded', 'left')).toBeNull();
  });

  it('keeps what a plan had where it is none of the usual kinds', () => {
    const kinds = reference.batteries;
    expect(kindsWith(kinds, {}, 2).chosen).toBe(kinds[2]!.id);
    expect(kindsWith(kinds, { ...kinds[1]!.values }, 2).chosen).toBe(kinds[1]!.id);
    const own = kindsWith(kinds, { unitAh: 123, converter: 'left' }, 2);
    expect(own.chosen).toBe('before');
    expect(own.kinds[0]!.values).toEqual({ unitAh: 123 });
  });

  it('is called by a name that no other plan has', () => {
    const title = Object.values(document.plans)[0]!.title;
    expect(named(title, document)).toBe(`${title} 2`);
    expect(named('Quite new', document)).toBe('Quite new');
  });

  it('says what a unit and a battery bring with them', () => {
    const options = reference.arrangements.find((a) => a.id === 'in_line')!.options;
    const words = filledWords({ ...reference.batteries[1]!.values, dcSize: 'awg:4/0' }, options);
    expect(words).toContain('capacity of one battery 100 Ah');
    expect(words).toContain('4/0 AWG');
    expect(words).not.toContain('chemistry');
  });
});

describe('the probe', () => {
  const none = { a: '', b: '' };
  it('lies across an outlet at one touch, and on parts one after the other', () => {
    const circuit = Object.keys(answer.outlets).find((c) => answer.points[answer.outlets[c]![0]!])!;
    const [hot, neutral] = answer.outlets[circuit]!;
    expect(probed(circuit, 'points', answer, none)).toEqual({ a: hot, b: neutral });
    const parts = Object.keys(answer.pointsOf).filter(
      (p) => !answer.outlets[p] && answer.pointsOf[p]!.some((x) => answer.points[x]),
    );
    const one = probed(parts[0]!, 'points', answer, none)!;
    expect(one.b).toBe('');
    const other = parts.find((p) => probed(p, 'points', answer, none)!.a !== one.a)!;
    const two = probed(other, 'points', answer, one)!;
    expect(two.a).toBe(one.a);
    expect(two.b).not.toBe('');
    expect(probed(other, 'points', answer, two)!.b).toBe('');
  });

  it('goes around a wire, to a circuit, to a point, as the function takes it', () => {
    const wire = Object.keys(answer.conductors)[0]!;
    expect(probed(wire.split('.')[0]!, 'conductor', answer, none)!.a).toMatch(new RegExp(`^${wire.split('.')[0]}\\.`));
    expect(probed(answer.table[0]!.circuit, 'circuit', answer, none)!.a).toBe(answer.table[0]!.circuit);
    expect(probed('nowhere', 'circuit', answer, none)).toBeNull();
    expect(probed('nowhere', 'points', answer, none)).toBeNull();
  });
});

describe('what is taped in the door', () => {
  it('holds what must not run, and what people do by hand', () => {
    const told = notToRun(answer, {
      off: { type: 'instruction', label: 'Converter off when inverting' } as unknown as Component,
    });
    expect(told.by).toEqual(['Converter off when inverting']);
    for (const f of told.findings) expect(f.severity).not.toBe('advice');
    expect(told.findings.map((f) => f.rule)).toContain('overload');
  });
});
