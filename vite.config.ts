import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    laravel({ input: ['resources/js/main.tsx'] }),
    react(),
    // The worker stands at the root, so that it serves every place; the manifest of the tablet beside it.
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'resources/js',
      filename: 'sw.ts',
      outDir: 'public',
      injectRegister: false,
      manifest: false,
      injectManifest: {
        globDirectory: 'public/build',
        globPatterns: ['**/*.{js,css,woff2}'],
        modifyURLPrefix: { '': '/build/' },
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
    }),
  ],
  build: { chunkSizeWarningLimit: 900 },
});
