import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Batch, Brief, Design, HookDocument, Mould, RangePlan, Trial } from '../core/document/index.ts';
import type { Plastic } from '../core/plastic/index.ts';
import type { Collection, Documents } from '../contract/api.ts';
import type { App } from './app.ts';
import type { DocumentStore } from './documents.ts';

interface Named<T> {
  readonly id: string;
  readonly document: T;
}

/** Puts the demo workshop in place, once: what was changed or deleted since stays so. */
export async function loadDemo(
  stores: Omit<App, 'koa' | 'end'>,
  folder: string,
  dataFolder: string,
): Promise<void> {
  const read = <T>(name: string) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as Named<T>[];
  const marker = join(dataFolder, 'demo-loaded');
  if (existsSync(marker)) return;
  // A start that was cut short left no marker: what it had put in place already is kept, and the rest follows.
  for (const { id, document } of read<Brief>('briefs.json')) await once(stores.briefs, id, document);
  for (const { id, document } of read<Plastic>('plastics.json')) await once(stores.plastics, id, document);
  for (const { id, document } of read<HookDocument>('hooks.json')) await once(stores.hooks, id, document);
  for (const { id, document } of read<Design>('designs.json')) await once(stores.designs, id, document);
  for (const { id, document } of read<Mould>('moulds.json')) await once(stores.moulds, id, document);
  for (const { id, document } of read<Batch>('batches.json')) await once(stores.batches, id, document);
  for (const { id, document } of read<RangePlan>('ranges.json')) await once(stores.ranges, id, document);
  for (const { id, document } of read<Trial>('trials.json')) await once(stores.trials, id, document);
  writeFileSync(marker, '');
}

async function once<C extends Collection>(
  store: DocumentStore<C>,
  id: string,
  document: Documents[C],
): Promise<void> {
  await store.read(id).catch(() => store.create(document, id));
}
