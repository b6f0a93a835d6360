import { defineConfig } from 'vite';

/* Makes tools/walls.ts something that Node runs. */
export default defineConfig({
  build: { ssr: 'tools/walls.ts', outDir: 'storage/walls', emptyOutDir: true, target: 'node20' },
});
