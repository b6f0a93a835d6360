import { api, ApiError, unwrap, type Build, type Wall } from '../api/client';
import { sendPhoto } from '../api/photos';
import { clock, inStoreOf, store, tablet, type Owner, type Picture, type Store } from './store';

/** Lines that go in one parcel. */
const PARCEL = 100;

/** Photographs that go side by side. */
const AT_ONCE = 4;

/** What came of an attempt to bring everything to the server. */
export interface Brought {
  taken: number;
  refused: number;
  /** no connection, or a server that is away: it stays here and goes later */
  away: boolean;
}

/**
 * Brings photographs, then lines, in the order in which they were written. Whatever is cut off half way goes again:
 * each is taken once by its name. One window at a time, and nobody's lines in another's name.
 */
export async function bring(job: number, who: number): Promise<Brought> {
  return alone(job, () => bringFrom(store, job, who));
}

/** Brings what somebody who has left wrote, in their name: a lead's to do, and the server's to allow. */
export async function bringOf(job: number, owner: Owner): Promise<Brought> {
  return alone(job, () => inStoreOf(owner, (of) => bringFrom(of, job, owner.id, owner.id)));
}

const alone = (job: number, work: () => Promise<Brought>) =>
  navigator.locks ? navigator.locks.request(`hollin ${job}`, work) : work();

/** Answers after which the same parcel goes again: nobody is signed in, too fast, or a server that is away. */
const AGAIN = [401, 408, 419, 429];

async function bringFrom(store: Store, job: number, who: number, inNameOf?: number): Promise<Brought> {
  const brought = { taken: 0, refused: 0, away: false };
  let most = PARCEL;
  try {
    const pictures = await store.pictures.where({ job, sent: 0 }).toArray();
    for (let n = 0; n < pictures.length; n += AT_ONCE) {
      const sent = await Promise.allSettled(pictures.slice(n, n + AT_ONCE).map((p) => send(store, job, p, inNameOf)));
      brought.refused += sent.filter((s) => s.status === 'fulfilled' && !s.value).length;
      const broken = sent.find((s) => s.status === 'rejected');
      if (broken) throw broken.reason;
    }
    for (;;) {
      const queued = await store.outbox
        .where('job')
        .equals(job)
        .filter((q) => q.problems === null && q.by === who)
        .limit(most)
        .sortBy('n');
      if (queued.length === 0) break;
      const revision = queued[0]!.revision;
      const parcel = queued.filter((q) => q.revision === revision);
      const answer = await api
        .POST('/jobs/{job}/log', {
          params: { path: { job } },
          body: {
            tablet: tablet(),
            revision,
            sentAt: clock(),
            entries: parcel.map((q) => q.line) as never,
            ...(inNameOf === undefined ? {} : { for: inNameOf }),
          },
        })
        .then(unwrap)
        .catch(async (e: unknown) => {
          if (!(e instanceof ApiError) || e.status >= 500 || AGAIN.includes(e.status)) throw e;
          // A parcel that the server will not take as a whole: one by one, so that a bad line keeps no other out.
          if (parcel.length > 1) most = 1;
          else {
            const problems = e.problems.length > 0 ? e.problems : [{ pointer: '', message: e.message }];
            await store.outbox.where('uuid').equals(parcel[0]!.uuid).modify({ problems });
            brought.refused++;
          }
          return null;
        });
      if (answer === null) continue;
      most = PARCEL;
      await store.transaction('rw', store.outbox, async () => {
        for (const { uuid } of answer.taken) await store.outbox.where('uuid').equals(uuid).delete();
        for (const { uuid, problems } of answer.refused)
          await store.outbox.where('uuid').equals(uuid).modify({ problems });
      });
      brought.taken += answer.taken.length;
      brought.refused += answer.refused.length;
    }
  } catch (e) {
    if (e instanceof ApiError && e.status < 500 && e.status !== 429) throw e;
    brought.away = true;
  }
  return brought;
}

/** Sends a photograph and notes that it has gone; false where the server will never take it. */
async function send(store: Store, job: number, picture: Picture, inNameOf?: number): Promise<boolean> {
  let taken = true;
  try {
    await sendPhoto(job, picture.component, picture.blob, `${picture.sha256.slice(0, 12)}.jpg`, inNameOf);
  } catch (e) {
    // A picture that the server will never take must not hold up the rest; it stays here to be seen.
    if (!(e instanceof ApiError) || e.status === 401 || e.status === 419 || e.status === 429 || e.status >= 500)
      throw e;
    taken = false;
  }
  await store.pictures.update(picture.sha256, { sent: taken ? 1 : -1 });
  return taken;
}

/** The work of a job from the server, kept here; as it was last kept where there is no connection. */
export async function fetchBuild(
  job: number,
  plan: string | null,
  draft: boolean,
  signal?: AbortSignal,
): Promise<{ build: Build; keptAt: string | null }> {
  // What arrives after somebody has signed out is kept for nobody.
  const own = store;
  try {
    const build = unwrap(
      await api.GET('/jobs/{job}/build', {
        params: { path: { job }, query: { ...(plan ? { plan } : {}), ...(draft ? { draft: true } : {}) } },
        ...(signal ? { signal } : {}),
      }),
    );
    if (!build.draft && own === store) await own.packs.put({ job, build, at: clock() });
    return { build, keptAt: null };
  } catch (e) {
    if (e instanceof ApiError && e.status < 500) throw e;
    if (signal?.aborted) throw e;
    const pack = draft ? undefined : await store.packs.get(job);
    if (!pack || (plan !== null && pack.build.plan !== plan)) throw e;
    return { build: pack.build, keptAt: pack.at };
  }
}

/** How the rig of the work is drawn; kept here, since it stays while the revision does. */
export async function fetchWalls(build: Build, signal?: AbortSignal): Promise<Record<string, Wall>> {
  const { job, revision, plan, draft } = build;
  const of = `${job} ${revision} ${plan}`;
  const own = store;
  const kept = await own.drawings.get(of);
  if (kept) return kept.walls;
  const told = unwrap(
    await api.GET('/jobs/{job}/build/walls', {
      params: { path: { job }, query: { plan, ...(draft ? { draft: true } : {}) } },
      ...(signal ? { signal } : {}),
    }),
  );
  if (told.revision === revision && own === store) {
    await own.drawings.where('job').equals(job).delete();
    await own.drawings.put({ of, job, walls: told.walls });
  }
  return told.walls;
}
