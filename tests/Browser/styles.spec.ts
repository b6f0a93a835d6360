import { expect, test, type Page } from '@playwright/test';
import { signIn } from './helpers';

/*
 * Style sheets of places come in as they are visited and stay. Every main view looks the same whether it was visited
 * first or last.
 */

/** Properties by which a reader sees a difference. */
const SEEN = [
  'display',
  'position',
  'color',
  'backgroundColor',
  'fontSize',
  'fontWeight',
  'fontStyle',
  'textDecorationLine',
  'borderTopWidth',
  'borderLeftWidth',
  'borderTopColor',
  'outlineStyle',
  'paddingTop',
  'paddingLeft',
  'marginTop',
  'marginLeft',
  'opacity',
  'transform',
  'stroke',
  'fill',
  'strokeWidth',
  'flexGrow',
  'overflow',
  'zIndex',
];

/** How whatever has a class looks on a page: by its own and its parent's classes, the first of each. */
async function look(page: Page): Promise<Record<string, string>> {
  return page.evaluate((seen) => {
    const found: Record<string, string> = {};
    const name = (e: Element | null) =>
      e === null
        ? ''
        : `${e.tagName.toLowerCase()}.${[...e.classList].filter((c) => !/^css-|hover|focus|active/.test(c)).join('.')}`;
    for (const e of document.querySelectorAll('main [class], main svg [class], aside [class], header [class]')) {
      const key = `${name(e.parentElement)} > ${name(e)}`;
      if (key in found) continue;
      const style = getComputedStyle(e);
      found[key] = seen.map((p) => `${p}: ${style[p as never] as string}`).join('; ');
    }
    return found;
  }, SEEN);
}

const VIEWS: { name: string; path: string; there: string }[] = [
  { name: 'plan', path: '/jobs/3/plan', there: '.wall .row-name' },
  { name: 'needs', path: '/jobs/3/needs', there: '.day-band' },
  { name: 'size', path: '/jobs/3/size', there: '.ruler-row' },
  { name: 'place', path: '/jobs/3/place', there: 'main svg' },
  { name: 'parts', path: '/jobs/3/parts', there: '.bench-cols' },
  { name: 'build', path: '/jobs/3/build', there: '.step-card' },
  { name: 'survey', path: '/jobs/3/survey', there: '.survey-table' },
];

async function shown(page: Page, view: (typeof VIEWS)[number]): Promise<void> {
  await expect(page.locator(view.there).first()).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.mouse.move(2, 2);
  await page.waitForTimeout(600);
}

test('every main view looks the same visited first or last', async ({ page }) => {
  test.setTimeout(300_000);
  await signIn(page);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const first: Record<string, Record<string, string>> = {};
  for (const view of VIEWS) {
    await page.goto(view.path);
    await shown(page, view);
    first[view.name] = await look(page);
  }
  // Now one after another without loading the page anew: by then all sheets are in.
  const go = async (view: (typeof VIEWS)[number]) => {
    await page.evaluate((to) => {
      history.pushState({}, '', to);
      window.dispatchEvent(new PopStateEvent('popstate', { state: {} }));
    }, view.path);
    await shown(page, view);
  };
  for (const view of VIEWS) await go(view);
  const differs: string[] = [];
  for (const view of VIEWS) {
    await go(view);
    const last = await look(page);
    let same = 0;
    for (const [key, was] of Object.entries(first[view.name]!)) {
      const is = last[key];
      if (is === undefined) continue;
      if (is === was) same++;
      else {
        const [a, b] = [was.split('; '), is.split('; ')];
        const only = (x: string[], y: string[]) => x.filter((p, n) => p !== y[n]).join(', ');
        differs.push(`${view.name}: ${key}: ${only(a, b)} → ${only(b, a)}`);
      }
    }
    expect(same, view.name).toBeGreaterThan(10);
  }
  expect(differs).toEqual([]);
});
