import { expect, test, type Page } from '@playwright/test';
import { accessible, complaints, openJob, signIn } from './helpers';

/**
 * Somebody who has never seen Hollin, and how many times they act: a press, a choice, a field filled. What one reads
 * costs nothing; what one does not find would cost much more than is counted here.
 */
class Hand {
  acts = 0;

  constructor(private readonly page: Page) {}

  async press(name: string | RegExp, role: 'button' | 'radio' | 'link' | 'checkbox' | 'tab' = 'button'): Promise<void> {
    this.acts++;
    await this.page
      .getByRole(role, { name, exact: typeof name === 'string' })
      .first()
      .click();
  }

  async write(label: string | RegExp, text: string, enter = false): Promise<void> {
    this.acts++;
    const field = this.page.getByLabel(label, { exact: typeof label === 'string' });
    await field.fill(text);
    if (enter) await field.press('Enter');
  }
}

test('a newcomer surveys, plans and changes a length in few steps', async ({ page }) => {
  test.setTimeout(120_000);
  const heard = complaints(page);
  await signIn(page);
  await openJob(page, 'Newcomer');
  const hand = new Hand(page);

  // A 30 A trailer with nine circuits: a layout, the two that differ in one entry, then value by value what differs.
  await hand.press(/Small fifth wheel on 30 A/);
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  const rows = page.getByRole('region', { name: 'Circuits, scrollable', exact: true }).getByRole('row');
  await expect(rows).toHaveCount(10);
  await hand.press('Bedroom outlets');
  await hand.write('Name', 'Loft outlets');
  await hand.press('Done');
  // The baseline has rows about it as well.
  const loft = page.getByRole('row', { name: /Loft outlets/ }).first();
  await expect(loft).toBeVisible();
  hand.acts++;
  await loft.getByRole('button', { name: '~30 ft', exact: true }).click();
  await hand.write('Length, one way', '24 ft', true);
  await expect(loft.getByRole('button', { name: '24 ft', exact: true })).toBeVisible();
  for (const circuit of ['Air conditioner', 'Microwave oven', 'Water heater element', 'Absorption fridge']) {
    await hand.press(new RegExp(`^${circuit}: all \\d+ as shown`));
    await expect(
      page.getByRole('row', { name: new RegExp(circuit) }).getByText('known', { exact: true }),
    ).toBeVisible();
  }
  // What must run without shore.
  await hand.press('Inside outlets', 'checkbox');
  await hand.press('Microwave oven', 'checkbox');
  // The rest looked at on one walk.
  await hand.press(/^✓ all \d+ as shown/);
  await hand.press('I have looked at all of them');
  await expect(page.getByRole('button', { name: /^✓ all/ })).toHaveCount(0);
  const survey = hand.acts;
  expect(survey).toBeLessThanOrEqual(25);

  await hand.press('Plan', 'link');
  await hand.press('Plan a retrofit …');
  await expect(page.getByRole('checkbox', { name: 'Inside outlets' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'Microwave oven' })).toBeChecked();
  await hand.press('moved ahead of the transfer point', 'radio');
  await hand.press('Plan it');
  await expect(page.locator('[data-tray=inverter_panel] [data-circuit=c_micro]')).toBeVisible();
  const plan = hand.acts - survey;
  expect(plan).toBeLessThanOrEqual(8);

  // One length changed, and the fuse and the cable seen.
  await page.getByRole('link', { name: 'Size', exact: true }).click();
  const drop = page.locator('.drop').first();
  const before = await drop.textContent();
  const sized = hand.acts;
  hand.acts++;
  await page.getByRole('button', { name: 'Open Bar to inverter' }).first().click();
  await hand.write('Length, one way', '14 ft');
  await hand.press('Done');
  await expect(page.getByRole('heading', { name: /Fuse, at least/ })).toBeVisible();
  await expect(drop).not.toHaveText(before!);
  expect(hand.acts - sized).toBeLessThanOrEqual(3);
  test.info().annotations.push({
    type: 'actions',
    description: `newcomer: survey ${survey}, plan ${plan}, one length ${hand.acts - sized} actions`,
  });
  await accessible(page);
  expect(heard).toEqual([]);
});

test('survey, plan, remedy and print by keyboard alone', async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page);
  await openJob(page, 'Keys only');
  /** Puts the focus on something as Tab would reach it, and presses a key there. */
  const key = async (locator: ReturnType<Page['locator']>, press = 'Enter'): Promise<void> => {
    await locator.first().focus();
    await expect(locator.first()).toBeFocused();
    await page.keyboard.press(press);
  };
  await key(page.getByRole('button', { name: /30 A travel trailer, converter in the panel/ }));
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  await key(page.getByRole('button', { name: /^Air conditioner: all \d+ as shown/ }));
  await expect(page.getByRole('row', { name: /Air conditioner/ })).toContainText('known');
  await key(page.getByRole('link', { name: 'Plan', exact: true }));
  await key(page.getByRole('button', { name: 'Plan a retrofit …' }));
  await key(page.getByRole('checkbox', { name: 'Inside outlets' }), 'Space');
  await key(page.getByRole('checkbox', { name: 'Converter', exact: true }), 'Space');
  await key(page.getByRole('radio', { name: 'left as it is' }), 'Space');
  await key(page.getByRole('button', { name: 'Plan it' }));
  await expect(page.locator('[data-tray=inverter_panel]')).toBeVisible();
  const danger = page.getByRole('button', { name: /The bank charges itself/ });
  await key(danger);
  await key(page.getByRole('button', { name: /Move Converter to Main panel/ }));
  await expect(danger).toHaveCount(0);
  // A plate opens by Enter where the focus is, and closes by Escape.
  await key(page.locator('[data-plate=main_fuse]'));
  await expect(page.getByRole('dialog')).toContainText('Main fuse');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  // Taken back and made again.
  await page.keyboard.press('Control+z');
  await expect(danger).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(danger).toHaveCount(0);
  await key(page.getByRole('button', { name: 'Print & files' }));
  const sheet = page.waitForEvent('popup');
  await key(page.getByRole('menuitem', { name: 'Plan sheet, to print' }));
  await expect((await sheet).getByRole('heading', { name: 'Keys only' })).toBeVisible();
});
