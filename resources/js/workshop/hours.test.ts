import { describe, expect, it } from 'vitest';
import { clockOf, minutesOf } from './hours';

describe('working hours as they are written', () => {
  it.each([
    [
      '8:00-12:00 12:30-16:30',
      [
        [480, 720],
        [750, 990],
      ],
    ],
    [
      '8-12, 13-17',
      [
        [480, 720],
        [780, 1020],
      ],
    ],
    [
      '13:00 – 17:00 8:00-12:00',
      [
        [480, 720],
        [780, 1020],
      ],
    ],
    ['', []],
  ])('reads %s', (text, spans) => {
    expect(minutesOf(text)).toEqual(spans);
  });

  it.each(['eight to five', '12-8', '8:70-9:00', '8-25', '8-12 11-13', '8'])('asks back %s', (text) => {
    expect(minutesOf(text)).toBeNull();
  });

  it('writes what it reads', () => {
    expect(clockOf(minutesOf('8:00-12:00 12:30-16:30')!)).toBe('8:00-12:00 12:30-16:30');
  });
});
