import { expect, test, type Page } from '@playwright/test';
import { openJob, signIn } from './helpers';

/** A job with an inverter panel; returns its address. */
async function plannedJob(page: Page, title: string): Promise<string> {
  await openJob(page, title);
  await page.getByRole('button', { name: /30 A travel trailer, converter in the panel/ }).click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a retrofit' }).click();
  await page.getByRole('radio', { name: /On a main-panel breaker/ }).click();
  await page.getByRole('checkbox', { name: 'Inside outlets' }).check();
  await page.getByRole('radio', { name: 'moved ahead of the transfer point' }).check();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.locator('[data-tray=inverter_panel]')).toBeVisible();
  return page.url();
}

async function move(page: Page, circuit: string, wires = 'hot and neutral'): Promise<void> {
  await page.locator(`[data-circuit=${circuit}]`).focus();
  await page.keyboard.press('m');
  await page.getByRole('radio', { name: wires, exact: true }).check();
  await page.getByRole('button', { name: 'Move it' }).click();
}

test('two people: different places go together, the same place asks', async ({ page, browser }) => {
  await signIn(page);
  const address = await plannedJob(page, 'Two at once');
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'tech');
  await other.goto(address);
  await expect(other.locator('[data-tray=inverter_panel]')).toBeVisible();
  // Somewhere without a connection to speak of: what the other does does not come in.
  await page.route('**/here', (r) => r.abort());

  // Each moves another circuit; the second is rebased, and both wanted the same free slot.
  await move(page, 'c_air');
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_air]')).toBeVisible();
  await move(other, 'c_fridge');
  await expect(other.locator('[data-tray=inverter_panel] [data-circuit=c_fridge]')).toBeVisible();
  await expect(other.locator('[data-tray=inverter_panel] [data-circuit=c_air]')).toBeVisible();

  // The first still looks at the older design and moves what the other has just moved.
  await move(page, 'c_fridge', 'the neutral alone');
  await expect(page.getByText('Somebody changed the same place')).toBeVisible();
  await expect(page.getByText(/Idris Quill: moved Absorption fridge/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Keep theirs' }).click();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_fridge]')).toBeVisible();

  // Undo takes back one's own edit, not the other's.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-tray=main_panel] [data-circuit=c_air]')).toBeVisible();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_fridge]')).toBeVisible();
  await other.context().close();
});

test('each sees the other and what they do, and nothing moves under a hand', async ({ page, browser }) => {
  await signIn(page);
  const address = await plannedJob(page, 'Seen by both');
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'tech');
  await other.goto(address);
  await expect(page.getByLabel(/Idris Quill is here, in Plan/)).toBeVisible();
  await expect(other.getByLabel(/Maren Voss is here, in Plan/)).toBeVisible();

  await move(other, 'c_air');
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_air]')).toBeVisible();

  // With a dialog open the other's change waits behind a word.
  await page.locator('[data-circuit=c_fridge]').focus();
  await page.keyboard.press('m');
  await expect(page.getByRole('button', { name: 'Move it' })).toBeVisible();
  await move(other, 'c_water');
  await expect(page.getByRole('button', { name: /Idris Quill: moved Water heater element/ })).toBeVisible();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_water]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Move it' }).click();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_fridge]')).toBeVisible();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_water]')).toBeVisible();
  await other.context().close();
  await expect(page.getByLabel(/Idris Quill is here/)).toHaveCount(0, { timeout: 20_000 });
});

test('in a conflict either side can be taken, and the history keeps both', async ({ page, browser }) => {
  await signIn(page);
  const address = await plannedJob(page, 'Mine after all');
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'tech');
  await other.goto(address);
  await page.route('**/here', (r) => r.abort());
  await move(other, 'c_fridge');
  await expect(other.locator('[data-tray=inverter_panel] [data-circuit=c_fridge]')).toBeVisible();
  await move(page, 'c_fridge', 'the neutral alone');
  await page.getByRole('button', { name: 'Use mine instead' }).click();
  await expect(page.getByText('Somebody changed the same place')).toBeHidden();
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByText('moved the neutral of Absorption fridge to Inverter panel')).toBeVisible();
  await expect(
    page.locator('.history li').filter({ hasText: 'moved Absorption fridge to Inverter panel' }),
  ).toBeVisible();
  await other.context().close();
});

test('history tells who did what, and goes back', async ({ page }) => {
  await signIn(page);
  await plannedJob(page, 'With a past');
  await move(page, 'c_air');
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_air]')).toBeVisible();
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByText('moved Air conditioner to Inverter panel')).toBeVisible();
  await expect(page.getByText('started the survey from')).toBeVisible();
  const earlier = page.locator('.history li').filter({ hasText: 'chose "On a main-panel breaker' });
  await earlier.getByRole('button', { name: 'Go back to this' }).click();
  await expect(page.getByText('went back to revision').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-tray=main_panel] [data-circuit=c_air]')).toBeVisible();
});

test('a plan in stages: each end is proven by itself', async ({ page }) => {
  await signIn(page);
  await plannedJob(page, 'In two goes');
  await page.getByText('Changes', { exact: true }).click();
  await page.getByLabel('Title of a new stage').fill('After the season');
  await page.getByRole('button', { name: 'Add a stage' }).click();
  await expect(page.getByRole('heading', { name: 'After the season' })).toBeVisible();
  const neutral = page.locator('.changes li').filter({ hasText: 'Inside outlets where the neutral lands' });
  await neutral.locator('.ant-select').click();
  await page.locator('.ant-select-item-option').filter({ hasText: 'After the season' }).click();
  await expect(
    page
      .locator('section')
      .filter({ hasText: 'After the season' })
      .getByText('Inside outlets where the neutral lands: Inverter panel')
      .first(),
  ).toBeVisible();
  // Between the stages the hot has moved and its neutral has not.
  await page.getByText(/: Whole retrofit$/).click();
  await expect(page.getByRole('button', { name: /Hot without its neutral/ }).first()).toBeVisible();
  await page
    .getByText(/: After the season$/)
    .first()
    .click();
  await expect(page.getByRole('button', { name: /Hot without its neutral/ })).toHaveCount(0);
});

test("another workshop's job is not there", async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/99999/plan');
  await expect(page.getByText('That did not work.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Try again' })).toBeVisible();
});

test('a wrong password says so without saying which', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('E-mail').fill('lead@hollin.test');
  await page.getByLabel('Password', { exact: true }).fill('not this one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert').getByText('do not go together')).toBeVisible();
});
