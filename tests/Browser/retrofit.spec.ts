import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { complaints, openJob, signIn } from './helpers';

test('a retrofit from the empty job to paper and back', async ({ page }) => {
  const heard = complaints(page);
  await signIn(page);
  await openJob(page, 'Bee-school trailer');

  // Survey from a layout, then only the differences.
  await page.getByRole('button', { name: /30 A travel trailer, converter in the panel/ }).click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  await page.getByLabel('Quick entry', { exact: true }).fill('20 gfci galley 12/2 18ft #5 900w');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('already taken')).toBeVisible();
  await page.getByLabel('Quick entry', { exact: true }).fill('fridge 20');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('start with the breaker').first()).toBeVisible();
  await page.getByRole('button', { name: 'Open Air conditioner' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).first().fill('Roof unit');
  await page.getByRole('textbox', { name: 'Length, one way' }).fill('12 ft');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('button', { name: 'Roof unit', exact: true })).toBeVisible();
  await expect(page.getByRole('row', { name: /Roof unit/ })).toContainText('12 ft');

  // Choose an arrangement with the converter left on the inverter's side.
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a retrofit' }).click();
  await page.getByRole('radio', { name: /On a main-panel breaker/ }).click();
  await page.getByRole('checkbox', { name: 'Inside outlets' }).check();
  await page.getByRole('checkbox', { name: 'Converter', exact: true }).check();
  await page.getByRole('radio', { name: 'left as it is' }).check();
  await page.getByLabel('Name of the plan').fill('Bees');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.locator('[data-tray=inverter_panel]')).toBeVisible();

  // Read the danger and its witness.
  const danger = page.getByRole('button', { name: /The bank charges itself/ });
  await danger.click();
  await expect(page.getByRole('radio', { name: /^I inverting/ })).toHaveAttribute('aria-checked', 'true');
  await expect(page.getByText('519 Ah a day').first()).toBeVisible();
  expect(await page.locator('.wall .halo').count()).toBeGreaterThan(2);
  await page.getByRole('button', { name: /^Lost/ }).click();
  await expect(page.getByText('748 W × (1 ÷ (0.88 × 0.85) − 1)')).toBeVisible();
  await page.keyboard.press('Escape');

  // The remedy takes it away, undo brings it back.
  if (!(await page.getByRole('button', { name: /Move Converter to Main panel/ }).isVisible())) await danger.click();
  await page.getByRole('button', { name: /Move Converter to Main panel/ }).click();
  await expect(danger).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(danger).toBeVisible();
  await danger.click();
  await page.getByRole('button', { name: /Move Converter to Main panel/ }).click();
  await expect(danger).toHaveCount(0);

  // A circuit moves by keyboard: the neutral forgotten, then fetched.
  await page.locator('[data-circuit=c_fridge]').focus();
  await page.keyboard.press('m');
  await page.getByRole('radio', { name: 'the hot alone' }).check();
  await page.getByRole('button', { name: 'Move it' }).click();
  const split = page.getByRole('button', { name: /Hot without its neutral/ }).first();
  await expect(split).toBeVisible();
  await split.click();
  await page
    .getByRole('button', { name: /Move the neutral of Absorption fridge/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /Hot without its neutral/ })).toHaveCount(0);

  // And by drag.
  const from = page.locator('[data-circuit=c_water]');
  const a = (await from.boundingBox())!;
  const b = (await page.locator('[data-tray=inverter_panel]').boundingBox())!;
  await page.mouse.move(a.x + 60, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(a.x + 90, a.y + a.height / 2 + 10, { steps: 4 });
  await page.mouse.move(b.x + b.width / 2, b.y + b.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_water]')).toBeVisible();

  // And back in hand, by keys alone: the name of what is held and the place it is over are seen.
  await page.locator('[data-circuit=c_water]').focus();
  await page.keyboard.press('Shift+Space');
  await expect(page.locator('.in-hand')).toContainText('hot and neutral');
  // On a machine that is busy the places open a moment after the circuit is in hand.
  await expect(async () => {
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('.tray.is-over')).toHaveAttribute('data-tray', 'main_panel', { timeout: 1500 });
  }).toPass();
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-tray=main_panel] [data-circuit=c_water]')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_water]')).toBeVisible();

  // Nothing is lost on a reload.
  await page.reload();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_water]')).toBeVisible();

  // Print: the sheet on screen, and as PDF.
  const sheetPage = page.waitForEvent('popup');
  await page.getByRole('button', { name: 'Print & files' }).click();
  await page.getByText('Plan sheet, to print').click();
  const sheet = await sheetPage;
  await expect(sheet.getByRole('heading', { name: 'Bee-school trailer' })).toBeVisible();
  await expect(sheet.getByText('What is live, by operating state')).toBeVisible();
  await sheet.close();
  await page.getByRole('button', { name: 'Print & files' }).click();
  const pdf = page.waitForEvent('download');
  await page.getByText('Plan sheet as PDF, Letter').click();
  const bytes = readFileSync((await (await pdf).path())!);
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.length).toBeGreaterThan(20_000);

  // Export, and import into an empty job.
  await page.getByRole('button', { name: 'Print & files' }).click();
  const download = page.waitForEvent('download');
  await page.getByText('Download the job file').click();
  const file = (await (await download).path())!;
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ hollin: 'job', format: 1 });
  await page.goto('/');
  await openJob(page, 'Empty');
  await page.locator('input[type=file]').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"hollin": "job", "format": 9}'),
  });
  await expect(page.getByText('written by a newer Hollin')).toBeVisible();
  await page.getByRole('button', { name: 'OK' }).click();
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByRole('button', { name: 'Roof unit', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_water]')).toBeVisible();

  expect(heard).toEqual([]);
});

test('markup in a name is text', async ({ page }) => {
  const heard = complaints(page);
  await signIn(page);
  await openJob(page, '<img src=x onerror=alert(1)>');
  await page.getByRole('button', { name: /20 A teardrop/ }).click();
  await page.getByLabel('Quick entry', { exact: true }).fill('15 <script>alert(1)</script> 14/2 #3');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('already taken')).toBeVisible();
  await expect(page.getByText('<img src=x onerror=alert(1)>')).toBeVisible();
  expect(heard).toEqual([]);
});

test('a planned part is opened where it stands, changed, and taken back to what the arrangement wrote', async ({
  page,
}) => {
  await signIn(page);
  await openJob(page, 'By hand');
  await page.getByRole('button', { name: /30 A travel trailer, converter in the panel/ }).click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a retrofit' }).click();
  await page.getByRole('radio', { name: /On a main-panel breaker/ }).click();
  await page.getByRole('checkbox', { name: 'Inside outlets' }).check();
  await page.getByRole('radio', { name: 'taken out' }).check();
  await page.getByRole('button', { name: 'Plan it' }).click();
  const fuse = page.locator('[data-plate=main_fuse]');
  await expect(fuse).toBeVisible();
  const before = (await fuse.innerText()).replace(/\s+/g, ' ');

  await fuse.focus();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: /Rating/ }).fill('175');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(fuse).toContainText('175 A');

  await fuse.dblclick();
  await expect(page.getByLabel('Set by hand')).toContainText('175');
  await page.getByRole('button', { name: 'Reset' }).click();
  await expect(fuse).not.toContainText('175 A');
  expect((await fuse.innerText()).replace(/\s+/g, ' ')).toBe(before);

  // Another plan begins as this one stands.
  await page.getByText('Changes', { exact: true }).click();
  await page.getByRole('button', { name: 'Begin another plan from this one' }).click();
  await page.getByText('Wall', { exact: true }).click();
  await expect(fuse).toBeVisible();
});
