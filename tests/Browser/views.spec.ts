import { expect, test } from '@playwright/test';
import { accessible, complaints, signIn } from './helpers';

test.describe('every view, by axe', () => {
  test.describe.configure({ mode: 'parallel' });

  test('sign-in', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('E-mail').waitFor();
    await accessible(page);
  });

  for (const theme of ['light', 'dark']) {
    test(`jobs, survey, plan in all forms, size, reference, sheet: ${theme}`, async ({ page }) => {
      const heard = complaints(page);
      // The other theme differs in its colours.
      const look = () => accessible(page, theme === 'dark');
      test.setTimeout(300_000);
      await page.addInitScript((t) => localStorage.setItem('hollin.theme', t), theme);
      await signIn(page);
      await look();
      await page.getByRole('link', { name: /Grafting trailer 2/ }).click();
      await expect(page.locator('.wall')).toBeVisible();
      await page.getByRole('button', { name: /The bank charges itself/ }).click();
      await look();
      for (const tab of ['By hand', 'Meter', 'Findings']) {
        await page.getByRole('tab', { name: tab }).click();
        await look();
      }
      for (const form of ['List', 'What is live', 'Side by side', 'Plans', 'Changes']) {
        await page.getByText(form, { exact: true }).click();
        await look();
      }
      await page.getByText('Arrangement …').click();
      await expect(page.getByText('Every outlet works off grid')).toBeVisible();
      await look();
      await page.keyboard.press('Escape');
      await page.getByRole('link', { name: 'Survey', exact: true }).click();
      await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
      await look();
      await page.getByRole('button', { name: 'Open Scion cold store' }).click();
      await expect(page.getByText('Where it lands')).toBeVisible();
      await look();
      await page.keyboard.press('Escape');
      await page.getByRole('link', { name: 'Size', exact: true }).click();
      await expect(page.getByText('Direct current')).toBeVisible();
      await look();
      await page.goto('/jobs/3/needs');
      await expect(page.getByRole('heading', { name: /The bank over/ })).toBeVisible();
      await look();
      await page.goto('/jobs/3/parts');
      await expect(page.getByRole('heading', { name: 'What the plan takes' })).toBeVisible();
      await look();
      await page.goto('/jobs/3/size');
      await page.getByRole('button', { name: /^Bypass to main panel/ }).click();
      await expect(page.getByRole('slider', { name: 'Length one way' })).toBeVisible();
      await look();
      await page.goto('/tokens');
      await expect(page.getByRole('heading', { name: 'Tokens for other programs' })).toBeVisible();
      await look();
      await page.goto('/reference');
      await expect(page.getByRole('heading', { name: 'Conductors' })).toBeVisible();
      await look();
      await page.goto('/jobs/1/sheet?view=panel/whole');
      await expect(page.getByText('Do not build this as it stands')).toBeVisible();
      await look();
      expect(heard).toEqual([]);
    });
  }
});

test('the wall is worked by keys', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/1/plan?view=panel/whole');
  await expect(page.locator('.wall')).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByRole('radio', { name: /^B shore, inverter on/ })).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('0');
  await expect(page.getByRole('radio', { name: /^0 nothing connected/ })).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('f');
  await expect(page.locator('[data-tray=inverter_panel]')).toHaveCount(0);
  await page.keyboard.press('f');
  await expect(page.locator('[data-tray=inverter_panel]')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByText('move the circuit in focus')).toBeVisible();
});

test('choosing a state repaints and moves nothing', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/1/plan?view=panel/whole');
  await expect(page.locator('.wall')).toBeVisible();
  const places = () =>
    page
      .locator('.plate, .tray')
      .evaluateAll((all) =>
        all.map(
          (e) =>
            (e.getAttribute('data-plate') ?? e.getAttribute('data-tray')) + JSON.stringify(e.getBoundingClientRect()),
        ),
      );
  const before = await places();
  for (const state of [/^S shore 30 A/, /^D dead pedestal/, /^X storage/]) {
    await page.getByRole('radio', { name: state }).click();
    expect(await places()).toEqual(before);
  }
});

test('an apprentice surveys and reads, and cannot plan', async ({ page }) => {
  await signIn(page, 'learn');
  await expect(page.getByRole('button', { name: 'New job' })).toHaveCount(0);
  await page.goto('/jobs/1/plan?view=panel/whole');
  await page.getByRole('button', { name: /The bank charges itself/ }).click();
  await expect(page.getByText('In a plan: move converter')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Move Converter to Main panel/ })).toHaveCount(0);
});

test('a dropped connection loses nothing', async ({ page, context }) => {
  await signIn(page);
  await page.goto('/jobs/1/survey');
  await expect(page.getByRole('heading', { name: 'What must run' })).toBeVisible();
  const box = page.getByRole('checkbox', { name: 'Air conditioner' }).first();
  const was = await box.isChecked();
  await context.setOffline(true);
  await box.click();
  await expect(page.getByText('saving …')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/^r\d+$/)).toBeVisible({ timeout: 20_000 });
  await page.reload();
  await expect(page.getByRole('checkbox', { name: 'Air conditioner' }).first()).toBeChecked({ checked: !was });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('checkbox', { name: 'Air conditioner' }).first()).toBeChecked({ checked: was });
});

test('at the rig: 820 × 1180, targets large enough, findings in a sheet', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await signIn(page);
  await page.goto('/jobs/1/plan?view=panel/whole');
  await expect(page.locator('.wall')).toBeVisible();
  for (const target of await page.locator('.strip-state, .row-button, .rail-toggle').all())
    expect((await target.boundingBox())!.height).toBeGreaterThanOrEqual(43);
  await page.getByRole('tab', { name: /^Findings/ }).click();
  await page.getByRole('button', { name: /The bank charges itself/ }).click();
  await expect(page.getByText('519 Ah a day').first()).toBeVisible();
  await accessible(page);
});
