import type { Collection, Documents, Kept, Page, ProblemDetails, Stores } from '../../contract/api.ts';
import { API, etagOf, PAGE_LIMIT } from '../../contract/api.ts';

/** An answer of the server that is not a success, with its problem details. */
export class ServerProblem extends Error {
  readonly details: ProblemDetails;

  constructor(details: ProblemDetails) {
    super(details.detail);
    this.details = details;
  }
}

/** No answer at all: the server is away. */
export class ServerAway extends Error {
  constructor() {
    super('The server does not answer. What you typed is kept here until it does.');
  }
}

async function call<T>(path: string, init: RequestInit & { version?: number } = {}): Promise<T> {
  const headers: Record<string, string> = {};
  if (init.body !== undefined) headers['Content-Type'] = 'application/json';
  if (init.version !== undefined) headers['If-Match'] = etagOf(init.version);
  let response: Response;
  try {
    response = await fetch(`${API}${path}`, { ...init, headers });
  } catch {
    throw new ServerAway();
  }
  if (response.status === 204) return undefined as T;
  const body = (await response.json().catch(() => undefined)) as unknown;
  if (!response.ok) {
    throw new ServerProblem(
      (body as ProblemDetails | undefined) ?? {
        type: 'about:blank',
        title: 'Failed',
        status: response.status,
        detail: `The server answered ${response.status}. Try again.`,
      },
    );
  }
  return body as T;
}

/** Every page of a collection, one after the other. */
export async function listAll<C extends Collection>(
  collection: C,
  signal?: AbortSignal,
): Promise<Kept<Documents[C]>[]> {
  const items: Kept<Documents[C]>[] = [];
  let after: string | undefined;
  do {
    const query = new URLSearchParams({ limit: String(PAGE_LIMIT), ...(after ? { after } : {}) });
    const page = await call<Page<Documents[C]>>(`/${collection}?${query}`, signal ? { signal } : {});
    items.push(...page.items);
    after = page.next;
  } while (after);
  return items;
}

export const read = <C extends Collection>(collection: C, id: string): Promise<Kept<Documents[C]>> =>
  call(`/${collection}/${encodeURIComponent(id)}`);

export const create = <C extends Collection>(
  collection: C,
  document: Documents[C],
): Promise<Kept<Documents[C]>> => call(`/${collection}`, { method: 'POST', body: JSON.stringify(document) });

export const replace = <C extends Collection>(
  collection: C,
  id: string,
  document: Documents[C],
  version: number,
): Promise<Kept<Documents[C]>> =>
  call(`/${collection}/${encodeURIComponent(id)}`, {
    method: 'PUT',
    body: JSON.stringify(document),
    version,
  });

export const remove = (collection: Collection, id: string): Promise<void> =>
  call(`/${collection}/${encodeURIComponent(id)}`, { method: 'DELETE' });

export const restore = <C extends Collection>(collection: C, id: string): Promise<Kept<Documents[C]>> =>
  call(`/${collection}/${encodeURIComponent(id)}/restore`, { method: 'POST' });

export const readStores = (): Promise<Stores> => call('/stores');

export const setMetalDensity = (
  key: string,
  density: number,
  version: number,
): Promise<Stores['metals'][number]> =>
  call(`/stores/metals/${encodeURIComponent(key)}`, {
    method: 'PUT',
    body: JSON.stringify({ density }),
    version,
  });
