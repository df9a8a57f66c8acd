import { API } from '../../../contract/api.ts';
import { PAGE_LIMIT } from '../../../contract/requests.ts';

/** The worker’s file, and the only screens it looks after. */
const WORKER = '/trials-worker.js';
const SCOPE = '/trials';

/**
 * Keeps the day's page at hand for where there is no network: its files by the worker's own list, and what
 * this page has asked the server for already; resolves when that is kept. Without it a day can be counted all
 * the same, but not opened anew before the server is back. `ids` are the days': one made just now was never
 * asked for at its address; `heads` are those tied on, whose drag may be found from drops.
 */
export async function keepAtHand(ids: readonly string[], heads: readonly string[]): Promise<void> {
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
    .filter((url) => url.startsWith(`${location.origin}${API}/`));
  const heard = new Promise<void>((resolve) => {
    navigator.serviceWorker.addEventListener('message', () => resolve(), { once: true });
  });
  navigator.serviceWorker.startMessages();
  const asked = [
    ...ids.map((id) => `${API}/trials/${encodeURIComponent(id)}`),
    `${API}/trials?limit=${PAGE_LIMIT}`,
    `${API}/stores`,
    ...heads.map((head) => `${API}/designs/${encodeURIComponent(head)}`),
  ];
  const all = [...asked.map((path) => new URL(path, location.href).href), ...loaded];
  worker.postMessage({ keep: [...new Set(all)] });
  await heard;
}
