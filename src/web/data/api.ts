import type { Money } from '../../core/quantity/index.ts';
import type {
  ArchivedRow,
  BackupChecked,
  BackupsState,
  History,
  Intake,
  Kept,
  NamedVersion,
  Page,
  ProblemDetails,
  RackIndex,
  MoneyInForce,
  RulesInForce,
  Stores,
  UsedIn,
} from '../../contract/api.ts';
import type { BackupsEdit, MetalEdit } from '../../contract/requests.ts';
import type { Design, RuleSet } from '../../core/document/index.ts';
import type { ScaleAct } from '../../core/make/index.ts';
import type { Drawing } from '../../core/plate/index.ts';
import { API, etagOf } from '../../contract/api.ts';
import { PAGE_LIMIT } from '../../contract/requests.ts';
import type { Collection, Documents, WithHistory } from '../../contract/collections/index.ts';

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

/** What happens when the server wants somebody to sign in first. */
let unauthorized = (): void => undefined;
/** Says what happens when the server wants somebody to sign in first. */
export const onUnauthorized = (act: () => void): void => {
  unauthorized = act;
};

/** Asks the server. Throws ServerProblem with what it said no by, ServerAway where nobody answers. */
export async function call<T>(
  path: string,
  init: RequestInit & { version?: number; isFirst?: true } = {},
): Promise<T> {
  const headers: Record<string, string> = {};
  if (init.body !== undefined) headers['Content-Type'] = 'application/json';
  if (init.version !== undefined) headers['If-Match'] = etagOf(init.version);
  if (init.isFirst) headers['If-None-Match'] = '*';
  let response: Response;
  try {
    response = await fetch(`${API}${path}`, { ...init, headers });
  } catch {
    throw new ServerAway();
  }
  if (response.status === 204) return undefined as T;
  const body: unknown = await response.json().catch(() => undefined);
  if (!response.ok) {
    if (response.status === 401) unauthorized();
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

/** Returns a document with its version. */
export const read = <C extends Collection>(collection: C, id: string): Promise<Kept<Documents[C]>> =>
  call(`/${collection}/${encodeURIComponent(id)}`);

/** Creates a document. */
export const create = <C extends Collection>(
  collection: C,
  document: Documents[C],
): Promise<Kept<Documents[C]>> => call(`/${collection}`, { method: 'POST', body: JSON.stringify(document) });

/**
 * Creates a document under an id made here; one that is there already is refused with 412, so that it can be
 * sent twice.
 */
export const createAs = <C extends Collection>(
  collection: C,
  id: string,
  document: Documents[C],
): Promise<Kept<Documents[C]>> =>
  call(`/${collection}/${encodeURIComponent(id)}`, {
    method: 'PUT',
    body: JSON.stringify(document),
    isFirst: true,
  });

/** Saves a document over the version it was made from; a newer one there is refused with 412. */
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

/** Deletes a document of this version. */
export const remove = (collection: Collection, id: string, version: number): Promise<void> =>
  call(`/${collection}/${encodeURIComponent(id)}`, { method: 'DELETE', version });

/** Brings a deleted document back. */
export const restore = <C extends Collection>(
  collection: C,
  id: string,
  version: number,
): Promise<Kept<Documents[C]>> =>
  call(`/${collection}/${encodeURIComponent(id)}/restore`, { method: 'POST', version });

/** Returns the reference stores. */
export const readStores = (): Promise<Stores> => call('/stores');

/** Returns the rules the shop judges by. */
export const readRules = (): Promise<RulesInForce> => call('/rules');
/** Saves the shop’s own rules over this version. */
export const saveRules = (document: RuleSet, version: number): Promise<RulesInForce> =>
  call('/rules', { method: 'PUT', body: JSON.stringify(document), version });
/** Gives up the shop’s own rules for those that ship. */
export const restoreRules = (version: number): Promise<RulesInForce> =>
  call('/rules', { method: 'DELETE', version });

/** Sets density or price of a metal over this version. */
export const editMetal = (key: string, edit: MetalEdit, version: number): Promise<Stores['metals'][number]> =>
  call(`/stores/metals/${encodeURIComponent(key)}`, { method: 'PUT', body: JSON.stringify(edit), version });

const at = (collection: Collection, id: string) => `/${collection}/${encodeURIComponent(id)}`;
const design = (id: string) => at('designs', id);

/** Archives a design, or takes it out of the archive. */
export const archive = (id: string, away: boolean, version: number): Promise<Kept<Design>> =>
  call(`${design(id)}/${away ? 'archive' : 'unarchive'}`, { method: 'POST', version });
/** Creates a copy of a design. */
export const duplicate = (id: string): Promise<Kept<Design>> =>
  call(`${design(id)}/duplicate`, { method: 'POST' });
/** Creates several designs at once, all or none. */
export const createSeries = (designs: readonly Design[]): Promise<Kept<Design>[]> =>
  call('/designs/series', { method: 'POST', body: JSON.stringify(designs) });

/** Takes a series back, whole or not at all: refused where one of it was changed since. */
export const removeSeries = (
  heads: readonly { readonly id: string; readonly version: number }[],
): Promise<void> => call('/designs/series/remove', { method: 'POST', body: JSON.stringify({ heads }) });

/** Returns what was archived, and what was deleted of late, the newest first. */
export const readArchive = (): Promise<{ readonly rows: readonly ArchivedRow[] }> => call('/archive');

/** Returns the cards of the Rack. */
export const readRack = (signal?: AbortSignal): Promise<RackIndex> => call('/rack', signal ? { signal } : {});
/** Returns outlines of designs by their ids. */
export const readOutlines = (ids: readonly string[]): Promise<Record<string, Drawing>> =>
  call(`/rack/outlines?ids=${ids.map(encodeURIComponent).join(',')}`);

/** Steps of any document that keeps them. */
export const readSteps = (collection: WithHistory, id: string): Promise<History> =>
  call(`${at(collection, id)}/history`);
/** Goes to a step, whatever version the document is at: what is on screen was saved just before. */
export async function goStep<C extends WithHistory>(
  collection: C,
  id: string,
  step: number,
): Promise<Kept<Documents[C]>> {
  const { version } = await read(collection, id);
  return call(`${at(collection, id)}/step`, { method: 'PUT', body: JSON.stringify({ step }), version });
}

/** Does something to the simulated scale. */
export const scaleAct = (act: ScaleAct): Promise<void> =>
  call('/scale', { method: 'POST', body: JSON.stringify(act) });

/** Returns the steps and named versions of a design. */
export const readHistory = (id: string): Promise<History> => call(`${design(id)}/history`);
/** Returns a design as it was at a step. */
export const readStep = (id: string, step: number): Promise<Design> => call(`${design(id)}/history/${step}`);
/** Moves a design along its steps. */
export const goToStep = (id: string, step: number, version: number): Promise<Kept<Design>> =>
  call(`${design(id)}/step`, { method: 'PUT', body: JSON.stringify({ step }), version });
/** Gives the present state of a design a name. */
export const keepVersion = (id: string, name: string): Promise<NamedVersion> =>
  call(`${design(id)}/versions`, { method: 'POST', body: JSON.stringify({ name }) });
/** Returns a design as it was when it was given a name. */
export const readVersion = (id: string, versionId: string): Promise<Design> =>
  call(`${design(id)}/versions/${versionId}`);
/** Brings a design back to a named version, as a step of its own. */
export const restoreVersion = (id: string, versionId: string, version: number): Promise<Kept<Design>> =>
  call(`${design(id)}/versions/${versionId}/restore`, { method: 'POST', version });
/** Deletes a named version. */
export const dropVersion = (id: string, versionId: string, version: number): Promise<void> =>
  call(`${design(id)}/versions/${versionId}`, { method: 'DELETE', version });

/** What taking in a shop file would do. */
export const tryShop = (text: string): Promise<Intake> => call('/shop?trial', { method: 'POST', body: text });
/** Takes a shop file in. With what its trial answered, nothing that was saved since is overwritten. */
export const takeShop = (text: string, seen?: string): Promise<Intake> =>
  call(`/shop${seen === undefined ? '' : `?seen=${encodeURIComponent(seen)}`}`, {
    method: 'POST',
    body: text,
  });

/** Returns the documents that name another. */
export const readUsed = (
  collection: Collection,
  id: string,
): Promise<{ readonly items: readonly UsedIn[] }> => call(`/${collection}/${id}/used`);
/** Returns what the shop’s prices are in. */
export const readMoney = (): Promise<MoneyInForce> => call('/money');
/** Says what the shop’s prices are in, over this version. */
export const saveMoney = (money: Money, version: number): Promise<MoneyInForce> =>
  call('/money', { method: 'PUT', body: JSON.stringify(money), version });
/** Returns the backups there are, and how they are made. */
export const readBackups = (): Promise<BackupsState> => call('/backups');
/** Changes how backups are made, over this version. */
export const editBackups = (edit: BackupsEdit, version: number): Promise<BackupsState> =>
  call('/backups', { method: 'PUT', body: JSON.stringify(edit), version });
/** Begins a backup into the shop's folder of them. */
export const makeBackup = (): Promise<BackupsState> => call('/backups', { method: 'POST' });
/** Reads a backup whole: its seal and every document. */
export const checkBackup = (name: string): Promise<BackupChecked> =>
  call(`/backups/${encodeURIComponent(name)}/verify`, { method: 'POST' });
/** Begins to restore a backup into a fresh folder beside the shop's data. */
export const restoreBackup = (name: string): Promise<BackupsState> =>
  call(`/backups/${encodeURIComponent(name)}/restore`, { method: 'POST' });
