// Runs of a tablet that brings what it was written on while browser and server are killed; see bin/kills-tablet.
import { chromium } from '@playwright/test';
import { execFileSync, spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createHash } from 'node:crypto';

const [runs, seed] = process.argv.slice(2).map(Number);
const root = join(import.meta.dirname, '..');
const LINES = 2000;
const PHOTOS = 200;
/** Kills of one run at most: then it may come to its end. */
const MOST_KILLS = 4;
const STATE = 'tablet';
const PORT = await free();
const HOME = `http://127.0.0.1:${PORT}`;

/** A port that nobody has: several of these run at once. */
async function free() {
  const server = createServer();
  await new Promise((up) => server.listen(0, '127.0.0.1', up));
  const { port } = server.address();
  await new Promise((down) => server.close(down));
  return port;
}

// Drawn numbers that a seed makes again.
let drawn = seed;
const random = () => (drawn = (drawn * 1103515245 + 12345) % 2147483648) / 2147483648;
const between = (a, b) => a + Math.floor(random() * (b - a));
const sleep = (ms) => new Promise((done) => setTimeout(done, ms));

function startServer() {
  const server = spawn('bin/start', ['--fresh', '--port', String(PORT)], {
    cwd: root,
    env: { ...process.env, HOLLIN_STATE: STATE },
    detached: true,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((up) => server.stdout.on('data', (d) => String(d).includes('Ctrl-C') && up(server)));
}

const folder = () =>
  execFileSync('bash', ['-c', `ROOT=${root}; . deploy/machine.sh; state_dir ${STATE}`], { cwd: root })
    .toString()
    .trim();

/** One part of the server, or all of them, as a power cut takes them. */
function killServer() {
  const parts = join(folder(), 'parts');
  const names = readdirSync(parts).filter((n) => ['php', 'web', 'database', 'worker'].includes(n));
  const which = random() < 0.25 ? names : [names[between(0, names.length)]];
  for (const name of which) {
    try {
      process.kill(-Number(readFileSync(join(parts, name), 'utf8')), 'SIGKILL');
    } catch {
      // Just gone by itself.
    }
  }
}

/** Until the server answers again: a part that was killed often is started again after ten seconds only. */
async function answering() {
  for (;;) {
    try {
      if ((await fetch(`${HOME}/up`)).ok) return;
    } catch {
      // Not yet.
    }
    await sleep(200);
  }
}

const killBrowser = (profile) => {
  try {
    execFileSync('pkill', ['-KILL', '-f', profile]);
  } catch {
    // Not running just then.
  }
};

async function openTablet(profile) {
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-background-networking', '--no-first-run'],
  });
  return { context, page: context.pages()[0] ?? (await context.newPage()) };
}

async function signIn(page) {
  for (;;) {
    try {
      await page.goto(HOME, { timeout: 10_000 });
      const mail = page.getByLabel('E-mail');
      const floor = page.getByRole('heading', { name: 'On the floor' });
      await mail.or(floor).first().waitFor({ timeout: 8000 });
      if (await floor.isVisible()) return;
      await mail.fill('lead@hollin.test');
      await page.getByLabel('Password', { exact: true }).fill('rowan-and-lath');
      await page.getByRole('button', { name: 'Sign in' }).click();
      await floor.waitFor({ timeout: 8000 });
      return;
    } catch (e) {
      if (String(e).includes('has been closed')) throw e;
      await sleep(500);
    }
  }
}

/** A job of its own with a plan that is approved, over the interface's own API. */
async function prepare(page, n) {
  return page.evaluate(async (title) => {
    const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1]);
    const post = async (path, body) => {
      const answer = await fetch(`/api/v1${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token },
        body: JSON.stringify(body),
      });
      if (!answer.ok) throw new Error(`${path} ${answer.status} ${await answer.text()}`);
      return answer.json();
    };
    const { id } = await post('/jobs', { title, kind: 'travel_trailer' });
    const edit = (base, intent) =>
      post(`/jobs/${id}/edits`, { uuid: crypto.randomUUID(), base, intent, want: [], have: [] });
    await edit(1, { kind: 'lay_out', layout: 'trailer_30_in_panel' });
    await edit(2, { kind: 'add_plan', id: 'p', title: 'Another breaker' });
    await edit(3, { kind: 'plan_set', plan: 'p', component: 'c_outlets', path: '/breakerA', value: 20 });
    const open = await fetch(`/api/v1/jobs/${id}/approvals?plan=p`).then((r) => r.json());
    const why = Object.fromEntries(open.open.map((f) => [f.id, 'was so before']));
    await post(`/jobs/${id}/approvals`, { uuid: crypto.randomUUID(), revision: 4, plan: 'p', open: why });
    return id;
  }, `Kill ${n}`);
}

/** Writes what was written in days without a signal into the tablet's store: the same records as the pages write. */
async function write(page, job, lines, photos) {
  await page.evaluate(
    async ({ job, lines, photos }) => {
      const db = await new Promise((done, fail) => {
        // Everybody has a store of their own.
        const who = JSON.parse(localStorage.getItem('hollin.me'));
        const asked = indexedDB.open(`hollin-${who.workshopId}-${who.id}`);
        asked.onsuccess = () => done(asked.result);
        asked.onerror = () => fail(asked.error);
      });
      const me = JSON.parse(localStorage.getItem('hollin.me'));
      const put = (tx) => new Promise((done, fail) => ((tx.oncomplete = done), (tx.onerror = () => fail(tx.error))));
      const tx = db.transaction(['outbox', 'pictures'], 'readwrite');
      for (const { sha256, bytes } of photos) {
        const blob = new Blob([Uint8Array.from(atob(bytes), (c) => c.charCodeAt(0))], { type: 'image/png' });
        tx.objectStore('pictures').put({ sha256, job, component: 'inlet', blob, sent: 0 });
      }
      lines.forEach((line) =>
        tx
          .objectStore('outbox')
          .put({ uuid: line.uuid, job, revision: 4, by: me.id, name: me.name, line, problems: null }),
      );
      await put(tx);
      db.close();
    },
    { job, lines, photos },
  );
}

const waiting = (page, job) =>
  page.evaluate(
    (job) =>
      new Promise((done, fail) => {
        const who = JSON.parse(localStorage.getItem('hollin.me'));
        const asked = indexedDB.open(`hollin-${who.workshopId}-${who.id}`);
        asked.onerror = () => fail(asked.error);
        asked.onsuccess = () => {
          const db = asked.result;
          const tx = db.transaction(['outbox', 'pictures']);
          const lines = tx.objectStore('outbox').index('job').count(job);
          const pictures = tx.objectStore('pictures').index('sent').count(0);
          tx.oncomplete = () => {
            db.close();
            done(lines.result + pictures.result);
          };
        };
      }),
    job,
  );

/** A small picture that no other is like, also when it has been written anew: its number on a coloured ground. */
async function picture(page, n) {
  const bytes = await page.evaluate((n) => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 96, height: 48 });
    const pen = canvas.getContext('2d');
    pen.fillStyle = `rgb(${n % 251}, ${Math.floor(n / 251) % 251}, 90)`;
    pen.fillRect(0, 0, 96, 48);
    pen.fillStyle = 'white';
    pen.font = '28px sans-serif';
    pen.fillText(String(n), 4, 34);
    return canvas.toDataURL('image/png').split(',')[1];
  }, n);
  return { bytes, sha256: createHash('sha256').update(Buffer.from(bytes, 'base64')).digest('hex') };
}

async function run(n) {
  const profile = mkdtempSync(join(tmpdir(), 'hollin-tablet-'));
  let { context, page } = await openTablet(profile);
  await signIn(page);
  const job = await prepare(page, n);
  // Once with a signal: the tablet carries the work, the page has made the store.
  await page.goto(`${HOME}/rig/${job}`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await context.setOffline(true);
  const lines = Array.from({ length: LINES }, (_, i) => ({
    uuid: crypto.randomUUID(),
    kind: i % 3 === 0 ? 'defect' : 'wire',
    step: '',
    says: i % 3 === 0 ? { words: `defect ${i}` } : { where: `place ${i}`, cut: i % 2 === 0 },
    at: new Date().toISOString().replace(/\.\d+Z$/, 'Z'),
    seen: 0,
  }));
  const photos = [];
  for (let i = 0; i < PHOTOS; i++) photos.push(await picture(page, n * PHOTOS + i));
  await write(page, job, lines, photos);
  await context.setOffline(false);
  let kills = 0;
  const began = Date.now();
  for (;;) {
    try {
      await answering();
      await signIn(page);
      await page.goto(`${HOME}/rig/${job}`, { timeout: 15_000 });
      const until = Date.now() + between(800, 6000);
      while (Date.now() < until && (await waiting(page, job)) > 0) await sleep(100);
      if ((await waiting(page, job)) === 0) break;
      if (Date.now() - began > 600_000) throw new Error('not all brought after ten minutes');
      if (kills >= MOST_KILLS) continue;
      kills++;
      if (random() < 0.5) {
        killBrowser(profile);
        await context.close().catch(() => undefined);
        ({ context, page } = await openTablet(profile));
      } else killServer();
    } catch (e) {
      if (String(e).includes('ten minutes')) throw e;
      await context.close().catch(() => undefined);
      killBrowser(profile);
      ({ context, page } = await openTablet(profile));
    }
  }
  await answering();
  await sleep(500);
  await signIn(page);
  const kept = await page.evaluate(async (job) => {
    const lines = [];
    for (;;) {
      const more = await fetch(`/api/v1/jobs/${job}/log?after=${lines.length}`).then((r) => r.json());
      if (more.lines.length === 0) break;
      lines.push(...more.lines.map((l) => ({ uuid: l.uuid, number: l.number })));
    }
    const photos = await fetch(`/api/v1/jobs/${job}/photos`).then((r) => r.json());
    return { lines, photos: photos.photos.map((p) => p.raw) };
  }, job);
  await context.close();
  rmSync(profile, { recursive: true, force: true });
  const sent = new Set(lines.map((l) => l.uuid));
  const there = new Set(kept.lines.map((l) => l.uuid));
  const lost = [...sent].filter((u) => !there.has(u)).length;
  const doubled = kept.lines.length - there.size;
  const gaps = kept.lines.filter((l, i) => l.number !== i + 1).length;
  const raws = new Set(kept.photos);
  const lostPhotos = photos.filter((p) => !raws.has(p.sha256)).length;
  const doubledPhotos = kept.photos.length - raws.size;
  return { lost, doubled, gaps, lostPhotos, doubledPhotos, kills, seconds: Math.round((Date.now() - began) / 1000) };
}

const server = await startServer();
const sum = { lost: 0, doubled: 0, gaps: 0, lostPhotos: 0, doubledPhotos: 0, kills: 0, seconds: 0 };
try {
  for (let n = 1; n <= runs; n++) {
    const got = await run(n);
    for (const key of Object.keys(sum)) sum[key] += got[key];
    console.log(`run ${n}: ${JSON.stringify(got)}`);
  }
} finally {
  try {
    process.kill(-server.pid, 'SIGTERM');
  } catch {
    // It has gone.
  }
  await sleep(4000);
}
console.log(`${runs} runs of ${LINES} lines and ${PHOTOS} photographs: ${JSON.stringify(sum)}`);
process.exit(sum.lost + sum.doubled + sum.gaps + sum.lostPhotos + sum.doubledPhotos > 0 ? 1 : 0);
