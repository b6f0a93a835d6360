/// <reference lib="webworker" />
import { CacheableResponsePlugin } from 'workbox-cacheable-response';
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope;

// Scripts, styles and fonts of this build: there before they are asked for.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

/**
 * The page itself is one for every place; without a signal it comes as it came last, with the policy and the nonce that
 * belong together. What is under /api is the pages' own concern: they keep what they need and never take an old answer
 * for a new one.
 */
registerRoute(
  new NavigationRoute(
    new NetworkFirst({
      cacheName: 'page',
      networkTimeoutSeconds: 2,
      plugins: [{ cacheKeyWillBeUsed: async () => '/' }, new CacheableResponsePlugin({ statuses: [200] })],
    }),
    { denylist: [/^\/api\//, /^\/build\//, /^\/trust/, /\.[a-z0-9]+$/i] },
  ),
);

void self.skipWaiting();
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
