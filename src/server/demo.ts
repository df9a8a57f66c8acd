import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Collection, Documents } from '../contract/collections/index.ts';
import { COLLECTIONS } from '../contract/collections/index.ts';
import type { Money } from '../core/quantity/index.ts';
import type { Database } from './database.ts';
import type { DocumentStore } from './documents.ts';
import type { MoneyStore } from './money.ts';
import type { Stores } from './routes/exchange.ts';
import { readSetting, replaceSetting } from './settings.ts';

interface Named<T> {
  readonly id: string;
  readonly document: T;
}

/** Where the demo workshop is put: its documents, and what its prices are in. */
interface Shop extends Stores {
  readonly money: Pick<MoneyStore, 'read' | 'replace'>;
}

/** The setting that says of a shared database that the demo workshop was put in place. */
const LOADED = 'demo';

/**
 * Puts the demo workshop in place, once: what was changed or deleted since stays so. `dataFolder` remembers
 * it, or the database, where several processes share that.
 */
export async function loadDemo(db: Database, shop: Shop, folder: string, dataFolder: string): Promise<void> {
  const stores: Stores = shop;
  const load = async <C extends Collection>(collection: C): Promise<void> => {
    const store: DocumentStore<C> = stores[collection];
    const file = join(folder, `${collection}.json`);
    if (!existsSync(file)) return;
    const shipped = JSON.parse(readFileSync(file, 'utf8')) as Named<Documents[C]>[];
    for (const { id, document } of shipped) await once(store, id, document);
  };
  const { isShared, runExclusive } = db.$client;
  const marker = join(dataFolder, 'demo-loaded');
  await runExclusive(LOADED, async () => {
    if (isShared ? (await readSetting(db, LOADED)).version > 0 : existsSync(marker)) return;
    // A start that was cut short left no marker: what it had put in place already is kept, and the rest
    // follows.
    for (const collection of COLLECTIONS) await load(collection);
    if ((await shop.money.read()).version === 0)
      await shop.money.replace(JSON.parse(readFileSync(join(folder, 'money.json'), 'utf8')) as Money, 0);
    if (isShared) await replaceSetting(db, LOADED, { loaded: true }, 0, 'The demo workshop');
    else writeFileSync(marker, '');
  });
}

async function once<C extends Collection>(
  store: DocumentStore<C>,
  id: string,
  document: Documents[C],
): Promise<void> {
  await store.read(id).catch(() => store.create(document, id));
}
