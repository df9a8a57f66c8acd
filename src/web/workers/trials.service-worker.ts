import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import type { PrecacheEntry } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

// Keeps the counters of a day on the water at hand where there is no network: every built file they need, laid
// down when this worker is installed, and what the server last said of days, heads and plastics. Its scope is
// /trials alone. What is counted meanwhile is kept by the page and sent when the server is back.

declare const self: ServiceWorkerGlobalScope & {
  /** The files of this build, filled in by it: a new list is a new worker, and the old files go with the old. */
  readonly __WB_MANIFEST: readonly PrecacheEntry[];
};

const ANSWERS = 'fern-anvil-answers';
/** The cache of workers before this one, which no one reads any more. */
const FORMER = 'fern-anvil-trials-1';
/** What the day's page asks the server for. */
const ASKED = /^\/api\/(trials|designs|plastics|stores)(\/[\w.-]+)?$/;

precacheAndRoute([...self.__WB_MANIFEST]);
cleanupOutdatedCaches();

registerRoute(
  ({ request }) => request.mode === 'navigate',
  // Without the network every address of a day is the same page, and the one that fits the files laid down.
  async ({ request }) => {
    try {
      return await fetch(request);
    } catch (error) {
      const page = await matchPrecache('/index.html');
      if (page) return page;
      throw error;
    }
  },
);

const answers = new NetworkFirst({ cacheName: ANSWERS });
registerRoute(({ url, sameOrigin }) => sameOrigin && ASKED.test(url.pathname), answers);

self.addEventListener('activate', (event) => {
  event.waitUntil(Promise.all([caches.delete(FORMER), self.clients.claim()]));
});

/** What the page has asked for before this worker was there, and what it will ask for: kept too. */
self.addEventListener('message', (event) => {
  const { keep } = (event.data ?? {}) as { readonly keep?: unknown };
  if (!Array.isArray(keep)) return;
  const asked = keep
    .map((url) => new URL(String(url), self.location.origin))
    .filter(({ origin, pathname }) => origin === self.location.origin && ASKED.test(pathname))
    .map(({ href }) => answers.handle({ event, request: new Request(href) }));
  event.waitUntil(
    // One that cannot be had now is kept when it is next asked for.
    Promise.allSettled(asked).then(() => event.source?.postMessage({ kept: keep.length })),
  );
});
