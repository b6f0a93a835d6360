import { describe, expect, it } from 'vitest';
import { belongsTo, foundIn, inWords, type LogLine } from './found';

const line = (uuid: string, kind: string, says: Record<string, unknown>) => ({ uuid, kind, says }) as LogLine;

describe('what was found beside the rig', () => {
  it('is every wire and defect of the logbook, until one says where it belongs', () => {
    const found = foundIn([
      line('a', 'wire', { where: 'behind the pump' }),
      line('b', 'done', {}),
      line('c', 'defect', { words: 'neutral browned' }),
      line('d', 'surveyed', { item: 'a', words: 'now at Water pump' }),
      line('e', 'surveyed', { item: 'other', words: 'x' }),
    ]);
    expect(found.map((f) => [f.line.uuid, f.known])).toEqual([
      ['a', 'now at Water pump'],
      ['c', null],
    ]);
  });

  it('is told in one line, without what nobody said', () => {
    expect(
      inWords(line('a', 'wire', { where: 'behind the pump', jacket: '10 AWG', to: 'inlet', volts: 0, cut: true })),
    ).toBe('behind the pump · 10 AWG · leads to inlet · 0 V on it · cut off or capped');
    expect(inWords(line('a', 'wire', { where: 'bay', cut: false }))).toBe('bay');
  });

  it('belongs to the part it names, else to the longest name in its words, else to none', () => {
    const parts = { panel: { label: 'Panel' }, main_panel: { label: 'Main panel' }, pump: { label: 'Water pump' } };
    expect(belongsTo(line('a', 'defect', { words: 'x', component: 'pump' }), parts)).toBe('pump');
    expect(belongsTo(line('a', 'defect', { words: 'x', component: 'gone' }), parts)).toBeNull();
    expect(belongsTo(line('a', 'wire', { where: 'bay', to: 'the main panel, slot 3' }), parts)).toBe('main_panel');
    expect(belongsTo(line('a', 'wire', { where: 'under the bed' }), parts)).toBeNull();
  });
});
