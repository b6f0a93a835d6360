import { expect, test } from '@playwright/test';
import { accessible, openJob, signIn } from './helpers';

test('from what must run to first sizes in under two minutes of hands', async ({ page }) => {
  let steps = 0;
  const step = async (what: Promise<unknown>) => {
    steps++;
    await what;
  };
  await signIn(page);
  await openJob(page, 'Thimble camper');
  await step(page.getByText('30 A truck camper').click());
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  await step(page.getByRole('link', { name: 'Needs', exact: true }).click());
  await expect(page.getByText('Nothing must run yet.')).toBeVisible();
  for (const load of ['Compressor fridge', 'Lights', 'Air conditioner']) {
    await step(page.getByRole('combobox', { name: 'Add a load …' }).fill(load));
    await step(page.keyboard.press('Enter'));
    await expect(page.getByRole('button', { name: new RegExp(`^${load}`) })).toBeVisible();
  }
  await step(page.getByRole('textbox', { name: /type one/ }).fill('kettle 1400w 7:00 15m'));
  await step(page.keyboard.press('Enter'));
  const sizes = page.getByRole('region', { name: 'Sizes that follow' });
  await expect(sizes).toContainText('4000 W');
  await expect(page.getByRole('heading', { name: /The bank over/ })).toBeVisible();
  // Ten seconds a step is slow: twelve of them are two minutes.
  expect(steps).toBeLessThanOrEqual(12);

  // The bank there is room for, and the days follow.
  await sizes.getByLabel('Ah').fill('400');
  await expect(sizes.getByLabel('days without sun or engine')).not.toHaveValue('3');

  // By keys: half an hour later, a quarter longer, and out.
  const bar = page.getByRole('slider', { name: /^Kettle from 7:00/ });
  await bar.press('ArrowRight');
  await expect(page.getByRole('slider', { name: /^Kettle from 7:15 to 7:30/ })).toBeVisible();
  await page.getByRole('slider', { name: /^Kettle/ }).press('Shift+ArrowRight');
  await expect(page.getByRole('slider', { name: /^Kettle from 7:15 to 7:45/ })).toBeVisible();

  // By hand.
  const box = (await page.getByRole('slider', { name: /^Kettle/ }).boundingBox())!;
  await page.mouse.move(box.x + 3, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 103, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('slider', { name: /^Kettle from 7:15/ })).toHaveCount(0);
  await accessible(page);

  // What it is not is said, and nothing is lost.
  await page.getByRole('textbox', { name: /type one/ }).fill('something nice');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Write a name and watts')).toBeVisible();
  await page.getByRole('button', { name: /^Kettle/ }).click();
  await page.getByLabel('Power of one, W').fill('-4');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('From 0 to 6000 W.')).toBeVisible();
  await page.getByLabel('Power of one, W').fill('1200');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: /^Kettle 1200 W/ })).toBeVisible();
});

test('a list of loads comes in, and says of each row what is wrong', async ({ page }) => {
  await signIn(page);
  await openJob(page, 'Bobbin trailer');
  await page.getByText('20 A teardrop').click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Needs', exact: true }).click();
  const list = page.getByLabel('List of loads, comma-separated');
  await list.setInputFiles({
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name,runs on,watts\nFan,48 V,5\n'),
  });
  await expect(page.getByText(/row 2, runs on.*neither 120 V nor 12 V/)).toBeVisible();
  await list.setInputFiles({
    name: 'loads.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name,runs on,watts,hours\nFan,12 V,25,21:00+10\nRadio,120 V,40,8:00+2\n'),
  });
  await expect(page.getByRole('slider', { name: /^Fan from 21:00 to 7:00/ }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Radio/ })).toBeVisible();

  // What a monitor has seen stands against the list, and can count instead of it.
  const rows = Array.from({ length: 96 }, (_, n) => {
    const at = new Date(Date.UTC(2026, 6, 1) + n * 900_000).toISOString().slice(0, 19);
    return `${at}Z,12.8,-6`;
  });
  await page.getByLabel('Log of a battery monitor, comma-separated').setInputFiles({
    name: 'log.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`time,volts,amps\n${rows.join('\n')}\n`),
  });
  await expect(page.getByText('Was the night like what is on the list?')).toBeVisible();
  await page.getByRole('checkbox', { name: /Count what was measured/ }).click();
  await expect(page.getByRole('checkbox', { name: /Count what was measured/ })).toBeChecked();
  await expect(page.getByText('96 readings')).toBeVisible();
});
