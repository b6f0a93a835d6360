import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { ApiError } from '../api/client';
import { patiently, type Held } from './patiently';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const answer = (status: number) => new ApiError(status, `answered ${status}`, [], []);

it.each([
  ['no connection', new TypeError('Failed to fetch'), 'no connection'],
  ['a broken server', answer(500), 'the server answered 500'],
  ['a gateway with nobody behind it', answer(502), 'the server answered 502'],
  ['a server that starts', answer(503), 'the server is not ready'],
  ['a sign-in that ended', answer(401), 'you are signed out'],
  ['a session that ended', answer(419), 'you are signed out'],
  ['a full disk', answer(507), 'the server has no room'],
])('keeps a change through %s and sends it until it is stored', async (_, trouble, why) => {
  let fails = 12;
  const said: (Held | null)[] = [];
  const done = patiently(
    () => (fails-- > 0 ? Promise.reject(trouble) : Promise.resolve('stored')),
    (held) => said.push(held),
  );
  await vi.advanceTimersByTimeAsync(200_000);
  await expect(done).resolves.toBe('stored');
  expect(said[0]?.why).toBe(why);
  expect(Math.max(...said.map((h) => h?.seconds ?? 0))).toBe(15);
  expect(said.at(-1)).toBeNull();
});

it.each([409, 422, 403, 404, 413])('does not send again what was answered with %i', async (status) => {
  const send = vi.fn(() => Promise.reject(answer(status)));
  await expect(patiently(send, () => undefined)).rejects.toMatchObject({ status });
  expect(send).toHaveBeenCalledTimes(1);
});

it('sends at once when asked, and lets go of what its person drops', async () => {
  const send = vi.fn(() => Promise.reject(answer(502)));
  let last: Held | null = null;
  const done = patiently(send, (held) => (last = held)).catch((e: unknown) => e);
  await vi.advanceTimersByTimeAsync(500);
  expect(send).toHaveBeenCalledTimes(2);
  last!.now();
  await vi.advanceTimersByTimeAsync(0);
  expect(send).toHaveBeenCalledTimes(3);
  last!.drop();
  await expect(done).resolves.toMatchObject({ status: 502 });
  await vi.advanceTimersByTimeAsync(60_000);
  expect(send).toHaveBeenCalledTimes(3);
  expect(last).toBeNull();
});
