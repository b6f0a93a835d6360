import { defineConfig } from 'vitest/config';

// Apart from the build's configuration, whose Laravel plugin refuses to serve where CI is set.
export default defineConfig({
  test: { include: ['resources/js/**/*.test.{ts,tsx}'], environment: 'node', globalSetup: ['resources/js/fixtures.ts'], testTimeout: 60_000 },
});
