import { describe, expect, it } from 'vitest';
import { countWords } from './count';

describe('a number of states', () => {
  it('is read by its digits, or by its power of ten', () => {
    expect(countWords(98304)).toBe('98 304');
    expect(countWords(1.5e24)).toBe('about 10^24');
  });
});
