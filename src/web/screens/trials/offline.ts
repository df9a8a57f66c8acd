/** The worker’s file, and the only screens it looks after. */
const WORKER = '/trials-worker.js';
const SCOPE = '/trials';

/**
 * Keeps the day's page at hand for where there is no network. What this page has loaded already is kept too; resolves when it is. Without it a day can be
 * counted all the same, but not opened anew before the server is back.
 */
export async function keepAtHand(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const registration = await navigator.serviceWorker.register(WORKER, { scope: SCOPE });
  const worker = registration.active ?? registration.waiting ?? registration.installing;
  if (!worker) return;
  await new Promise<void>((resolve) => {
    if (worker.state === 'activated') resolve();
    worker.addEventListener('statechange', () => {
      if (worker.state === 'activated') resolve();
    });
  });
  const loaded = performance
    .getEntriesByType('resource')
    .map(({ name }) => name)
    .filter((url) => new URL(url).origin === location.origin && /\/(assets|api)\//.test(url));
  const modules = [...document.querySelectorAll<HTMLLinkElement>('link[href]')].map(({ href }) => href);
  const scripts = [...document.querySelectorAll<HTMLScriptElement>('script[src]')].map(({ src }) => src);
  const heard = new Promise<void>((resolve) => {
    navigator.serviceWorker.addEventListener('message', () => resolve(), { once: true });
  });
  navigator.serviceWorker.startMessages();
  worker.postMessage({ keep: [...new Set([...loaded, ...modules, ...scripts])] });
  await heard;
}
