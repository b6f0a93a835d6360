import type { Ask } from '../api/client';

/* What tests of the work need: something that is asked for. */

/** A figure, or whatever is said of it otherwise. */
export const asked = (more: Partial<Ask> = {}): Ask => ({
  id: 'a',
  kind: 'number',
  words: 'a',
  required: true,
  unit: '',
  low: null,
  high: null,
  why: '',
  options: [],
  expected: '',
  finds: false,
  signedBy: '',
  excusedBy: '',
  of: [],
  how: '',
  otherwise: '',
  ...more,
});
