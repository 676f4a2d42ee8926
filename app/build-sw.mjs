import { fileURLToPath } from 'node:url';
import { generateSW } from 'workbox-build';

/** The service worker: the app opens without a connection once it was loaded. The API is never answered from it. */
const folder = fileURLToPath(new URL('./dist/', import.meta.url));
await generateSW({
  globDirectory: folder,
  globPatterns: ['**/*.{html,js,css,ttf,png,svg,webmanifest}'],
  globIgnores: ['**/*.map', 'sw.js', 'workbox-*.js'],
  swDest: `${folder}sw.js`,
  inlineWorkboxRuntime: true,
  sourcemap: false,
  skipWaiting: true,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  maximumFileSizeToCacheInBytes: 6 * 1024 * 1024,
  dontCacheBustURLsMatching: /[-.][0-9a-f]{32}\./,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
});
