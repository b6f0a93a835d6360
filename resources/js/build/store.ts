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

/** The tablet's own store: it outlives the page, the browser and the signal. */
class Store extends Dexie {
  packs!: EntityTable<Pack, 'job'>;
  outbox!: EntityTable<Queued, 'n'>;
  pictures!: EntityTable<Picture, 'sha256'>;
  drawings!: EntityTable<Drawing, 'of'>;

  constructor() {
    super('hollin');
    this.version(1).stores({ packs: 'job', outbox: '++n, &uuid, job', pictures: 'sha256, job, sent' });
    this.version(2).stores({ drawings: 'of, job' });
  }
}

export const store = new Store();

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
