import { expect, test } from '@playwright/test';
import { openJob, signIn } from './helpers';

test.beforeEach(async ({ page }) => {
  await signIn(page);
  await openJob(page, 'Survey test');
  await page.getByRole('button', { name: /30 A travel trailer, converter on a plug/ }).click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
});

test('assumed values look assumed until somebody looks', async ({ page }) => {
  const row = page.getByRole('row', { name: /Air conditioner/ });
  await expect(row.getByText('~12 AWG')).toBeVisible();
  const all = page.getByRole('button', { name: /^✓ all \d+ as shown/ });
  const before = Number(/(\d+)/.exec(await all.innerText())![1]);
  await page.getByRole('button', { name: 'Open Air conditioner' }).click();
  await page.getByRole('textbox', { name: 'Length, one way' }).fill('11');
  await expect(page.getByText('Write a number and its unit: 18 ft, 4 in or 5.5 m.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Length, one way' }).fill('11 ft');
  await page.getByLabel('How Length, one way is known').click({ force: true });
  await page.getByTitle('measured', { exact: true }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(row.getByText('11 ft')).toBeVisible();
  await expect(all).toContainText(`all ${before - 1} as shown`);
  // The job file keeps what was typed, who looked and when.
  const file = JSON.parse(
    await (await page.request.get(page.url().replace('/jobs/', '/api/v1/jobs/').replace('/survey', '/file'))).text(),
  );
  expect(file.asFound.components.c_air.cable.lengthM).toMatchObject({
    value: 3.353,
    basis: 'measured',
    entered: '11 ft',
    by: 'Maren Voss',
    at: expect.stringMatching(/^\d{4}-\d{2}-\d{2}$/),
  });
});

test('a gauge is picked from a list that shows the copper', async ({ page }) => {
  await page.getByRole('button', { name: 'Open Air conditioner' }).click();
  await page.getByRole('combobox', { name: 'Size', exact: true }).click({ force: true });
  await page.getByRole('combobox', { name: 'Size', exact: true }).fill('3');
  await expect(page.locator('.ant-select-item-option').filter({ hasText: '3 AWG (26.7 mm²)' })).toBeVisible();
  await expect(page.locator('.ant-select-item-option').filter({ hasText: '3/0 AWG (85.0 mm²)' })).toBeVisible();
});

test('several circuits at once, and none when one is wrong', async ({ page }) => {
  await page.getByRole('button', { name: 'Open Air conditioner' }).click();
  await page.getByRole('button', { name: 'Take it out …' }).click();
  await page.getByRole('button', { name: 'Take it out', exact: true }).click();
  await expect(page.getByRole('row', { name: /Air conditioner/ })).toHaveCount(0);
  const entry = page.getByLabel('Quick entry', { exact: true });
  await entry.fill('15 loft lamps 14/2 12ft #4a');
  await entry.press('Shift+Enter');
  await entry.pressSequentially('15 loft fan 2/0 #4b');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('battery-cable size').first()).toBeVisible();
  await expect(page.getByRole('row', { name: /Loft lamps/ })).toHaveCount(0);
  await expect(entry).toHaveValue(/loft fan/);
  await entry.fill('15 loft lamps 14/2 12ft #4a\n15 loft fan 14/2 #4b 60w');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('row', { name: /Loft lamps 15 A/ })).toContainText('12 ft');
  await expect(page.getByRole('row', { name: /Loft fan 15 A/ })).toContainText('60 W');
  await expect(entry).toHaveValue('');
});

test('what must run changes what is checked', async ({ page }) => {
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page.getByRole('button', { name: /Overload not checked/ })).toBeVisible();
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  await page.getByLabel('Name of a time when loads run together').fill('Noon');
  await page.getByRole('button', { name: 'Add what runs together' }).click();
  const noon = page.getByRole('group', { name: /Together: Noon/ });
  for (const load of ['Air conditioner', 'Water heater element']) {
    await noon.getByRole('checkbox', { name: load }).click();
    await expect(noon.getByRole('checkbox', { name: load })).toBeChecked();
  }
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page.getByRole('button', { name: /Overload: the 15 A pedestal/ })).toBeVisible();
  await expect(page.getByLabel('running')).toHaveValue(/s_/);
});

test('sizes answer by school, and a fuse is taken over into the plan', async ({ page }) => {
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a retrofit' }).click();
  await page.getByRole('radio', { name: /In line ahead/ }).click();
  await page.getByRole('radio', { name: 'taken out' }).check();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.locator('[data-plate=inverter]')).toBeVisible();
  await page.getByRole('link', { name: 'Size', exact: true }).click();
  // Opened where it stands, and its consequence read at once.
  await page.getByRole('button', { name: 'Open Main fuse' }).click();
  await page.getByRole('textbox', { name: /Rating/ }).fill('300');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByText('is an interim part')).toBeVisible();
  await page.getByRole('button', { name: 'use 400 A' }).click();
  await expect(page.getByText('is an interim part')).toHaveCount(0);
  await expect(page.locator('.big').first()).toHaveText('4/0 AWG');
  await page.getByLabel('ampacity by').selectOption('building');
  await expect(page.getByText('A single conductor: nothing up to 4/0 AWG')).toBeVisible();
  await page.getByRole('button', { name: /^Design current/ }).click();
  await expect(page.getByText('larger of 1.25 × 284.1 A and 324.7 A')).toBeVisible();
});
