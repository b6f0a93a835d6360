import { describe, expect, it } from 'vitest';
import { makeUnits } from './units';

describe('units by one switch', () => {
  const trade = makeUnits('trade');
  const metric = makeUnits('metric');

  it('writes lengths', () => {
    expect(trade.length(6.096)).toBe('20 ft');
    expect(metric.length(6.096)).toBe('6.1 m');
    expect(trade.length(0.3)).toBe('1.0 ft');
  });

  it('writes weights and temperatures', () => {
    expect(trade.weight(10)).toBe('22 lb');
    expect(metric.weight(10)).toBe('10 kg');
    expect(metric.weight(2.25)).toBe('2.3 kg');
    expect(trade.temperature(75)).toBe('167 °F');
    expect(metric.temperature(75)).toBe('75 °C');
    expect(trade.temperature(-40)).toBe('-40 °F');
  });

  it('never converts a designation, and puts the copper beside it for who reads mm²', () => {
    expect(trade.size('awg:4/0')).toBe('4/0 AWG');
    expect(metric.size('awg:4/0')).toBe('4/0 AWG (107 mm²)');
    expect(metric.size('awg:14')).toBe('14 AWG (2.1 mm²)');
    expect(metric.size('awg:6')).toBe('6 AWG (13 mm²)');
    expect(trade.size('no such size')).toBe('no such size');
    expect(trade.size('mm2:35')).toBe('35 mm²');
    expect(metric.size('mm2:35')).toBe('35 mm²');
  });
});
