import { expect, it } from 'vitest';
import { browserIn } from './browser';

it.each([
  [
    'Mozilla/5.0 (iPad; CPU OS 17_0 like Mac OS X) AppleWebKit/605.1 Version/17.0 Mobile Safari/604.1',
    'Safari on iPad',
  ],
  [
    'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36',
    'Chrome on Linux',
  ],
  ['Mozilla/5.0 (Linux; Android 14; Tablet) AppleWebKit/537.36 Chrome/140.0 Safari/537.36', 'Chrome on Android'],
  ['Mozilla/5.0 (Windows NT 10.0; Win64; x64) Chrome/140.0 Safari/537.36 Edg/140.0', 'Edge on Windows'],
  ['curl/8.0', 'Another browser'],
  [null, 'Another browser'],
])('calls %s %s', (agent, words) => {
  expect(browserIn(agent)).toBe(words);
});
