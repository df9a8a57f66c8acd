import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import type Router from '@koa/router';
import { and, asc, gt, inArray, isNull, sql } from 'drizzle-orm';
import type { Context } from 'koa';
import type { Intake, Shop } from '../../contract/api.ts';
import { MADE_BY } from '../../contract/version.ts';
import { checkExportQuery, checkShopQuery } from '../../contract/validate.ts';
import type { ReadingId } from '../../core/behaviour/index.ts';
import type { Design } from '../../core/document/index.ts';
import { EXPORTS } from '../../core/exchange/index.ts';
import { sameDocument } from '../../core/document/same.ts';
import { headsHeading, headsLines } from '../../core/exchange/heads-table/index.ts';
import type { CsvRow, ReadingColumns } from '../../core/exchange/csv.ts';
import { readingColumns, readingsHead, readingsLines } from '../../core/exchange/csv.ts';
import { writeHooksCsv } from '../../core/exchange/hooks-csv.ts';
import { writePlasticsCsv } from '../../core/exchange/plastics-csv.ts';
import type { Database } from '../database.ts';
import type { DocumentStore } from '../documents.ts';
import type { Made, Stored } from '../saving.ts';
import { pendingMade } from '../designs-made.ts';
import { PLAIN } from '../saving.ts';
import { HttpProblem, invalid, notFound } from '../problem.ts';
import type { Figures } from '../figures.ts';
import { isTaken } from '../guards.ts';
import { collected } from '../pieces.ts';
import { attach, fileName, gone, taken } from '../request.ts';
import { designs } from '../schema.ts';
import type { Pool } from '../pool.ts';
import type { MetalStore } from '../stores.ts';
import { COLLECTIONS } from '../../contract/collections/index.ts';
import type { Collection, Documents } from '../../contract/collections/index.ts';

/** The documents of every collection. */
export type Stores = { readonly [C in Collection]: DocumentStore<C> };

/** Longest that a file out, and a shop in, may take. */
const SECONDS = { file: 60, shop: 60 } as const;

/** Waits until no figures are being made anew; refuses when that takes long, and says how far it is. */
async function settledSoon(figures: Figures): Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<'late'>((resolve) => {
    timer = setTimeout(() => resolve('late'), SECONDS.file * 1000);
  });
  const came = await Promise.race([figures.settled(), late]).finally(() => {
    clearTimeout(timer);
  });
  if (came !== 'late') return;
  const { done, of } = await figures.progress();
  const words = `Figures are being worked out: ${done} of ${of} are done. Ask for the table again when all are.`;
  throw new HttpProblem(503, 'Not ready', words);
}

/** A design's line in a table of readings; none where it cannot be built. */
const csvRow = ({ document, summary }: Stored<Design>): CsvRow[] =>
  summary?.ok
    ? [
        {
          design: document,
          readings: Object.fromEntries(
            Object.entries(summary.readings).map(([id, value]) => [
              id,
              { value, range: summary.ranges[id as ReadingId] },
            ]),
          ),
        },
      ]
    : [];

/** Files out and in: a design in every format, readings as a table, the whole shop both ways. */
export function exchangeRoutes(
  router: Router,
  db: Database,
  stores: Stores,
  metals: MetalStore,
  pool: Pool,
  figures: Figures,
  bytesOf: (ctx: Context) => Promise<Uint8Array>,
): void {
  router.get('/designs/:id/export/:format', async (ctx) => {
    const ending = String(ctx.params['format']);
    const kind = EXPORTS.find(({ key }) => key === ending);
    if (!kind) throw notFound(`The format “${ending.slice(0, 20)}”`);
    const {
      shrink = 0,
      arrangement = 'third',
      units = 'metric',
      ...solid
    } = taken(checkExportQuery({ ...ctx.query }));
    const { document } = await stores.designs.read(String(ctx.params['id']));
    const made = await pool.run(
      'export',
      [document, kind.key, await metals.metals(), { shrink, arrangement, units, ...solid }],
      { seconds: SECONDS.file, signal: gone(ctx) },
    );
    if (!made.ok) throw invalid(made.problems);
    attach(ctx, `${fileName(document.name)}.${kind.key}`);
    ctx.type = kind.mediaType;
    ctx.body = typeof made.data === 'string' ? made.data : Buffer.from(made.data);
  });
  router.get('/readings.csv', async (ctx) => {
    const wanted = typeof ctx.query['ids'] === 'string' ? ctx.query['ids'].split(',') : undefined;
    if (wanted) await figures.first(wanted);
    // Figures out of date are made anew first: a table tells nothing old.
    await settledSoon(figures);
    const rows = wanted ? stores.designs.some(wanted, true) : stores.designs.each(true);
    const columns = await columnsThere(db, wanted);
    attach(ctx, 'readings.csv');
    ctx.type = 'text/csv';
    ctx.body = Readable.from(
      (async function* () {
        yield readingsHead(columns);
        for await (const piece of rows) yield readingsLines(piece.flatMap(csvRow), columns);
      })(),
      { highWaterMark: 1 },
    );
  });
  router.get('/heads.csv', (ctx) => {
    attach(ctx, 'heads.csv');
    ctx.type = 'text/csv';
    ctx.body = Readable.from(
      (async function* () {
        yield headsHeading();
        for await (const piece of stores.designs.each(true)) yield headsLines(piece.map(headOut));
      })(),
      { highWaterMark: 1 },
    );
  });
  router.get('/hooks.csv', async (ctx) => {
    attach(ctx, 'hooks.csv');
    ctx.type = 'text/csv';
    ctx.body = writeHooksCsv((await collected(stores.hooks.each())).map(({ document }) => document));
  });
  router.get('/plastics.csv', async (ctx) => {
    attach(ctx, 'plastics.csv');
    ctx.type = 'text/csv';
    ctx.body = writePlasticsCsv((await collected(stores.plastics.each())).map(({ document }) => document));
  });
  router.get('/shop.json', (ctx) => {
    attach(ctx, 'shop.json');
    ctx.type = 'application/json';
    ctx.body = Readable.from(shopFile(stores), { highWaterMark: 1 });
  });
  router.post('/shop', async (ctx) => {
    const { trial, seen } = taken(checkShopQuery({ ...ctx.query }));
    const shop = taken(
      await pool.run('shop', [await bytesOf(ctx)], { seconds: SECONDS.shop, signal: gone(ctx) }),
    );
    ctx.body = await takeIn(db, stores, figures, shop, trial !== undefined, seen);
  });
}

/** A whole shop as one JSON document, a document a line. */
async function* shopFile(stores: Stores): AsyncGenerator<string> {
  yield `{"format":"fern-anvil/shop","version":1,"by":${JSON.stringify(MADE_BY)}`;
  for (const collection of COLLECTIONS) {
    yield `,\n"${collection}":[`;
    let isFirst = true;
    for await (const piece of stores[collection].each()) {
      const lines = piece.map(({ id, document }) => JSON.stringify({ id, document }));
      yield `${isFirst ? '\n' : ',\n'}${lines.join(',\n')}`;
      isFirst = false;
    }
    yield ']';
  }
  yield '}\n';
}

/** Designs whose summaries are looked at in one go for the readings they have. */
const LOOKED_AT = 500;

/**
 * The columns a table of readings needs: what summaries hold, asked of the database a bounded number at a
 * time.
 */
async function columnsThere(db: Database, wanted: readonly string[] | undefined): Promise<ReadingColumns> {
  const found = { readings: new Set<string>(), ranges: new Set<string>() };
  for (let after = ''; ;) {
    const some = await db
      .select({ id: designs.id })
      .from(designs)
      .where(
        and(gt(designs.id, after), isNull(designs.deletedAt), wanted && inArray(designs.id, [...wanted])),
      )
      .orderBy(asc(designs.id))
      .limit(LOOKED_AT);
    const last = some.at(-1)?.id;
    if (last === undefined) break;
    for (const part of ['readings', 'ranges'] as const) {
      const { rows } = await db.execute<{ key: string }>(
        sql`select distinct key from ${designs}, jsonb_object_keys(coalesce(${designs.summary} -> ${part}, '{}')) as key where ${gt(designs.id, after)} and ${designs.id} <= ${last}`,
      );
      for (const { key } of rows) found[part].add(key);
    }
    after = last;
  }
  return readingColumns(
    (id) => found.readings.has(id),
    (id) => found.ranges.has(id),
  );
}

/**
 * A head as a table of heads has it: its weight as built, or as it is to be while its figures are still
 * worked out.
 */
const headOut = ({ document, summary }: Stored<Design>) => ({
  design: document,
  grams: summary?.ok ? summary.readings['mass.metal'] : document.head.target?.grams,
});

/** Most designs of a shop file whose figures are worked out before it is taken in: some seconds of work. */
const MOST_AT_ONCE = 20;

const changedMeanwhile = (what: string) =>
  new HttpProblem(
    412,
    'Changed meanwhile',
    `${what} was saved or made elsewhere since the file was looked at. Nothing was changed; look at the file again.`,
  );

/**
 * Says document by document what a shop file adds and changes, and does it, all in one transaction, unless it
 * is a trial. What was saved since the look is never overwritten: `seen` is what the trial answered, and of
 * every document the version that was looked at is asked for again.
 */
async function takeIn(
  db: Database,
  stores: Stores,
  figures: Figures,
  shop: Shop,
  isTrial: boolean,
  seen: string | undefined,
): Promise<Intake> {
  const rows: Intake['rows'][number][] = [];
  const coming: { readonly id: string; readonly document: Design }[] = [];
  const looked = createHash('sha256');
  let madeOf: (id: string) => Made = () => PLAIN;
  const work: {
    readonly key: string;
    readonly act: (tx: Parameters<Parameters<Database['transaction']>[0]>[0]) => Promise<unknown>;
  }[] = [];
  for (const collection of COLLECTIONS) await look(collection);
  async function look<C extends Collection>(collection: C): Promise<void> {
    const store: DocumentStore<C> = stores[collection];
    const items = shop[collection] as readonly { id: string; document: Documents[C] }[];
    const documents = new Map(items.map(({ id, document }) => [id, document]));
    const present = new Map<string, { readonly version: number; readonly isSame: boolean }>();
    for await (const piece of store.some(items.map(({ id }) => id)))
      for (const { id, version, document } of piece)
        present.set(id, { version, isSame: sameDocument(document, documents.get(id)) });
    for (const { id, document } of items) {
      const before = present.get(id);
      const does = before === undefined ? 'adds' : before.isSame ? 'same' : 'changes';
      looked.update(`${collection}/${id} ${before?.version ?? ''}\n`);
      rows.push({ collection, id, name: document.name, does });
      // One that was deleted here comes back with the file.
      if (collection === 'designs' && does !== 'same') coming.push({ id, document: document as Design });
      const made = () => (collection === 'designs' ? madeOf(id) : PLAIN);
      const key = `${collection}/${id}`;
      if (does === 'adds') work.push({ key, act: (tx) => store.bringIn(tx, id, document, made()) });
      if (does === 'changes')
        work.push({
          key,
          act: (tx) => store.replaceIn(tx, id, document, before?.version, made(), { isFresh: true }),
        });
    }
  }
  const token = looked.digest('base64url');
  if (isTrial) return { done: false, rows, problems: [], seen: token };
  if (seen !== undefined && seen !== token) throw changedMeanwhile('Something of this file');
  // The figures of a few are worked out first; many are there at once by name, and theirs follow behind.
  const isFew = coming.length <= MOST_AT_ONCE;
  const made = new Map<string, Made>();
  const all = isFew
    ? await stores.designs.makeAll(coming.map(({ document }) => document))
    : coming.map(({ document }) => pendingMade(document));
  for (const [i, one] of all.entries()) made.set(coming[i]?.id ?? '', one);
  madeOf = (id) => made.get(id) ?? PLAIN;
  // Always in one order: two files of the same heads would wait for each other otherwise.
  work.sort((a, b) => (a.key < b.key ? -1 : 1));
  await db
    .transaction(async (tx) => {
      for (const { act } of work) await act(tx);
    })
    .catch((error: unknown) => {
      throw isTaken(error) ? changedMeanwhile('A document of this file') : error;
    });
  if (!isFew) figures.wake();
  return { done: true, rows, problems: [], seen: token };
}
