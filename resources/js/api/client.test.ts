import { describe, expect, it } from 'vitest';
import { ApiError, unwrap, uuid } from './client';

const response = (status: number) => ({ ok: status < 400, status }) as Response;

describe('an answer of the server', () => {
  it('gives its data', () => {
    expect(unwrap({ data: { id: 1 }, response: response(200) })).toEqual({ id: 1 });
  });

  it('throws what is wrong, where, and both sides of a conflict', () => {
    const conflicts = [{ pointer: '/a', yours: 1, theirs: 2, by: 'Idris' }];
    try {
      unwrap({
        error: { message: 'No.', problems: [{ pointer: '/a', message: 'is not right.' }], conflicts },
        response: response(409),
      });
      expect.unreachable();
    } catch (e) {
      expect(e).toBeInstanceOf(ApiError);
      expect(e).toMatchObject({
        status: 409,
        message: 'No.',
        problems: [{ pointer: '/a', message: 'is not right.' }],
        conflicts,
      });
    }
  });

  it('throws something readable even for an answer that says nothing', () => {
    expect(() => unwrap({ error: undefined, response: response(502) })).toThrow('The server answered 502.');
  });
});

describe("an edit's UUID", () => {
  it('is a version 4 UUID, and never the same', () => {
    const made = Array.from({ length: 200 }, uuid);
    for (const id of made) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
    expect(new Set(made).size).toBe(made.length);
  });
});
