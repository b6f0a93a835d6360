import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { accessible, complaints, openJob, signIn } from './helpers';

test('from a plan to its approval, down the rope, past a gate, to what stays open', async ({ page }) => {
  const heard = complaints(page);
  await signIn(page);
  await openJob(page, 'Loom trailer');
  await page.getByText('30 A travel trailer, converter in the panel').click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  const job = /jobs\/(\d+)/.exec(page.url())![1]!;
  await page.getByRole('link', { name: 'Build', exact: true }).click();
  await expect(page.getByText('There is no plan yet')).toBeVisible();

  // A plan of one circuit that gets another breaker.
  const token = (await page.context().cookies()).find((c) => c.name === 'XSRF-TOKEN')!.value;
  const headers = { 'X-XSRF-TOKEN': decodeURIComponent(token), 'X-Requested-With': 'XMLHttpRequest' };
  const edit = async (base: number, intent: Record<string, unknown>) => {
    const answer = await page.request.post(`/api/v1/jobs/${job}/edits`, {
      headers,
      data: { uuid: crypto.randomUUID(), base, intent, want: [], have: [] },
    });
    expect(answer.ok(), await answer.text()).toBe(true);
    return ((await answer.json()) as { revision: number }).revision;
  };
  const at = await page.request.get(`/api/v1/jobs/${job}`).then((r) => r.json() as Promise<{ revision: number }>);
  let head = await edit(at.revision, { kind: 'add_plan', id: 'p', title: 'Another breaker' });
  head = await edit(head, { kind: 'plan_set', plan: 'p', component: 'c_outlets', path: '/breakerA', value: 20 });
  await edit(head, { kind: 'plan_set', plan: 'p', component: 'c_air', path: '/label', value: 'Roof air' });

  await page.reload();
  await expect(page.getByText('A draft: nothing is built from it')).toBeVisible();
  await page.getByRole('button', { name: 'Approve it for building' }).click();
  const dialog = page.getByRole('dialog');
  // Whatever is dangerous in this rig is named, each with a reason.
  await expect(dialog.getByText(/No danger is open|danger/).first()).toBeVisible();
  for (const reason of await dialog.getByPlaceholder('Why it may stay open, and until when').all())
    await reason.fill('was so before; told to the owner');
  await dialog.getByRole('button', { name: 'Approve it for building' }).click();
  await expect(page.getByText(/Approved at r\d+/)).toBeVisible();

  // The gate: it opens nothing until every source is ticked, or somebody says why.
  const rope = page.getByRole('list', { name: 'The rope' });
  await rope.getByRole('button', { name: /Every source open and locked/ }).click();
  await expect(page.getByRole('heading', { name: 'Every source open and locked' })).toBeVisible();
  await expect(page.getByRole('button', { name: /Proven: \d+ still to do/ })).toBeDisabled();
  await accessible(page);
  await rope.getByRole('button', { name: /Everything is here and fits/ }).click();
  await page.getByRole('checkbox', { name: /Counted, held against the list/ }).click();
  await page.getByRole('button', { name: 'Proven', exact: true }).click();
  await rope.getByRole('button', { name: /Baseline readings/ }).click();
  await page.getByRole('button', { name: 'Go on without it …' }).click();
  await page.getByLabel(/Why it is passed without proof/).fill('meter is on its way');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  // On every later step it is said, with its reason, until it is closed.
  await rope.getByRole('button', { name: /Every source open and locked/ }).click();
  const over = page.getByRole('list', { name: 'Passed without proof on the way here' });
  await expect(over).toContainText('Not proven: Baseline readings');
  await expect(over).toContainText('meter is on its way');
  await expect(page.getByText('Nobody passes this without its proof.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Go on without it …' })).toHaveCount(0);
  // Sources one after another: the second waits for the first.
  const ticks = page.locator('.step-asks').getByRole('checkbox');
  await expect(ticks.nth(1)).toBeDisabled();
  await ticks.nth(0).click();
  await expect(ticks.nth(1)).toBeEnabled();
  await page.getByText(/Open items/).click();
  await expect(page.getByText('Baseline readings: passed without proof, meter is on its way')).toBeVisible();
  await expect(page.getByText('Blocks the hand-over').first()).toBeVisible();
  await accessible(page);

  // Days, and the calendar read back by another parser.
  await page.getByText('Days', { exact: true }).click();
  await expect(page.getByRole('heading', { name: /^Ready / })).toBeVisible();
  await accessible(page);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Calendar file' }).click(),
  ]);
  const { default: ical } = (await import('ical.js')) as { default: typeof import('ical.js').default };
  const events = new ical.Component(ical.parse(readFileSync(await file.path(), 'utf8'))).getAllSubcomponents('vevent');
  expect(events.length).toBeGreaterThan(3);
  expect(events.map((e) => String(e.getFirstPropertyValue('summary')))).toContain('Every source open and locked');
  for (const e of events) {
    const event = new ical.Event(e);
    expect(event.endDate.toUnixTime()).toBeGreaterThan(event.startDate.toUnixTime());
  }

  await page.getByText('Labels', { exact: true }).click();
  await expect(page.getByText('Panel directory')).toBeVisible();
  await accessible(page);
  expect(heard).toEqual([]);
});

test('beside the rig without a signal: the tablet starts, is written on, is killed, and brings everything', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 820, height: 1180 } });
  let page = await context.newPage();
  await signIn(page, 'tech');
  await page.goto('/rig/3');
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toBeVisible();
  const title = await heading.innerText();
  await accessible(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  // The page itself comes from the worker once it has been fetched with one.
  await page.reload();
  await expect(heading).toBeVisible();

  await context.setOffline(true);
  await page.reload();
  await expect(heading).toHaveText(title);
  await expect(page.getByRole('button', { name: 'No signal' })).toBeVisible();
  const words = `note ${crypto.randomUUID().slice(0, 8)}`;
  await page.getByRole('button', { name: 'Add a note' }).click();
  await page.getByRole('textbox', { name: 'Add a note' }).fill(words);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(words)).toBeVisible();

  // Killed, and started again, still without a signal: what was written is there.
  await page.close();
  page = await context.newPage();
  await page.goto('/rig/3');
  await expect(page.getByText(words)).toBeVisible();

  await context.setOffline(false);
  await page.reload();
  await expect(page.getByRole('button', { name: 'All there' })).toBeVisible();
  const lines = (await page.request.get('/api/v1/jobs/3/log').then((r) => r.json())) as {
    lines: { says: { words?: string } }[];
  };
  expect(lines.lines.filter((l) => l.says.words === words)).toHaveLength(1);
  await context.close();
});

test('a figure typed in words is asked back, a photograph is marked and kept', async ({ page }) => {
  await signIn(page, 'tech');
  await page.setViewportSize({ width: 820, height: 1180 });
  await page.goto('/rig/3');
  await page.getByRole('button', { name: 'Rope', exact: true }).click();
  await page.getByRole('button', { name: /Land the battery board/ }).click();
  const figure = page.getByLabel(/^Torque, /).first();
  await figure.fill('bananas');
  await figure.press('Enter');
  await expect(page.getByText('A number belongs here, such as 12.4')).toBeVisible();
  await figure.fill('1,500');
  await figure.press('Enter');
  await expect(page.getByText('This can be read in two ways')).toBeVisible();
  await figure.fill('12.5');
  await figure.press('Enter');
  await expect(page.getByText(/Idris Quill, /).first()).toBeVisible();

  await page.getByRole('button', { name: 'Rope', exact: true }).click();
  await page.getByRole('button', { name: /Photograph and close Main panel/ }).click();
  await page.getByLabel(/^Photograph: With the cover off/).setInputFiles('docs/screenshots/plan-wall.png');
  const dialog = page.getByRole('dialog');
  const drawing = dialog.getByRole('img', { name: 'Draw arrows with a finger' });
  await expect(drawing).toBeVisible();
  const box = (await drawing.boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + 160, box.y + 90, { steps: 4 });
  await page.mouse.up();
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('1 photograph', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'All there' })).toBeVisible();
  const log = (await page.request.get('/api/v1/jobs/3/log?after=0').then((r) => r.json())) as {
    lines: { kind: string; says: { arrows?: Record<string, { x: number }> } }[];
  };
  const photo = log.lines.filter((l) => l.kind === 'photo').at(-1)!;
  expect(Object.values(photo.says.arrows ?? {})).toHaveLength(1);
});
