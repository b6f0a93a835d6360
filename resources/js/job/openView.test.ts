import { describe, expect, it } from 'vitest';
import type { View } from '../api/client';
import { openView } from './useDesign';

const view = (id: string, plan: string | null, last = false): View => ({
  id,
  plan,
  stage: null,
  title: id,
  hash: id,
  last,
});
const views = [view('as_found', null), view('a/one', 'a'), view('a/two', 'a', true), view('b/whole', 'b', true)];

describe('the view that opens', () => {
  it('is the one asked for', () => {
    for (const v of views) expect(openView(views, v.id)).toBe(v.id);
  });

  it('is the last stage of the first plan when none is asked for', () => {
    expect(openView(views, '')).toBe('a/two');
  });

  it('does not follow an address to a plan that is gone', () => {
    expect(openView(views, 'gone/whole')).toBe('a/two');
  });

  it('is the rig as found while there is no plan', () => {
    expect(openView([view('as_found', null)], '')).toBe('as_found');
    expect(openView([], '')).toBe('as_found');
  });
});
