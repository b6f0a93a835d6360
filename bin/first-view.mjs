// How soon the first view and the wall are usable, and how large the first script is.
import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const [, , url] = process.argv;
const manifest = JSON.parse(readFileSync('public/build/manifest.json', 'utf8'));
const files = new Set();
const collect = (key) => {
  const chunk = manifest[key];
  if (!chunk || files.has(chunk.file)) return;
  files.add(chunk.file);
  (chunk.imports ?? []).forEach(collect);
};
collect('resources/js/main.tsx');
const kB = [...files].filter((f) => f.endsWith('.js')).reduce((n, f) => n + gzipSync(readFileSync(`public/build/${f}`)).length, 0) / 1000;
console.log(`first script ${kB.toFixed(0)} kB gzipped in ${files.size} files; later places are loaded on demand`);

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--disable-background-networking', '--no-first-run'] });
const median = (list) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)];
const first = [];
const wall = [];
for (let i = 0; i < 5; i++) {
  const page = await (await browser.newContext()).newPage();
  let begin = performance.now();
  await page.goto(url);
  await page.getByLabel('E-mail').waitFor();
  first.push(performance.now() - begin);
  await page.getByLabel('E-mail').fill('lead@hollin.test');
  await page.getByLabel('Password', { exact: true }).fill('rowan-and-lath');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByText('On the floor').waitFor();
  begin = performance.now();
  await page.goto(`${url}/jobs/1/plan`);
  await page.locator('.wall .row-button').first().waitFor();
  wall.push(performance.now() - begin);
  await page.context().close();
}
await browser.close();
console.log(`first view usable after ${median(first).toFixed(0)} ms (median of 5, empty cache); the wall after ${median(wall).toFixed(0)} ms`);
