import { describe, expect, it } from 'vitest';
import { bandIn, figureIn, readFigure, shownIn } from './figures';

const ask = (unit: string, low: number | null = null, high: number | null = null) => ({ unit, low, high });

describe('figures in the units that are on the tools', () => {
  it.each([
    // NIST SP 811: 1 lbf·in = 0.1129848 N·m, 1 lbf·ft = 1.355818 N·m, 1 ft = 0.3048 m, 1 in = 2.54 cm.
    [ask('N·m', 2.26, 3.95), 'in·lb', 2.82462, '25'],
    [ask('N·m', 18, 26), 'ft·lb', 20.33727, '15'],
    [ask('m'), 'ft', 3.048, '10'],
    [ask('cm', 3), 'in', 7.62, '3'],
    [ask('K', 0, 30), '°F', 10, '18'],
    [ask('°C', -5, 5), '°F', 100, '212'],
    [ask('V'), 'V', 12.8, '12.8'],
  ])('%o', (asked, unit, kept, read) => {
    expect(shownIn(asked, 'trade').unit).toBe(unit);
    expect(figureIn(asked, kept, 'trade')).toBe(read);
    // There and back, whatever is typed.
    const back = readFigure(read, asked, 'trade');
    expect(back).toHaveProperty('number');
    expect((back as { number: number }).number).toBeCloseTo(kept, 4);
    expect(figureIn(asked, kept, 'metric')).toBe(Number(kept.toPrecision(4)).toString());
  });

  it('has the band in them too', () => {
    const band = bandIn(ask('N·m', 2.26, 3.95), 'trade');
    expect(band).toEqual({ unit: 'in·lb', low: 20, high: 35 });
    expect(bandIn(ask('°C', 0), 'trade')).toEqual({ unit: '°F', low: 32, high: null });
  });
});

describe('what somebody types', () => {
  it.each([
    ['25 in-lb', ask('N·m', 2, 4), 'metric', 2.82462],
    ['25 in·lb', ask('N·m', 2, 4), 'trade', 2.82462],
    ['2.8 Nm', ask('N·m', 2, 4), 'trade', 2.8],
    ['15 ft lbs', ask('N·m', 18, 26), 'metric', 20.33727],
    ['120 mV', ask('V', -1, 1), 'trade', 0.12],
    ['12.6V', ask('V'), 'metric', 12.6],
    ['−0.2', ask('V'), 'metric', -0.2],
    ['.4 ohm', ask('Ω'), 'metric', 0.4],
    ['1.2 MΩ', ask('Ω'), 'metric', 1.2e6],
    ['1.2 mΩ', ask('Ω'), 'metric', 0.0012],
    ['22k', ask('Ω'), 'metric', 22000],
    ['4"', ask('cm'), 'metric', 10.16],
    ['4', ask('cm'), 'trade', 10.16],
    ['50 F', ask('°C'), 'metric', 10],
    ['2 %', ask('%'), 'metric', 2],
  ] as const)('%s', (text, asked, system, number) => {
    const read = readFigure(text, asked, system);
    expect(read).toHaveProperty('number');
    expect((read as { number: number }).number).toBeCloseTo(number, 4);
  });
  it.each([
    ['banana', 'build.aNumber'],
    ['12,5', 'build.comma'],
    ['1,250.5', 'build.comma'],
    ['12 furlongs', 'build.otherUnit'],
    ['5 A', 'build.otherUnit'],
    ['12.5.1', 'build.otherUnit'],
  ])('%s is told, not taken', (text, trouble) => {
    expect(readFigure(text, ask('V'), 'trade')).toEqual({ trouble });
  });
  it('open is a reading where ohms are asked, and nowhere else', () => {
    expect(readFigure('OL', ask('Ω'), 'trade')).toEqual({ words: 'open' });
    expect(readFigure('OL', ask('V'), 'trade')).toEqual({ trouble: 'build.aNumber' });
  });
});
