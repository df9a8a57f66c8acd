// Keeps the counters of a day on the water at hand where there is no network: the page itself, and what the
// server last said of days, heads and plastics. Its scope is /trials alone. What is counted meanwhile is kept
// by the page and sent when the server is back.
const CACHE = 'fern-anvil-trials-1';
/** What the day's page asks the server for. */
const ASKED = /^\/api\/(trials|designs|plastics|stores)(\/[\w.-]+)?$/;

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.add('/index.html'))
      .then(() => self.skipWaiting()),
  );
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

/** What a page has loaded before this worker was there: kept too. */
self.addEventListener('message', (event) => {
  const { keep } = event.data ?? {};
  if (!Array.isArray(keep)) return;
  event.waitUntil(
    caches.open(CACHE).then(async (cache) => {
      for (const url of keep) await cache.add(url).catch(() => undefined);
      event.source?.postMessage({ kept: keep.length });
    }),
  );
});

async function freshFirst(request, as) {
  const cache = await caches.open(CACHE);
  try {
    const answer = await fetch(request);
    if (answer.ok) await cache.put(as, answer.clone());
    return answer;
  } catch (error) {
    const known = await cache.match(as);
    if (known) return known;
    throw error;
  }
}

async function keptFirst(request) {
  const cache = await caches.open(CACHE);
  const known = await cache.match(request.url);
  if (known) return known;
  const answer = await fetch(request);
  if (answer.ok) await cache.put(request.url, answer.clone());
  return answer;
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { pathname, origin } = new URL(request.url);
  if (request.method !== 'GET' || origin !== self.location.origin) return;
  if (request.mode === 'navigate') event.respondWith(freshFirst(request, '/index.html'));
  // Built files carry their content in their name: they never change.
  else if (pathname.startsWith('/assets/')) event.respondWith(keptFirst(request));
  else if (ASKED.test(pathname)) event.respondWith(freshFirst(request, request.url));
});
