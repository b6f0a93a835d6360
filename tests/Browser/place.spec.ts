import { expect, test } from '@playwright/test';
import { accessible, openJob, signIn } from './helpers';

test('a rig from nothing to its scales: outline, a zone, a battery weighed and moved', async ({ page }) => {
  await signIn(page);
  await openJob(page, 'Shuttle trailer');
  await page.getByText('30 A travel trailer, converter in the panel').click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Place', exact: true }).click();
  await expect(page.getByText('Weigh it first')).toBeVisible();

  await page.getByRole('button', { name: 'Outline and weights' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Coupler to middle of the axles').fill('157.5');
  await dialog.getByLabel('Front wall behind the coupler').fill('43');
  await dialog.getByLabel('Length of the body').fill('210');
  await dialog.getByLabel('Weight of all of it').fill('3500');
  await dialog.getByLabel('Of that on the coupler').fill('400');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('The coupler carries 11.4 % of it.')).toBeVisible();
  await expect(page.getByText('These weights are not from a scale.')).toBeVisible();

  // A mass where it sways the rig: sixty pounds far behind the axle, and back ahead of it by keys.
  await page.getByRole('button', { name: 'Add a mass' }).click();
  await dialog.getByLabel('Behind the coupler').fill('4000');
  await dialog.getByLabel('Name').fill('Spare wheel');
  await dialog.getByLabel('Weight', { exact: true }).fill('60');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(dialog.getByText(/-157 to 708 in/)).toBeVisible();
  await dialog.getByLabel('Behind the coupler').fill('230');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  const wheel = page.getByRole('button', { name: /^Spare wheel, 60 lb/ }).first();
  await expect(wheel).toBeVisible();

  await page.getByRole('button', { name: 'Add a zone' }).click();
  await dialog.getByLabel('Behind the coupler').fill('60');
  await dialog.getByLabel('Name').fill('Front locker');
  await dialog.getByLabel('Along the rig').fill('20');
  await dialog.getByLabel('Across the rig').fill('60');
  await dialog.getByLabel('Height', { exact: true }).fill('18');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('button', { name: 'Front locker' })).toBeVisible();

  // The battery goes into it, with its weight from a scale.
  await page
    .getByRole('button', { name: /battery/i })
    .first()
    .click();
  await dialog.getByLabel('In', { exact: true }).click();
  await page.getByTitle('Front locker').click();
  await dialog.getByLabel('Weight', { exact: true }).fill('62');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('nobody has said what holds it in a crash')).toBeVisible();
  await expect(page.getByRole('button', { name: /battery, 62 lb, stays/i }).first()).toBeVisible();
  await accessible(page);
});

test('dragging the bank of a plan forward takes the sway away, and undo brings it back', async ({ page }) => {
  await signIn(page);
  await page
    .getByRole('link', { name: /Grafting trailer 2/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Place', exact: true }).click();
  await expect(page.getByText('Below 10 % a trailer sways.')).toBeVisible();
  const bank = page.getByRole('button', { name: /^Bank,/ }).first();
  const box = (await bank.boundingBox())!;
  await page.mouse.move(box.x + 24, box.y + box.height - 6);
  await page.mouse.down();
  await page.mouse.move(box.x - 290, box.y - 60, { steps: 8 });
  // The scales answer while it is held.
  await expect(page.getByText('Below 10 % a trailer sways.')).toHaveCount(0);
  await page.mouse.up();
  await expect(page.getByText(/takes no charge below 32 °F/)).toBeVisible();
  await page
    .getByRole('button', { name: /Undo|Take back/ })
    .first()
    .click();
  await expect(page.getByText('Below 10 % a trailer sways.')).toBeVisible();
});
