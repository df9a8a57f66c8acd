import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Collection, Documents } from '../contract/collections/index.ts';
import { COLLECTIONS } from '../contract/collections/index.ts';
import type { DocumentStore } from './documents.ts';
import type { Stores } from './routes/exchange.ts';

interface Named<T> {
  readonly id: string;
  readonly document: T;
}

/** Puts the demo workshop in place, once: what was changed or deleted since stays so. */
export async function loadDemo(stores: Stores, folder: string, dataFolder: string): Promise<void> {
  const load = async <C extends Collection>(collection: C): Promise<void> => {
    const store: DocumentStore<C> = stores[collection];
    const file = join(folder, `${collection}.json`);
    if (!existsSync(file)) return;
    const shipped = JSON.parse(readFileSync(file, 'utf8')) as Named<Documents[C]>[];
    for (const { id, document } of shipped) await once(store, id, document);
  };
  const marker = join(dataFolder, 'demo-loaded');
  if (existsSync(marker)) return;
  // A start that was cut short left no marker: what it had put in place already is kept, and the rest
  // follows.
  for (const collection of COLLECTIONS) await load(collection);
  writeFileSync(marker, '');
}

async function once<C extends Collection>(
  store: DocumentStore<C>,
  id: string,
  document: Documents[C],
): Promise<void> {
  await store.read(id).catch(() => store.create(document, id));
}
