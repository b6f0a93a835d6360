import { expect, it } from 'vitest';
import type { JobDocument } from '../api/client';
import { byHand, differences, plannedParts } from './planned';

const fuse = { type: 'dc_fuse', label: 'Main fuse', ratingA: { value: 300, basis: 'told' }, cable: { lengthM: 1 } };
const change = (more: object) => ({ stage: 'whole', by: 'recipe', ...more });
const document = {
  asFound: { components: { inlet: { type: 'inlet', label: 'Inlet' }, old: { type: 'dc_fuse', label: 'Old' } } },
  plans: {
    p: {
      title: 'P',
      stages: { whole: { title: 'All', order: 2 }, first: { title: 'First', order: 1 } },
      changes: {
        c: change({ op: 'set', target: 'fuse', path: '/cable/lengthM', value: 2, by: 'hand', order: 9 }),
        b: change({ op: 'fit', target: 'fuse', value: fuse, order: 1 }),
        d: change({ op: 'remove', target: 'old', order: 2 }),
        // Earlier by its stage, whatever its own order.
        a: change({ op: 'set', target: 'inlet', path: '/note', value: 'bent', order: 99, stage: 'first' }),
      },
    },
  },
} as unknown as JobDocument;

it('leaves the parts as the plan has them, and the survey as it was', () => {
  const parts = plannedParts(document, 'p');
  expect(parts.fuse).toEqual({ ...fuse, cable: { lengthM: 2 } });
  expect(parts.old).toBeUndefined();
  expect(parts.inlet).toEqual({ type: 'inlet', label: 'Inlet', note: 'bent' });
  expect(plannedParts(document, null)).toEqual(document.asFound.components);
  expect(fuse.cable.lengthM).toBe(1);
});

it('tells what somebody has changed, place by place', () => {
  const after = { ...fuse, ratingA: { value: 400, basis: 'measured' }, cable: { lengthM: 1, size: 'awg:2' } };
  expect(differences(fuse, after)).toEqual([
    { path: '/ratingA', value: { value: 400, basis: 'measured' } },
    { path: '/cable/size', value: 'awg:2' },
  ]);
  expect(differences(fuse, structuredClone(fuse))).toEqual([]);
});

it('knows what was set by hand', () => {
  expect(byHand(document, 'p', 'fuse').map(([id]) => id)).toEqual(['c']);
  expect(byHand(document, 'p', 'inlet')).toEqual([]);
});
