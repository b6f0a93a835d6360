import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests/Browser',
  // Generous: two cores that other guests share can stand still for seconds; nothing here measures time.
  timeout: 180_000,
  expect: { timeout: 15_000 },
  // Two files at a time, with jobs and people of their own.
  workers: 2,
  retries: 0,
  reporter: [['list'], ['junit']],
  use: {
    baseURL: process.env.HOLLIN_URL ?? 'http://127.0.0.1:8321',
    viewport: { width: 1280, height: 800 },
    // What moves only looks well: it takes as much of a core as the rest of a page.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'],
    },
    actionTimeout: 30_000,
    screenshot: 'off',
  },
});
