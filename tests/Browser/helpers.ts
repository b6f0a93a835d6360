import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

export async function signIn(page: Page, who = 'lead'): Promise<void> {
  await page.goto('/');
  await page.getByLabel('E-mail').fill(`${who}@hollin.test`);
  await page.getByLabel('Password', { exact: true }).fill('rowan-and-lath');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'On the floor' })).toBeVisible();
}

/** Opens a job of its own, so that tests do not meet in the demo rig. */
export async function openJob(page: Page, title: string): Promise<void> {
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Rig', { exact: true }).fill(title);
  await page.getByRole('button', { name: 'Start it' }).click();
  await expect(page.getByRole('heading', { name: 'What does it look most like?' })).toBeVisible();
}

/** axe finds nothing serious on the page as it stands; of its colours alone, where all else has been looked at. */
export async function accessible(page: Page, coloursAlone = false): Promise<void> {
  const axe = new AxeBuilder({ page });
  const { violations } = await (
    coloursAlone ? axe.withRules(['color-contrast']) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
  ).analyze();
  const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  expect(
    serious.map(
      (v) =>
        `${v.id}: ` +
        v.nodes.map((n) => `${n.target.join(' ')} ${(n.failureSummary ?? '').slice(0, 200)}`).join('\n    '),
    ),
  ).toEqual([]);
}

/** Collects what the page complains about: script errors and policy violations. */
export function complaints(page: Page): string[] {
  const heard: string[] = [];
  page.on('pageerror', (e) => heard.push(e.message));
  page.on('console', (m) => {
    if (m.type() === 'error' && /Content Security Policy|Refused|Uncaught|React/.test(m.text())) heard.push(m.text());
  });
  return heard;
}
