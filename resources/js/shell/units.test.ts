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

describe('a sentence of the core', () => {
  it('says its quantities in trade units, and leaves other figures', () => {
    const trade = makeUnits('trade');
    expect(trade.said('+55 kg in all; the coupler carries 8.8 % of it')).toBe(
      '+121 lb in all; the coupler carries 8.8 % of it',
    );
    expect(trade.said('55 cm with its clearance, and there are 42 cm; 8 × 30 cm')).toBe(
      '22 in with its clearance, and there are 17 in; 8 × 12 in',
    );
    expect(trade.said('409 W of heat: 50 K warmer than 27 °C. 94 m³/h of air, or two vents of 1132 cm² free')).toBe(
      '409 W of heat: 90 °F warmer than 81 °F. 55 ft³/min of air, or two vents of 175 in² free',
    );
    expect(trade.said('is 0.15 m, and its ends stand at least 3.9 m apart')).toBe(
      'is 0.5 ft, and its ends stand at least 13 ft apart',
    );
    expect(trade.said('300 mm², 40 mV, 12 A, rear axle -3 kg')).toBe('300 mm², 40 mV, 12 A, rear axle -7 lb');
    expect(makeUnits('metric').said('55 kg')).toBe('55 kg');
  });
});
