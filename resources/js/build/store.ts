import Dexie, { type EntityTable } from 'dexie';
import { uuid, type Build, type Problem, type Wall } from '../api/client';

/** A line of the logbook as it is written here. */
export interface Line {
  uuid: string;
  kind: string;
  step: string;
  says: Record<string, unknown>;
  at: string;
  seen: number;
}

/** A line that the server has not taken yet, or has refused. */
export interface Queued {
  /** in the order in which they were written */
  n?: number;
  uuid: string;
  job: number;
  revision: number;
  /** who wrote it: it goes in nobody else's name */
  by: number;
  name: string;
  line: Line;
  problems: Problem[] | null;
}

/** A photograph that is on its way. */
export interface Picture {
  sha256: string;
  job: number;
  component: string;
  blob: Blob;
  sent: number;
}

/** What a tablet carries of a job: its work as the server last told it. */
export interface Pack {
  job: number;
  build: Build;
  at: string;
}

/** The drawing of a work, which stays while its revision does. */
export interface Drawing {
  /** job, revision and plan */
  of: string;
  job: number;
  walls: Record<string, Wall>;
}

/**
 * The tablet's own store: it outlives the page, the browser and the signal. Each person of each workshop has one of
 * their own, so that a tablet that goes from hand to hand shows nobody's work to another.
 */
class Store extends Dexie {
  packs!: EntityTable<Pack, 'job'>;
  outbox!: EntityTable<Queued, 'n'>;
  pictures!: EntityTable<Picture, 'sha256'>;
  drawings!: EntityTable<Drawing, 'of'>;

  constructor(name: string) {
    super(name);
    this.version(1).stores({ packs: 'job', outbox: '++n, &uuid, job', pictures: 'sha256, job, sent' });
    this.version(2).stores({ drawings: 'of, job' });
  }
}

/** Whose a store is. */
export interface Owner {
  id: number;
  workshopId: number;
}

/** What tablets wrote into before stores had owners; and what is open while nobody is signed in. */
const NOBODY = 'hollin';

const nameOf = (who: Owner) => `${NOBODY}-${who.workshopId}-${who.id}`;

/** The store of whoever is signed in. */
export let store = new Store(NOBODY);

/** Opens the store of whoever has signed in; nobody else's is in reach from then on. */
export function keepFor(who: Owner | null): void {
  const name = who ? nameOf(who) : NOBODY;
  if (store.name === name) return;
  store.close();
  store = new Store(name);
}

/** Brings what was kept here in order: what somebody had before stores had owners is theirs, no other's copies stay. */
export async function tidy(who: Owner): Promise<void> {
  const own = store;
  for (const name of await Dexie.getDatabaseNames()) {
    if (name === own.name || (name !== NOBODY && !name.startsWith(`${NOBODY}-`))) continue;
    const other = new Store(name);
    if (name === NOBODY) await adopt(other, own, who);
    await empty(other);
  }
}

/** What somebody wrote goes into their own store, with the photographs that it names. */
async function adopt(from: Store, into: Store, who: Owner): Promise<void> {
  const lines = await from.outbox.filter((q) => q.by === who.id).toArray();
  const named = new Set(lines.map((q) => q.line.says.sha256));
  const pictures = await from.pictures.filter((p) => named.has(p.sha256)).toArray();
  await into.pictures.bulkPut(pictures);
  for (const { n, ...line } of lines) {
    if ((await into.outbox.where('uuid').equals(line.uuid).count()) === 0) await into.outbox.add(line);
    await from.outbox.delete(n!);
  }
  await from.pictures.bulkDelete(pictures.map((p) => p.sha256));
}

/** Throws away all copies; what was written here and not taken stays for whoever wrote it. */
async function empty(of: Store): Promise<void> {
  // Emptied, not taken away: that would wait for whatever other window has it open.
  await Promise.all([of.packs.clear(), of.drawings.clear(), of.pictures.where('sent').equals(1).delete()]);
  of.close();
}

/** After somebody has signed out: nothing of the workshop's is left here but what they have not sent. */
export async function leave(name: string): Promise<void> {
  keepFor(null);
  await empty(new Store(name));
}

/** What somebody else of the workshop has left on this tablet. */
export interface LeftBehind {
  owner: number;
  name: string;
  lines: number;
  pictures: number;
  jobs: number[];
}

/** What others of the workshop have written here and not brought. */
export async function leftBehind(me: Owner): Promise<LeftBehind[]> {
  const found: LeftBehind[] = [];
  for (const name of await Dexie.getDatabaseNames()) {
    const owner = new RegExp(`^${NOBODY}-${me.workshopId}-(\\d+)$`).exec(name)?.[1];
    if (owner === undefined || Number(owner) === me.id) continue;
    const other = new Store(name);
    const lines = await other.outbox.toArray();
    const pictures = await other.pictures.where('sent').equals(0).toArray();
    other.close();
    if (lines.length + pictures.length > 0)
      found.push({
        owner: Number(owner),
        name: lines[0]?.name ?? '',
        lines: lines.length,
        pictures: pictures.length,
        jobs: [...new Set([...lines, ...pictures].map((x) => x.job))],
      });
  }
  return found;
}

/** Opens the store of somebody who has left, for as long as what waits there is brought. */
export async function inStoreOf<T>(who: Owner, work: (of: Store) => Promise<T>): Promise<T> {
  const other = new Store(nameOf(who));
  try {
    return await work(other);
  } finally {
    await empty(other);
  }
}

export type { Store };

const TABLET = 'hollin.tablet';

/** The name of this tablet: two of them that write the same are told apart. */
export function tablet(): string {
  const known = localStorage.getItem(TABLET);
  if (known) return known;
  const made = uuid().slice(0, 8);
  localStorage.setItem(TABLET, made);
  return made;
}

/** Now, as a line says it: to the second, UTC, by this clock. */
export const clock = () => new Date().toISOString().replace(/\.\d+Z$/, 'Z');

/** Writes a line down; it is safe once this has answered. */
export async function write(
  job: number,
  revision: number,
  seen: number,
  kind: string,
  step: string,
  says: Record<string, unknown>,
  who: { id: number; name: string },
): Promise<Line> {
  const line = { uuid: uuid(), kind, step, says, at: clock(), seen };
  await store.outbox.add({ uuid: line.uuid, job, revision, by: who.id, name: who.name, line, problems: null });
  return line;
}

/** Keeps a photograph until it has gone; gives its name, the hash of its bytes. */
export async function keepPicture(job: number, component: string, blob: Blob): Promise<string> {
  const sha256 = await hashOf(blob);
  await store.pictures.put({ sha256, job, component, blob, sent: 0 });
  return sha256;
}

/** SHA-256 of bytes, small letters. */
export async function hashOf(blob: Blob): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', await blob.arrayBuffer());
  return [...new Uint8Array(digest)].map((b) => b.toString(16).padStart(2, '0')).join('');
}
