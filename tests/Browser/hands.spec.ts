import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { accessible, openJob, signIn } from './helpers';

async function archive(page: Page): Promise<void> {
  await signIn(page);
  await page.getByRole('link', { name: /Map archive trailer/ }).click();
  await expect(page.locator('.wall')).toBeVisible();
}

test('controls set by hand tell what reacts, in order', async ({ page }) => {
  await archive(page);
  await page.getByRole('tab', { name: 'By hand' }).click();
  await page.getByRole('radio', { name: /^0 nothing connected/ }).click();
  await expect(page.getByText('Nothing moves by itself.')).toBeVisible();
  await page
    .getByRole('radiogroup', { name: 'Old inverter 2000 W switch' })
    .getByRole('radio', { name: 'on', exact: true })
    .click();
  await expect(page.getByText('set by hand')).toBeVisible();
  const story = page.getByRole('region', { name: 'What reacts' });
  await expect(story.getByText('2 s', { exact: true })).toBeVisible();
  await expect(story.getByText('Old inverter 2000 W: inverting')).toBeVisible();
  await page.getByLabel('Shore cord').selectOption({ label: 'plugged into 30 A' });
  await expect(story.getByText('Old transfer switch: on input A')).toBeVisible();
  await expect(story.getByText('15 s', { exact: true })).toBeVisible();
  // A breaker in hand is switched by touching it on the wall.
  await page.locator('[data-circuit=c_air]').click();
  await expect(page.locator('[data-circuit=c_air]')).toHaveAttribute('aria-label', /dead/);
  await page.getByRole('button', { name: 'Reset', exact: true }).click();
  await expect(page.getByText('set by hand')).toHaveCount(0);
});

test('the meter: a pedestal every tester calls good, and the skin that is not', async ({ page }) => {
  await archive(page);
  await page.getByText('As found', { exact: true }).click();
  await page.getByLabel('At a faulty pedestal').selectOption({ label: 'reversed, ground bootlegged to neutral' });
  await expect(page.getByText('Pedestal fault: reversed, ground bootlegged to neutral')).toBeVisible();
  await page.getByRole('tab', { name: 'Meter' }).click();
  await page.locator('[data-circuit=c_outlets]').click();
  const face = page.locator('.meter-face');
  await page.getByRole('button', { name: 'hot – neutral' }).click();
  await expect(face).toContainText(/1[12]\d\.\d\s*V/);
  await page.getByLabel('Function').selectOption({ label: 'Plug-in tester' });
  await page.getByRole('combobox', { name: 'Where' }).fill('Reading-room');
  await page.keyboard.press('Enter');
  await expect(face).toContainText('says correct');
  await page.getByLabel('Function').selectOption({ label: 'Non-contact detector' });
  await page.getByRole('combobox', { name: 'Where' }).fill('Frame');
  await page.keyboard.press('Enter');
  await expect(face).toContainText('lights');
  await page.getByLabel('Function').selectOption({ label: 'Ohms' });
  await page.getByRole('combobox', { name: 'Red probe' }).fill('Main panel: bus');
  await page.keyboard.press('Enter');
  await page.getByRole('combobox', { name: 'Black probe' }).fill('Frame');
  await page.keyboard.press('Enter');
  await expect(face).toContainText('never measure ohms here');
  const [netlist] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'AC side' }).click(),
  ]);
  expect(netlist.suggestedFilename()).toBe('state-ac.cir');
  expect(readFileSync(await netlist.path(), 'utf8')).toContain('ac lin 1 60 60');
});

test('a finding that no named state shows puts the wall into the setting that does', async ({ page }) => {
  await archive(page);
  await page.getByText('By hand, centre-off').click();
  await page.getByRole('button', { name: /The bank charges itself/ }).click();
  await expect(page.getByText(/one slip: Converter on a plug plugged in/)).toBeVisible();
  await expect(page.getByText('set by hand')).toBeVisible();
  await expect(page.locator('[data-plate=converter]')).toContainText('running on inverter');
});

test('plans are compared by the same questions', async ({ page }) => {
  await archive(page);
  await page.getByText('Plans', { exact: true }).click();
  const table = page.getByRole('table', { name: 'Plans compared' });
  await expect(table.getByRole('columnheader')).toHaveCount(4);
  await expect(table.getByRole('row', { name: /Dangers, after one or two slips/ })).toContainText('none');
  await expect(table.getByRole('row', { name: /Left to somebody's memory/ })).toContainText('The bank charges itself');
  await table.getByRole('button', { name: 'By hand, centre-off' }).click();
  await expect(page).toHaveURL(/view=hand/);
});

test('volts at the outlets, and feet or metres by one switch', async ({ page }) => {
  await archive(page);
  await page.getByRole('button', { name: 'volts', exact: true }).click();
  await expect(page.locator('[data-circuit=c_outlets]')).toContainText(/11\d\.\d V/);
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  const row = page.getByRole('row', { name: /2 Reading-room outlets/ });
  await expect(row).toContainText('20 ft');
  await page.getByRole('button', { name: /Maren Voss/ }).click();
  await page.getByText('Show m, mm², kg, °C').click();
  await expect(row).toContainText('6.1 m');
  await expect(row).toContainText('14 AWG (2.1 mm²)');
});

test('a photograph, a baseline reading and a misread gauge in the survey', async ({ page }) => {
  await signIn(page);
  await openJob(page, 'Looked at closely');
  await page.getByRole('button', { name: /30 A travel trailer, converter in the panel/ }).click();
  await expect(page.getByRole('heading', { name: /Baseline readings/ })).toContainText('0 of');
  const row = page.getByRole('row', { name: /House battery, resting volts/ });
  await row.getByRole('textbox').fill('12,6');
  await row.getByRole('button', { name: 'Record' }).click();
  await expect(page.getByText(/can be read two ways/)).toBeVisible();
  await row.getByRole('textbox').fill('10.2');
  await row.getByRole('button', { name: 'Record' }).click();
  await expect(row).toContainText('not as expected');
  await page.getByRole('button', { name: 'Open Battery to breaker' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByRole('combobox', { name: 'Size', exact: true }).fill('3/0');
  await page.keyboard.press('Enter');
  await drawer.getByRole('button', { name: 'It says 3 AWG' }).click();
  await expect(drawer).toContainText('3 AWG, not 3/0 AWG?');
  const canvas = await page.evaluate(async () => {
    const c = document.createElement('canvas');
    c.width = 64;
    c.height = 48;
    c.getContext('2d')!.fillRect(0, 0, 64, 48);
    return c.toDataURL('image/png').split(',')[1]!;
  });
  await drawer
    .locator('input[type=file]')
    .setInputFiles({ name: 'cover.png', mimeType: 'image/png', buffer: Buffer.from(canvas, 'base64') });
  await expect(drawer.getByRole('img', { name: /photograph by Maren Voss/ })).toBeVisible();
  await accessible(page);
  await drawer
    .locator('input[type=file]')
    .setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') });
  await expect(page.getByText(/is not a JPEG, PNG or WebP picture/)).toBeVisible();
});

test('a token lets a program in, until it is taken back', async ({ page, request }) => {
  await signIn(page);
  await page.goto('/tokens');
  await page.getByLabel('What it is for').fill('wall display');
  await page.getByRole('button', { name: 'Make a token' }).click();
  const token = (await page.locator('.token-text code').textContent())!;
  const ask = () =>
    request.get('/api/v1/jobs', { headers: { Authorization: `Bearer ${token}`, Accept: 'application/json' } });
  expect((await ask()).status()).toBe(200);
  await page.getByRole('button', { name: 'Take back' }).first().click();
  await expect(page.getByText('None.')).toBeVisible();
  expect((await ask()).status()).toBe(401);
});

test.describe('on a tablet beside the rig', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });
  test('panels come up from the foot of the screen and go down again', async ({ page }) => {
    await archive(page);
    await expect(page.getByRole('tab', { name: /Findings/ })).toHaveAttribute('aria-selected', 'false');
    await page.getByRole('tab', { name: 'By hand' }).tap();
    await expect(page.getByText('Cords and plugs')).toBeVisible();
    for (const target of await page.getByRole('tab').all())
      expect((await target.boundingBox())!.height).toBeGreaterThanOrEqual(44);
    await page.getByRole('tab', { name: 'By hand' }).tap();
    await expect(page.getByText('Cords and plugs')).toHaveCount(0);
    await accessible(page);
  });
});
