import { generateSW } from 'workbox-build';
import { join } from 'node:path';
import { ROOT } from './prepare.mjs';

/**
 * Writes dist/sw.js: what the page is made of, kept on the device when the page was first put together, so that it opens
 * without the server. Records are not its business; the page keeps those itself. A new version waits until it is taken.
 */
const { count, size, warnings } = await generateSW({
  globDirectory: join(ROOT, 'dist'),
  globPatterns: ['**/*.{html,js,css,ttf,svg,png,webmanifest}'],
  // Fonts stand under the name of the package they come from.
  globIgnores: [],
  swDest: join(ROOT, 'dist', 'sw.js'),
  mode: 'production',
  sourcemap: false,
  inlineWorkboxRuntime: true,
  // A welder in the middle of a bead keeps the page as it is until a new one is asked for.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//, /^\/authority\.crt$/],
  // These carry a hash in their names already.
  dontCacheBustURLsMatching: /^(_expo\/static|assets)\//,
  // A photograph never changes under its name: what was looked at once is there without the server too.
  runtimeCaching: [
    ['small', 400],
    ['whole', 30],
  ].map(([size, maxEntries]) => ({
    urlPattern: new RegExp(`/api/pictures/files/[0-9a-f]{64}/${size}$`),
    handler: 'CacheFirst',
    options: {
      cacheName: `pictures-${size}`,
      expiration: { maxEntries, purgeOnQuotaError: true },
      cacheableResponse: { statuses: [200] },
    },
  })),
  maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
});
if (warnings.length > 0) throw new Error(warnings.join('\n'));
console.log(`${count} files for the device, ${Math.round(size / 1024)} kB`);
