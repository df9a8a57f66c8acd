import type Router from '@koa/router';
import type { Collection, Documents, Intake, Shop } from '../../contract/api.ts';
import { COLLECTIONS } from '../../contract/api.ts';
import { checkExportQuery, checkShop } from '../../contract/validate.ts';
import { evaluate, EXPORTS, PLAIN_WATER } from '../../core/index.ts';
import { writeReadingsCsv } from '../../core/exchange/csv.ts';
import { exportDesign } from '../../core/exchange/export-design.ts';
import { writeHooksCsv } from '../../core/exchange/hooks-csv.ts';
import type { Database } from '../database.ts';
import type { DocumentStore } from '../documents.ts';
import { invalid, notFound } from '../problem.ts';
import { fileName, taken } from '../request.ts';
import type { MetalStore } from '../stores.ts';

export type Stores = { readonly [C in Collection]: DocumentStore<C> };

/** Files out and in: a design in every format, readings as a table, the whole shop both ways. */
export function exchangeRoutes(router: Router, db: Database, stores: Stores, metals: MetalStore): void {
  router.get('/designs/:id/export/:format', async (ctx) => {
    const ending = String(ctx.params['format']);
    const kind = EXPORTS.find(({ key }) => key === ending);
    if (!kind) throw notFound(`The format “${ending.slice(0, 20)}”`);
    const { shrink = 0, arrangement = 'third', units = 'metric' } = taken(checkExportQuery({ ...ctx.query }));
    const { document } = await stores.designs.read(String(ctx.params['id']));
    const made = await exportDesign(
      document,
      kind.key,
      { ...PLAIN_WATER, metals: metals.metals },
      { shrink, arrangement, units },
    );
    if (!made.ok) throw invalid(made.problems);
    ctx.attachment(`${fileName(document.name)}.${kind.key}`);
    ctx.type = kind.mediaType;
    ctx.body = typeof made.data === 'string' ? made.data : Buffer.from(made.data);
  });
  router.get('/readings.csv', async (ctx) => {
    const wanted = typeof ctx.query['ids'] === 'string' ? new Set(ctx.query['ids'].split(',')) : undefined;
    const rows = (await stores.designs.all()).filter(({ id }) => !wanted || wanted.has(id));
    const judged = rows.flatMap(({ document }) => {
      const result = evaluate(document, { ...PLAIN_WATER, metals: metals.metals });
      return result.ok ? [{ design: result.design, readings: result.readings }] : [];
    });
    ctx.attachment('readings.csv');
    ctx.type = 'text/csv';
    ctx.body = writeReadingsCsv(judged);
  });
  router.get('/hooks.csv', async (ctx) => {
    ctx.attachment('hooks.csv');
    ctx.type = 'text/csv';
    ctx.body = writeHooksCsv((await stores.hooks.all()).map(({ document }) => document));
  });
  router.get('/shop.json', async (ctx) => {
    const shop: Shop = {
      format: 'fern-anvil/shop',
      version: 1,
      designs: await stores.designs.all(),
      plastics: await stores.plastics.all(),
      briefs: await stores.briefs.all(),
      hooks: await stores.hooks.all(),
    };
    ctx.attachment('shop.json');
    ctx.type = 'application/json';
    ctx.body = `${JSON.stringify(shop, null, 1)}\n`;
  });
  router.post('/shop', async (ctx) => {
    const shop = taken(checkShop(ctx.request.body));
    const isTrial = ctx.query['trial'] !== undefined;
    ctx.body = await takeIn(db, stores, shop, isTrial);
  });
}

/** Says document by document what a shop file adds and changes, and does it, all in one transaction, unless it is a trial. */
async function takeIn(db: Database, stores: Stores, shop: Shop, isTrial: boolean): Promise<Intake> {
  const rows: Intake['rows'][number][] = [];
  const work: ((tx: Parameters<Parameters<Database['transaction']>[0]>[0]) => Promise<unknown>)[] = [];
  for (const collection of COLLECTIONS) await look(collection);
  async function look<C extends Collection>(collection: C): Promise<void> {
    const store: DocumentStore<C> = stores[collection];
    const present = new Map((await store.all()).map(({ id, document }) => [id, document]));
    for (const { id, document } of shop[collection] as readonly { id: string; document: Documents[C] }[]) {
      const before = present.get(id);
      const does = before === undefined ? 'adds' : sameDocument(before, document) ? 'same' : 'changes';
      rows.push({ collection, id, name: document.name, does });
      // One that was deleted here comes back with the file.
      if (does === 'adds') work.push((tx) => store.bringIn(tx, id, document));
      if (does === 'changes')
        work.push((tx) => store.replaceIn(tx, id, document, undefined, { isFresh: true }));
    }
  }
  if (!isTrial) {
    await db.transaction(async (tx) => {
      for (const act of work) await act(tx);
    });
  }
  return { done: !isTrial, rows, problems: [] };
}

/** Whether two documents say the same, in whatever order their fields stand. */
function sameDocument(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return Object.is(a, b);
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(x).filter((key) => x[key] !== undefined);
  return (
    keys.length === Object.keys(y).filter((key) => y[key] !== undefined).length &&
    keys.every((key) => sameDocument(x[key], y[key]))
  );
}
