import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests/Browser',
  // Generous: two cores that other guests share can stand still for seconds; nothing here measures time.
  timeout: 180_000,
  expect: { timeout: 15_000 },
  // One at a time: two browsers, the application and its queue on two cores take as long, and tests run out of time.
  workers: 1,
  retries: 0,
  reporter: [['list'], ['junit']],
  use: {
    baseURL: process.env.HOLLIN_URL ?? 'http://127.0.0.1:8321',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'],
    },
    actionTimeout: 30_000,
    screenshot: 'off',
  },
});
