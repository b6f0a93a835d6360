import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inStoreOf, keepFor, leave, leftBehind, store, tidy, write } from './store';
import { bring, bringOf, fetchBuild, fetchWalls } from './sync';

// Addresses without a host are the page's own; here there is no page.
const line = vi.hoisted(() => {
  const Plain = globalThis.Request;
  globalThis.Request = class extends Plain {
    constructor(to: RequestInfo | URL, init?: RequestInit) {
      super(typeof to === 'string' && to.startsWith('/') ? `http://tablet${to}` : to, init);
    }
  } as typeof Request;
  const made = { answer: (request: Request): Promise<Response> => Promise.reject(new TypeError(request.url)) };
  globalThis.fetch = ((request: Request) => made.answer(request)) as typeof fetch;
  return made;
});

const idris = { id: 4, name: 'Idris' };
const posy = { id: 5, name: 'Posy' };

/** A server that takes lines once each by their UUID, and can be away, half-way away, or choosy. */
class Server {
  lines: { uuid: string; number: number; kind: string }[] = [];
  photos = new Set<string>();
  /** requests that reach it */
  heard = 0;
  away: (n: number) => 'before' | 'after' | null = () => null;
  refuses = new Set<string>();
  /** lines with which it takes no parcel at all */
  chokes = new Set<string>();
  /** in whose name parcels came */
  names: (number | undefined)[] = [];

  async fetch(request: Request): Promise<Response> {
    this.heard++;
    const how = this.away(this.heard);
    if (how === 'before') throw new TypeError('Failed to fetch');
    const answer = await this.answer(request);
    // The answer is lost on its way back: the server has taken what the tablet does not know to be taken.
    if (how === 'after') throw new TypeError('Failed to fetch');
    return answer;
  }

  private async answer(request: Request): Promise<Response> {
    const path = new URL(request.url).pathname;
    if (path.endsWith('/photos')) {
      const form = await request.formData();
      this.photos.add(String((form.get('photo') as File).name));
      return Response.json({ id: 1 }, { status: 201 });
    }
    if (path.endsWith('/build')) return Response.json({ draft: false, plan: 'p', last: this.lines.length });
    const body = (await request.json()) as { for?: number; entries: { uuid: string; kind: string }[] };
    if (body.entries.some((e) => this.chokes.has(e.uuid)))
      return Response.json({ message: 'no such parcel', problems: [] }, { status: 422 });
    this.names.push(body.for);
    const taken = [];
    const refused = [];
    for (const entry of body.entries) {
      if (this.refuses.has(entry.uuid)) {
        refused.push({ uuid: entry.uuid, problems: [{ pointer: '/says', message: 'no' }] });
        continue;
      }
      let line = this.lines.find((l) => l.uuid === entry.uuid);
      if (!line) this.lines.push((line = { uuid: entry.uuid, number: this.lines.length + 1, kind: entry.kind }));
      taken.push({ uuid: line.uuid, number: line.number });
    }
    return Response.json({ taken, refused, last: this.lines.length });
  }
}

let server: Server;

beforeEach(async () => {
  server = new Server();
  line.answer = (request) => server.fetch(request);
  vi.stubGlobal('navigator', {});
  vi.stubGlobal('document', { cookie: '' });
  vi.stubGlobal('window', { dispatchEvent: () => true });
  const kept = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k),
  });
  await Promise.all([store.outbox.clear(), store.pictures.clear(), store.packs.clear()]);
});

afterEach(() => vi.unstubAllGlobals());

const some = async (count: number, who = idris) => {
  for (let n = 0; n < count; n++) await write(1, 7, 0, 'note', 's', { words: `${who.name} ${n}` }, who);
};

describe('what is written without a signal', () => {
  it('stays until it is taken, and goes in the order in which it was written', async () => {
    await some(3);
    server.away = () => 'before';
    expect((await bring(1, idris.id)).away).toBe(true);
    expect(await store.outbox.count()).toBe(3);
    server.away = () => null;
    const first = await store.outbox.orderBy('n').toArray();
    expect(await bring(1, idris.id)).toMatchObject({ taken: 3, away: false });
    expect(server.lines.map((l) => l.uuid)).toEqual(first.map((q) => q.uuid));
    expect(await store.outbox.count()).toBe(0);
  });

  it('is neither lost nor doubled, however often the connection breaks and on which side', async () => {
    await some(350);
    const all = new Set((await store.outbox.toArray()).map((q) => q.uuid));
    let seed = 3;
    server.away = () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed % 3 === 0 ? 'before' : seed % 3 === 1 ? 'after' : null;
    };
    for (let tries = 0; tries < 200 && (await store.outbox.count()) > 0; tries++) await bring(1, idris.id);
    expect(await store.outbox.count()).toBe(0);
    expect(server.lines).toHaveLength(350);
    expect(new Set(server.lines.map((l) => l.uuid))).toEqual(all);
  });

  it('keeps what is refused, with the reason, and lets the rest through', async () => {
    await some(3);
    const [, second] = await store.outbox.orderBy('n').toArray();
    server.refuses.add(second!.uuid);
    expect(await bring(1, idris.id)).toEqual({ taken: 2, refused: 1, away: false });
    const [left] = await store.outbox.toArray();
    expect(left).toMatchObject({ uuid: second!.uuid, problems: [{ pointer: '/says', message: 'no' }] });
    // It is not sent again and again.
    const heard = server.heard;
    await bring(1, idris.id);
    expect(server.heard).toBe(heard);
  });

  it("goes in nobody else's name", async () => {
    await some(2, idris);
    await some(1, posy);
    await bring(1, posy.id);
    expect(server.lines).toHaveLength(1);
    expect((await store.outbox.toArray()).map((q) => q.by)).toEqual([idris.id, idris.id]);
  });

  it('brings photographs before the lines that speak of them', async () => {
    const order: string[] = [];
    const plain = server.fetch.bind(server);
    server.fetch = async (r) => {
      order.push(new URL(r.url).pathname.split('/').at(-1)!);
      return plain(r);
    };
    await store.pictures.put({ sha256: 'ab'.repeat(32), job: 1, component: 'inlet', blob: new Blob(['x']), sent: 0 });
    await some(1);
    await bring(1, idris.id);
    expect(order).toEqual(['photos', 'log']);
    expect((await store.pictures.toArray())[0]!.sent).toBe(1);
  });
});

describe('a tablet that goes from hand to hand', () => {
  const maren = { id: 1, workshopId: 7 };
  const pos = { ...posy, workshopId: 7 };
  const far = { id: 9, workshopId: 8 };
  const pack = { job: 1, build: { title: 'Secret van' } as never, at: 'now' };

  afterEach(() => keepFor(null));

  it('keeps each one apart, and throws away at leaving all but what is not sent', async () => {
    keepFor(pos);
    await store.packs.put(pack);
    await store.pictures.put({ sha256: 'aa', job: 1, component: 'x', blob: new Blob(['x']), sent: 1 });
    await some(2, posy);
    const mine = store.name;
    keepFor(far);
    expect(await store.packs.count()).toBe(0);
    expect(await store.outbox.count()).toBe(0);
    await bring(1, far.id);
    expect(server.lines).toEqual([]);
    await leave(mine);
    keepFor(pos);
    expect(await store.packs.count()).toBe(0);
    expect(await store.pictures.count()).toBe(0);
    expect(await store.outbox.count()).toBe(2);
    await bring(1, posy.id);
    expect(server.lines).toHaveLength(2);
  });

  it("empties everybody else's copies when somebody comes, and takes over what was theirs before", async () => {
    await store.packs.put(pack);
    await some(1, posy);
    await some(1, idris);
    keepFor(pos);
    await tidy(pos);
    expect((await store.outbox.toArray()).map((q) => q.by)).toEqual([posy.id]);
    keepFor(null);
    expect(await store.packs.count()).toBe(0);
    expect((await store.outbox.toArray()).map((q) => q.by)).toEqual([idris.id]);
    await store.outbox.clear();
    await inStoreOf(pos, (of) => of.outbox.clear());
  });

  it("lets a lead bring what somebody who has left wrote, in that one's name, and no other workshop's", async () => {
    keepFor(pos);
    await some(2, posy);
    keepFor(far);
    await write(1, 7, 0, 'note', 's', { words: 'far' }, { id: far.id, name: 'Far' });
    keepFor(maren);
    expect(await leftBehind(maren)).toEqual([{ owner: posy.id, name: 'Posy', lines: 2, pictures: 0, jobs: [1] }]);
    await bringOf(1, pos);
    expect(server.names).toEqual([posy.id]);
    expect(server.lines).toHaveLength(2);
    expect(await leftBehind(maren)).toEqual([]);
    await inStoreOf(far, (of) => of.outbox.clear());
  });
});

describe('a parcel that is not taken at all', () => {
  it('goes one by one, so that a bad line keeps no other out, and is tried no more', async () => {
    await some(5);
    const third = (await store.outbox.orderBy('n').toArray())[2]!;
    server.chokes.add(third.uuid);
    expect(await bring(1, idris.id)).toEqual({ taken: 4, refused: 1, away: false });
    const [left] = await store.outbox.toArray();
    expect(left).toMatchObject({ uuid: third.uuid, problems: [{ message: 'no such parcel' }] });
    const heard = server.heard;
    await bring(1, idris.id);
    expect(server.heard).toBe(heard);
  });
});

describe('the work a tablet carries', () => {
  it('comes from the server where there is a signal, from the tablet where there is none', async () => {
    expect((await fetchBuild(1, null, false)).keptAt).toBeNull();
    server.away = () => 'before';
    const carried = await fetchBuild(1, null, false);
    expect(carried.keptAt).not.toBeNull();
    expect(carried.build.plan).toBe('p');
  });

  it('is kept for nobody when it arrives after whoever asked has left', async () => {
    const posyHere = { id: 5, workshopId: 7 };
    keepFor(posyHere);
    const mine = store.name;
    let answer = () => {};
    line.answer = async (request) => {
      await new Promise<void>((go) => (answer = go));
      return request.url.includes('/walls')
        ? Response.json({ revision: 3, walls: { as_found: {} } })
        : Response.json({ draft: false, plan: 'p', last: 0 });
    };
    for (const asked of [
      () => fetchBuild(1, null, false),
      () => fetchWalls({ job: 1, revision: 3, plan: 'p', draft: false } as never),
    ]) {
      keepFor(posyHere);
      const late = asked();
      await vi.waitFor(() => expect(String(answer)).not.toBe('() => {}'));
      await leave(mine);
      answer();
      answer = () => {};
      await late;
      expect(await store.packs.count()).toBe(0);
      expect(await store.drawings.count()).toBe(0);
    }
  });

  it('is told to be missing where it never was', async () => {
    server.away = () => 'before';
    await expect(fetchBuild(9, null, false)).rejects.toThrow();
  });
});
