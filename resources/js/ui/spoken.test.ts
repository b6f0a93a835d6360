import { describe, expect, it } from 'vitest';
import type { Reference } from '../api/client';
import { makeUnits } from '../shell/units';
import { placeOf, valueWords } from './spoken';
import { field } from '../testing';

const forms: Reference['forms'] = {
  circuit: {
    name: 'circuit',
    summary: '',
    ports: {},
    terminals: {},
    fields: {
      breakerA: field('integer', 'Breaker, A'),
      gfci: field('choice', 'GFCI', { choices: { none: 'none', first: 'at the first receptacle' } }),
      cable: field('group', 'Cable', {
        fields: { size: field('size', 'Size'), lengthM: field('number', 'Length, one way', { unit: 'm' }) },
      }),
      from: field('terminal', 'From'),
      lands: field('group', 'Lands', { fields: { panel: field('ref', 'Panel'), slot: field('integer', 'Slot') } }),
      loads: field('map', 'Loads', { fields: { watts: field('number', 'Power', { unit: 'W' }) } }),
    },
  },
};

const trade = makeUnits('trade');
const metric = makeUnits('metric');
const said = (path: string, value: unknown, units = trade) => {
  const at = placeOf(forms, 'circuit', path);
  return `${at.words} ${valueWords(at.field, value, units)}`;
};

describe('a place in a part and its value, said', () => {
  it('leaves the unit with the value', () => {
    expect(said('/breakerA', 20)).toBe('breaker 20 A');
  });
  it('reads through groups, and past the ids of a map', () => {
    expect(said('/cable/size', 'awg:12')).toBe('cable, size 12 AWG');
    expect(said('/loads/element/watts', 1440)).toBe('loads, power 1440 W');
  });
  it('uses the units chosen, and the words of a choice', () => {
    expect(said('/cable/lengthM', { value: 5, basis: 'assumed' }, trade)).toBe('cable, length one way 16 ft');
    expect(said('/cable/lengthM', { value: 5, basis: 'assumed' }, metric)).toBe('cable, length one way 5.0 m');
    expect(said('/gfci', 'first')).toBe('GFCI at the first receptacle');
    expect(said('/gfci', 'sideways')).toBe('GFCI sideways');
  });
  it('says a whole group in a row', () => {
    expect(said('/cable', { size: 'awg:10', lengthM: 1 })).toBe('cable 10 AWG, 3 ft');
  });
  it('calls other parts by their names', () => {
    const name = (id: string) => ({ neg_bar: 'Negative bar', main_panel: 'Main panel' })[id] ?? id;
    const words = (path: string, value: unknown) =>
      valueWords(placeOf(forms, 'circuit', path).field, value, trade, name);
    expect(words('/from', 'neg_bar.stud')).toBe('Negative bar, stud');
    expect(words('/lands', { panel: 'main_panel', slot: 6 })).toBe('Main panel, slot 6');
  });
  it('falls back to the name in the file where nothing is known of it', () => {
    expect(placeOf(undefined, 'circuit', '/cable/size').words).toBe('cable, size');
    expect(placeOf(forms, 'kettle', '/lid').words).toBe('lid');
    expect(valueWords(undefined, true, trade)).toBe('yes');
  });
  it('says yes and no, and keeps a number that has no unit bare', () => {
    expect(valueWords(field('flag', 'Assists'), true, trade)).toBe('yes');
    expect(valueWords(field('flag', 'Assists'), { value: false, basis: 'told' }, trade)).toBe('no');
    expect(valueWords(field('number', 'Efficiency'), 0.88, trade)).toBe('0.88');
    expect(valueWords(field('number', 'Capacity', { unit: 'Ah' }), 200, trade)).toBe('200 Ah');
  });
  it('never converts the gauge printed on a jacket, only adds the area for whoever reads that', () => {
    expect(said('/cable/size', 'awg:4/0', trade)).toBe('cable, size 4/0 AWG');
    expect(said('/cable/size', 'awg:4/0', metric)).toBe('cable, size 4/0 AWG (107 mm²)');
    expect(said('/cable/size', 'mm2:35', trade)).toBe('cable, size 35 mm²');
  });
});
