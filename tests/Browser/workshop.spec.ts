import { expect, test } from '@playwright/test';
import { accessible, openJob, signIn } from './helpers';

const WORDS = 'four tall oaks leaning';

test('somebody joins by a link, gets another role, a new password, and leaves', async ({ page, browser }) => {
  await signIn(page);
  await page.goto('/workshop');
  await page.getByLabel('Name of somebody new').fill('Wren Tally');
  await page.getByRole('button', { name: 'Make an invitation' }).click();
  const address = await page.locator('.hand-over code').innerText();
  const email = `wren${Date.now()}@hollin.test`;

  const wren = await (await browser.newContext()).newPage();
  await wren.goto(address);
  await expect(wren.getByText('takes you in as technician')).toBeVisible();
  await wren.getByLabel('E-mail').fill('lead@hollin.test');
  await wren.getByLabel('Password').fill(WORDS);
  await wren.getByRole('button', { name: 'Join' }).click();
  await expect(wren.getByText(/Belongs to somebody already/)).toBeVisible();
  await wren.getByLabel('E-mail').fill(email);
  await wren.getByRole('button', { name: 'Join' }).click();
  await expect(wren.getByRole('heading', { name: 'On the floor' })).toBeVisible();

  // The link is used up.
  const other = await (await browser.newContext()).newPage();
  await other.goto(address);
  await expect(other.getByText(/This link has been used/)).toBeVisible();

  await wren.goto('/account');
  await wren.getByLabel('The present one').fill(WORDS);
  await wren.getByLabel('The new one').fill('password1234');
  await wren.getByRole('button', { name: 'Change it' }).click();
  await expect(wren.getByText(/one of the usual passwords/)).toBeVisible();
  await wren.getByLabel('The new one').fill('other slow brown bears');
  await wren.getByRole('button', { name: 'Change it' }).click();
  await expect(wren.getByText(/You stay signed in here/)).toBeVisible();

  await page.reload();
  const line = page.locator('.roster li').filter({ hasText: email });
  await line.getByRole('button', { name: 'What to do for Wren Tally' }).click();
  await page.getByText('Leaves the workshop …').click();
  await page.getByRole('button', { name: 'Wren Tally leaves' }).click();
  await expect(line.getByRole('button', { name: 'Let in again' })).toBeVisible();
  await wren.goto('/');
  await expect(wren.getByRole('button', { name: 'Sign in' })).toBeVisible();

  await page.getByText('Who did what').click();
  await expect(page.getByText('entered that Wren Tally left; sign-ins and tokens ended').first()).toBeVisible();
  await expect(page.getByText('Wren Tally joined as technician').first()).toBeVisible();
});

test('whoever is signed out at work signs in over it, and what was entered arrives', async ({ page, browser }) => {
  // Somebody of one's own: the others' sign-ins are needed elsewhere.
  const lead = await (await browser.newContext()).newPage();
  await signIn(lead);
  await lead.goto('/workshop');
  await lead.getByLabel('Name of somebody new').fill('Ossian Reed');
  await lead.getByRole('button', { name: 'Make an invitation' }).click();
  const email = `ossian${Date.now()}@hollin.test`;
  await page.goto(await lead.locator('.hand-over code').innerText());
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(WORDS);
  await page.getByRole('button', { name: 'Join' }).click();
  await openJob(page, 'Signed out at work');
  await page.getByRole('button', { name: /30 A travel trailer, converter in the panel/ }).click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  const elsewhere = await (await browser.newContext()).newPage();
  await elsewhere.goto('/');
  await elsewhere.getByLabel('E-mail').fill(email);
  await elsewhere.getByLabel('Password').fill(WORDS);
  await elsewhere.getByRole('button', { name: 'Sign in' }).click();
  await expect(elsewhere.getByRole('heading', { name: 'On the floor' })).toBeVisible();
  await elsewhere.goto('/account');
  const others = elsewhere.getByRole('button', { name: /End it|End all others/ });
  await others.last().click();
  await expect(others).toHaveCount(0);

  await page.getByLabel('Quick entry', { exact: true }).fill('15 loft lamps 14/2 12ft');
  // What the page asks for by itself may find out first: then the click waits until somebody is signed in again.
  const added = page.getByRole('button', { name: 'Add', exact: true }).click({ timeout: 90_000 });
  await expect(page.getByText('You are signed out', { exact: true })).toBeVisible();
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(WORDS);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('You are signed out', { exact: true })).toBeHidden();
  await added;
  await expect(page.getByText(/loft lamps/i).first()).toBeVisible({ timeout: 20_000 });
});

test('a technician finds prices, and no people to manage', async ({ page }) => {
  await signIn(page, 'tech');
  await page.goto('/workshop');
  await expect(page.getByLabel('Find a part')).toBeVisible();
  await expect(page.getByText('Who did what')).toHaveCount(0);
});

test('a price moves what a plan costs; a table comes in, or says of each row what is wrong', async ({ page }) => {
  await signIn(page);
  await page
    .getByRole('link', { name: /Grafting trailer 2/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Parts', exact: true }).click();
  const bill = page.locator('.bill');
  await expect(bill.getByText('Inverter/charger 3000 VA, sine')).toBeVisible();
  const before = await bill.locator('.bill-total').innerText();
  await page.goto('/workshop?part=prices');
  await page.getByLabel('Find a part').fill('inverter/charger 3000');
  await expect(page.getByText('1 part', { exact: true })).toBeVisible();
  const price = page.getByLabel('Price of Inverter/charger 3000 VA, sine');
  // Another price each time that this runs on a workshop.
  await price.fill(String(1200 + (Math.floor(Date.now() / 1000) % 900)));
  await price.press('Tab');
  await expect(page.locator('.prices .is-own')).toHaveCount(1);
  await accessible(page);
  const table = page.getByLabel('Table of parts, comma-separated');
  const csv = (text: string) => ({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await table.setInputFiles(csv('code,kind,name,price\nrope,rope,Rope,3\n'));
  await expect(page.getByText(/row 2 kind.*none of: inverter/)).toBeVisible();
  await table.setInputFiles(csv('code,kind,name,price\nrope,other,Rope,3\n'));
  await expect(page.getByText('The table is in.')).toBeVisible();

  await page.goBack();
  await expect(bill.locator('.bill-total')).not.toHaveText(before);
  // Another candidate is counted, with what it lacks beside it.
  await page.getByRole('button', { name: /^Bank/ }).click();
  await expect(page.getByText('lacks').first()).toBeVisible();
  await page.getByRole('button', { name: 'Count this one' }).first().click();
  await expect(page.getByText('counted', { exact: true })).toBeVisible();
});
