import type Router from '@koa/router';
import type { Context } from 'koa';
import type { Collection, DesignSummary, Documents, Intake, Shop } from '../../contract/api.ts';
import { COLLECTIONS } from '../../contract/api.ts';
import { checkCardQuery, checkCounterQuery, checkExportQuery } from '../../contract/validate.ts';
import type { Design, ReadingId } from '../../core/index.ts';
import { EXPORTS } from '../../core/index.ts';
import { sameDocument } from '../../core/document/same.ts';
import type { CsvRow } from '../../core/exchange/csv.ts';
import { writeHooksCsv } from '../../core/exchange/hooks-csv.ts';
import { writePlasticsCsv } from '../../core/exchange/plastics-csv.ts';
import { writeBackup } from '../backup.ts';
import type { Database } from '../database.ts';
import type { DocumentStore, Made } from '../documents.ts';
import { PLAIN } from '../documents.ts';
import { HttpProblem, invalid, notFound } from '../problem.ts';
import { fileName, taken } from '../request.ts';
import type { Pool } from '../pool.ts';
import type { RuleStore } from '../rules.ts';
import type { MetalStore } from '../stores.ts';

export type Stores = { readonly [C in Collection]: DocumentStore<C> };

/** Longest that a file out, and a shop in, may take. */
const SECONDS = { file: 60, shop: 60 } as const;

/** Waits until no figures are being made anew; refuses when that takes long. */
async function settledSoon(designs: Stores['designs']): Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => {
      const words = 'Figures are still being made anew after a change. Ask for the table again in a minute.';
      reject(new HttpProblem(503, 'Not ready', words));
    }, SECONDS.file * 1000);
  });
  await Promise.race([designs.settled(), late]).finally(() => {
    clearTimeout(timer);
  });
}

/** Whoever asked has gone away: nothing more is computed for him. */
export function gone(ctx: Context): AbortSignal {
  const away = new AbortController();
  ctx.res.once('close', () => {
    if (!ctx.res.writableFinished) away.abort();
  });
  return away.signal;
}

const csvRow = (design: Design, { readings, ranges }: DesignSummary): CsvRow => ({
  design,
  readings: Object.fromEntries(
    Object.entries(readings).map(([id, value]) => [id, { value, range: ranges[id as ReadingId] }]),
  ),
});

const documents = <T>(rows: readonly { readonly id: string; readonly document: T }[]) =>
  rows.map(({ id, document }) => ({ id, document }));

/** Files out and in: a design in every format, readings as a table, the whole shop both ways. */
export function exchangeRoutes(
  router: Router,
  db: Database,
  stores: Stores,
  metals: MetalStore,
  ruleStore: RuleStore,
  pool: Pool,
  bytesOf: (ctx: Context) => Promise<Uint8Array>,
): void {
  router.get('/designs/:id/export/:format', async (ctx) => {
    const ending = String(ctx.params['format']);
    const kind = EXPORTS.find(({ key }) => key === ending);
    if (!kind) throw notFound(`The format “${ending.slice(0, 20)}”`);
    const { shrink = 0, arrangement = 'third', units = 'metric' } = taken(checkExportQuery({ ...ctx.query }));
    const { document } = await stores.designs.read(String(ctx.params['id']));
    const made = await pool.run(
      'export',
      [document, kind.key, await metals.metals(), { shrink, arrangement, units }],
      SECONDS.file,
      gone(ctx),
    );
    if (!made.ok) throw invalid(made.problems);
    ctx.attachment(`${fileName(document.name)}.${kind.key}`);
    ctx.type = kind.mediaType;
    ctx.body = typeof made.data === 'string' ? made.data : Buffer.from(made.data);
  });
  router.get('/designs/:id/card', async (ctx) => {
    const {
      plastic,
      method,
      cut = 0,
      units = 'metric',
      sheet = false,
    } = taken(checkCardQuery({ ...ctx.query }));
    const { document } = await stores.designs.read(String(ctx.params['id']));
    const { document: bought } = await stores.plastics.read(plastic);
    const bait = { plastic: cut > 0 ? { ...bought, cut } : bought, method };
    const made = await pool.run(
      'card',
      [document, bait, await metals.metals(), units, sheet],
      SECONDS.file,
      gone(ctx),
    );
    if (!made.ok) throw invalid(made.problems);
    ctx.attachment(`${fileName(`${bought.name} on ${document.name}`)}.pdf`);
    ctx.type = 'application/pdf';
    ctx.body = Buffer.from(made.data as Uint8Array);
  });
  router.get('/designs/:id/counter-card', async (ctx) => {
    const { units = 'metric', plastic, method = 'threaded' } = taken(checkCounterQuery({ ...ctx.query }));
    const { document } = await stores.designs.read(String(ctx.params['id']));
    const bait =
      plastic === undefined ? undefined : { plastic: (await stores.plastics.read(plastic)).document, method };
    const shelf = (await stores.plastics.all()).map((row) => row.document);
    const { rules, schools } = (await ruleStore.inForce()).document;
    const made = await pool.run(
      'counterCard',
      [document, { rules, ...(schools ? { schools } : {}) }, shelf, units, await metals.metals(), bait],
      SECONDS.file,
      gone(ctx),
    );
    if (!made.ok) throw invalid(made.problems);
    ctx.attachment(`${fileName(`${document.name} counter card`)}.pdf`);
    ctx.type = 'application/pdf';
    ctx.body = Buffer.from(made.data as Uint8Array);
  });
  router.get('/readings.csv', async (ctx) => {
    const wanted = typeof ctx.query['ids'] === 'string' ? new Set(ctx.query['ids'].split(',')) : undefined;
    // Figures out of date are made anew first: a table tells nothing old.
    await settledSoon(stores.designs);
    const rows = (await stores.designs.all()).filter(({ id }) => !wanted || wanted.has(id));
    const judged = rows.flatMap(({ document, summary }) => (summary?.ok ? [csvRow(document, summary)] : []));
    ctx.attachment('readings.csv');
    ctx.type = 'text/csv';
    ctx.body = await pool.run('readingsCsv', [judged], SECONDS.file, gone(ctx));
  });
  router.get('/hooks.csv', async (ctx) => {
    ctx.attachment('hooks.csv');
    ctx.type = 'text/csv';
    ctx.body = writeHooksCsv((await stores.hooks.all()).map(({ document }) => document));
  });
  router.get('/plastics.csv', async (ctx) => {
    ctx.attachment('plastics.csv');
    ctx.type = 'text/csv';
    ctx.body = writePlasticsCsv((await stores.plastics.all()).map(({ document }) => document));
  });
  router.get('/shop.json', async (ctx) => {
    const shop: Shop = {
      format: 'fern-anvil/shop',
      version: 1,
      designs: documents(await stores.designs.all()),
      plastics: documents(await stores.plastics.all()),
      briefs: documents(await stores.briefs.all()),
      hooks: documents(await stores.hooks.all()),
      moulds: documents(await stores.moulds.all()),
      batches: documents(await stores.batches.all()),
      ranges: documents(await stores.ranges.all()),
      trials: documents(await stores.trials.all()),
      photos: documents(await stores.photos.all()),
    };
    ctx.attachment('shop.json');
    ctx.type = 'application/json';
    ctx.body = `${JSON.stringify(shop, null, 1)}\n`;
  });
  router.get('/backup', (ctx) => {
    ctx.attachment(`shop-${new Date().toISOString().slice(0, 10)}.fern-backup.gz`);
    ctx.type = 'application/gzip';
    // It is packed already.
    ctx.compress = false;
    ctx.body = writeBackup(db);
  });
  router.post('/shop', async (ctx) => {
    const shop = taken(await pool.run('shop', [await bytesOf(ctx)], SECONDS.shop, gone(ctx)));
    const isTrial = ctx.query['trial'] !== undefined;
    ctx.body = await takeIn(db, stores, shop, isTrial);
  });
}

/** Says document by document what a shop file adds and changes, and does it, all in one transaction, unless it is a trial. */
async function takeIn(db: Database, stores: Stores, shop: Shop, isTrial: boolean): Promise<Intake> {
  const rows: Intake['rows'][number][] = [];
  const coming: { readonly id: string; readonly document: Design }[] = [];
  let madeOf: (id: string) => Made = () => PLAIN;
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
      if (collection === 'designs' && does !== 'same') coming.push({ id, document: document as Design });
      const made = () => (collection === 'designs' ? madeOf(id) : PLAIN);
      if (does === 'adds') work.push((tx) => store.bringIn(tx, id, document, made()));
      if (does === 'changes')
        work.push((tx) => store.replaceIn(tx, id, document, undefined, made(), { isFresh: true }));
    }
  }
  if (!isTrial) {
    const made = new Map<string, Made>();
    for (const [i, one] of (await stores.designs.makeAll(coming.map(({ document }) => document))).entries())
      made.set(coming[i]?.id ?? '', one);
    madeOf = (id) => made.get(id) ?? PLAIN;
    await db.transaction(async (tx) => {
      for (const act of work) await act(tx);
    });
  }
  return { done: !isTrial, rows, problems: [] };
}
