import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests/Browser',
  timeout: 60_000,
  workers: 1,
  retries: 0,
  reporter: [['list'], ['junit']],
  use: {
    baseURL: process.env.HOLLIN_URL ?? 'http://127.0.0.1:8321',
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: ['--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'] },
    actionTimeout: 15_000,
    screenshot: 'off',
  },
});
