/*
 * How long until the wall of the largest demo rig stands, in a browser on the running application:
 * cold (nothing laid out yet, the page itself loaded) and from what was laid out before.
 *
 *   node bin/wall-timing.mjs http://127.0.0.1:8008 [rounds]
 */
import { chromium } from '@playwright/test';

const base = process.argv[2] ?? 'http://127.0.0.1:8008';
const rounds = Number(process.argv[3] ?? 5);
const browser = await chromium.launch({
  executablePath: process.env.HOLLIN_CHROMIUM ?? '/usr/bin/chromium',
  args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
});
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
await page.goto(base);
await page.getByLabel('E-mail').fill('lead@hollin.test');
await page.getByLabel('Password', { exact: true }).fill('rowan-and-lath');
await page.getByRole('button', { name: 'Sign in' }).click();
// People who measure beside may have made more of that name.
await page.getByRole('link', { name: /Tide-line van/ }).first().waitFor();

/** Milliseconds from a press to the wall with its ribbons painted. */
const untilWall = (press) =>
  page.evaluate(
    (selector) =>
      new Promise((done) => {
        const from = performance.now();
        const look = () => {
          if (document.querySelector('.wall [data-plate]') && document.querySelector('.wall svg path'))
            requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - from)));
          else requestAnimationFrame(look);
        };
        [...document.querySelectorAll(selector.tag)].find((e) => e.textContent.trim() === selector.text).click();
        requestAnimationFrame(look);
      }),
    press,
  );

const cold = [];
const kept = [];
for (let i = 0; i < rounds; i++) {
  await page.goto(`${base}/jobs/3/size`);
  await page.locator('.sizing, .empty').first().waitFor();
  cold.push(await untilWall({ tag: 'nav a, a.place', text: 'Plan' }));
  await page.locator('.ant-segmented-item', { hasText: /^List$/ }).click();
  await page.locator('.listform').waitFor();
  kept.push(await untilWall({ tag: '.ant-segmented-item', text: 'Wall' }));
}
await browser.close();
const middle = (ms) => [...ms].sort((a, b) => a - b)[Math.floor(ms.length / 2)];
const told = (name, ms, most) =>
  console.log(`${name}: middle ${middle(ms).toFixed(0)} ms, most ${Math.max(...ms).toFixed(0)} ms (wanted: ${most} ms)`);
told('wall, laid out for the first time in this page', cold, 1500);
told('wall, from what was laid out before', kept, 300);
