import { expect, test, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { signIn } from './helpers';

/* One tablet that goes from hand to hand: nobody's work is shown to another, and nothing that was written is lost. */

/** Everything that the browser keeps of a page's origin, as text. */
async function kept(page: Page): Promise<string> {
  return page.evaluate(async () => {
    const found: string[] = [JSON.stringify(localStorage)];
    for (const { name, version } of await indexedDB.databases()) {
      const db = await new Promise<IDBDatabase>((done, fail) => {
        const open = indexedDB.open(name!, version);
        open.onsuccess = () => done(open.result);
        open.onerror = () => fail(open.error);
      });
      for (const table of db.objectStoreNames)
        found.push(
          `${name} ${table} ` +
            (await new Promise<string>((done) => {
              const all = db.transaction(table).objectStore(table).getAll();
              all.onsuccess = () => done(JSON.stringify(all.result));
            })),
        );
      db.close();
    }
    for (const name of await caches.keys())
      for (const request of await (await caches.open(name)).keys()) found.push(`${name} ${request.url}`);
    return found.join('\n');
  });
}

async function note(page: Page, words: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a note' }).click();
  await page.getByRole('textbox', { name: 'Add a note' }).fill(words);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(words)).toBeVisible();
}

async function signOut(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: /account, theme/i }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByLabel('E-mail')).toBeVisible();
}

/** Another workshop on the same server, by a link that the server's keeper makes. */
async function anotherWorkshop(page: Page): Promise<{ email: string; password: string }> {
  const said = execFileSync('bin/hollin', ['set-up'], {
    env: { ...process.env, HOLLIN_STATE: process.env.HOLLIN_STATE ?? 'run' },
  }).toString();
  const link = /\S*\/set-up\/\S+/.exec(said)![0];
  const email = `keeper-${crypto.randomUUID().slice(0, 8)}@other.test`;
  const password = 'fern-and-slate-roof';
  await page.goto(new URL(link, page.url()).pathname + new URL(link, page.url()).search);
  await page.getByLabel('Workshop', { exact: true }).fill('Other Wharf');
  await page.getByLabel('Your name').fill('Una Other');
  await page.getByLabel('E-mail').fill(email);
  for (const field of await page.locator('input[type=password]').all()) await field.fill(password);
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByRole('heading', { name: 'On the floor' })).toBeVisible();
  return { email, password };
}

test('two workshops on one tablet, without a signal in between', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 820, height: 1180 } });
  const page = await context.newPage();
  await page.goto('/');
  const other = await anotherWorkshop(page);
  await signOut(page);

  await signIn(page, 'tech');
  await page.goto('/rig/3');
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toBeVisible();
  const title = await heading.innerText();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await page.reload();
  await expect(heading).toHaveText(title);
  const photo = page.waitForResponse((r) => /\/photos\/\d+$/.test(r.url()), { timeout: 3000 }).catch(() => null);
  const seen = await photo;
  if (seen) expect(seen.headers()['cache-control']).toContain('no-store');

  await context.setOffline(true);
  const words = `written in the yard ${crypto.randomUUID().slice(0, 8)}`;
  await note(page, words);

  // Signed out without a signal: nothing of the workshop is left to see but what waits for its owner.
  await page.goto('/');
  await page.getByRole('button', { name: /account, theme/i }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByLabel('E-mail')).toBeVisible();
  await page.goto('/rig/3');
  await expect(page.getByLabel('E-mail')).toBeVisible();
  const after = await kept(page);
  expect(after).toContain(words);
  expect(after).not.toContain(title);
  expect(after.match(/ packs \[\]/g)?.length ?? 0).toBe(after.match(/ packs /g)?.length ?? 0);
  expect(after.match(/ drawings \[\]/g)?.length ?? 0).toBe(after.match(/ drawings /g)?.length ?? 0);
  expect(after).not.toContain('hollin.walls');

  // Somebody of another workshop, with a signal again: the one before is out at the server too.
  await context.setOffline(false);
  await page.goto('/');
  await expect(page.getByLabel('E-mail')).toBeVisible();
  expect((await page.request.get('/api/v1/session')).status()).toBe(401);
  await page.getByLabel('E-mail').fill(other.email);
  await page.getByLabel('Password', { exact: true }).fill(other.password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'On the floor' })).toBeVisible();
  await page.goto('/rig/3');
  await expect(page.getByText(words)).toHaveCount(0);
  await expect(page.getByText(title)).toHaveCount(0);
  await context.setOffline(true);
  await page.goto('/rig/3');
  await expect(page.getByText(title)).toHaveCount(0);
  await expect(page.getByText(words)).toHaveCount(0);
  await context.setOffline(false);
  // It waits, and goes in nobody else's name.
  await page.waitForTimeout(1500);
  expect(await kept(page)).toContain(words);
  await signOut(page);

  await signIn(page, 'tech');
  const lines = async () =>
    (
      (await page.request.get('/api/v1/jobs/3/log').then((r) => r.json())) as {
        lines: { by: string; says: { words?: string } }[];
      }
    ).lines.filter((l) => l.says.words === words);
  expect(await lines()).toEqual([]);
  await page.goto('/rig/3');
  await expect(page.getByRole('button', { name: 'All there' })).toBeVisible();
  await expect.poll(async () => (await lines()).map((l) => l.by)).toEqual(['Idris Quill']);
  await context.close();
});
