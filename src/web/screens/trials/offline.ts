import { API } from '../../../contract/api.ts';
import { PAGE_LIMIT } from '../../../contract/requests.ts';

/** The worker’s file, and the only screens it looks after. */
const WORKER = '/trials-worker.js';
const SCOPE = '/trials';
/** Names every built file a day needs, those that were not shown yet too. */
const LIST = '/offline.json';

/**
 * Keeps the day's page at hand for where there is no network. What this page has loaded already is kept too;
 * resolves when it is. Without it a day can be counted all the same, but not opened anew before the server is
 * back. `ids` are the days': one made just now was never asked for at its address; `heads` are those tied on,
 * whose drag may be found from drops.
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
    .filter((url) => new URL(url).origin === location.origin && /\/(assets|api)\//.test(url));
  const modules = [...document.querySelectorAll<HTMLLinkElement>('link[href]')].map(({ href }) => href);
  const scripts = [...document.querySelectorAll<HTMLScriptElement>('script[src]')].map(({ src }) => src);
  const listed = await fetch(LIST)
    .then((answer) => (answer.ok ? (answer.json() as Promise<string[]>) : []))
    .catch(() => []);
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
  const all = [...asked, ...loaded, ...modules, ...scripts, ...listed];
  worker.postMessage({ keep: [...new Set(all.map((url) => new URL(url, location.href).href))] });
  await heard;
}
