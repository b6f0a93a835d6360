// How soon the step in hand is there when a tablet is opened without a signal.
import { chromium } from '@playwright/test';

const [, , url] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--disable-background-networking', '--no-first-run'] });
const context = await browser.newContext({ viewport: { width: 820, height: 1180 } });
const page = await context.newPage();
await page.goto(url);
await page.getByLabel('E-mail').fill('tech@hollin.test');
await page.getByLabel('Password', { exact: true }).fill('rowan-and-lath');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByText('On the floor').waitFor();
await page.goto(`${url}/rig/3`);
await page.getByRole('heading', { level: 1 }).waitFor();
await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
await page.reload();
await page.getByRole('heading', { level: 1 }).waitFor();
await context.setOffline(true);
await page.close();
const times = [];
for (let i = 0; i < 7; i++) {
  const opened = await context.newPage();
  const begin = performance.now();
  await opened.goto(`${url}/rig/3`);
  await opened.getByRole('heading', { level: 1 }).waitFor();
  times.push(performance.now() - begin);
  await opened.close();
}
await browser.close();
times.sort((a, b) => a - b);
console.log(
  `the step in hand is there ${times[3].toFixed(0)} ms after opening without a signal (median of 7; slowest ${times[6].toFixed(0)}; wanted 2000)`,
);
