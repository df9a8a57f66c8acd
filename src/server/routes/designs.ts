import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type Router from '@koa/router';
import { and, asc, inArray, isNull } from 'drizzle-orm';
import type { Design, Drawing } from '../../core/index.ts';
import { GUARDS, KEEPERS, METALS, shortened } from '../../core/index.ts';
import type { DesignSummary, RackCard, RackIndex, RackNames } from '../../contract/api.ts';
import { etagOf, OUTLINES_AT_ONCE } from '../../contract/api.ts';
import { checkDesignDocument, checkGo, checkNaming, checkOutlinesQuery } from '../../contract/validate.ts';
import type { Database } from '../database.ts';
import type { DocumentStore } from '../documents.ts';
import type { HistoryStore } from '../history.ts';
import { invalid } from '../problem.ts';
import { expectedVersion, taken, wantedVersion } from '../request.ts';
import { designs } from '../schema.ts';
import { isStale } from '../stale.ts';
import type { MetalStore } from '../stores.ts';
import type { CardBody } from '../summary.ts';

const pack = promisify(gzip) as (text: string, options: { level: number }) => Promise<Buffer>;

/** Most designs made in one go: a weight ladder has at most 24 rungs. */
const MOST_AT_ONCE = 60;

/** What designs have besides other documents: the Rack, copies, series, and their history. Added before the common routes, whose `:id` would catch them. */
export function designRoutes(
  router: Router,
  db: Database,
  store: DocumentStore<'designs'>,
  history: HistoryStore,
  metals: MetalStore,
): void {
  const rack = rackReader(db, store, metals);
  // Read once before anyone asks: the first look at a large Rack is as quick as the next.
  void rack().catch(() => undefined);
  router.get('/rack', async (ctx) => {
    const body = await rack();
    ctx.type = 'application/json';
    ctx.compress = false;
    ctx.vary('Accept-Encoding');
    if (ctx.acceptsEncodings('gzip', 'identity') === 'gzip') {
      ctx.set('Content-Encoding', 'gzip');
      ctx.body = body.packed;
    } else ctx.body = body.text;
  });
  router.get('/rack/outlines', async (ctx) => {
    const ids = taken(checkOutlinesQuery({ ...ctx.query }))
      .ids.split(',')
      .slice(0, OUTLINES_AT_ONCE);
    ctx.body = await outlinesOf(db, ids);
  });
  router.post('/designs/series', async (ctx) => {
    const body: unknown = ctx.request.body;
    if (!Array.isArray(body) || body.length === 0 || body.length > MOST_AT_ONCE) {
      throw invalid([{ path: '', message: `The series: must be a list of 1 to ${MOST_AT_ONCE} designs.` }]);
    }
    const checked = body.map((item, i) => {
      const one = checkDesignDocument(item);
      if (one.ok) return { document: one.value };
      throw invalid(one.problems.map(({ path, message }) => ({ path: `/${i}${path}`, message })));
    });
    ctx.status = 201;
    ctx.body = await store.createMany(checked);
  });
  router.post('/designs/:id/duplicate', async (ctx) => {
    const { document } = await store.read(String(ctx.params['id']));
    const copy: Design = { ...document, name: `${shortened(document.name, 112)} (copy)` };
    ctx.status = 201;
    ctx.body = await store.create(copy);
  });

  router.get('/designs/:id/history', async (ctx) => {
    ctx.body = await history.read(String(ctx.params['id']));
  });
  router.get('/designs/:id/history/:step', async (ctx) => {
    const step = taken(checkGo({ step: Number(ctx.params['step']) })).step;
    ctx.body = await history.document(String(ctx.params['id']), step);
  });
  router.put('/designs/:id/step', async (ctx) => {
    const expected = wantedVersion(ctx);
    const kept = await history.go(String(ctx.params['id']), taken(checkGo(ctx.request.body)).step, expected);
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.post('/designs/:id/versions', async (ctx) => {
    ctx.status = 201;
    ctx.body = await history.keep(String(ctx.params['id']), taken(checkNaming(ctx.request.body)).name.trim());
  });
  router.get('/designs/:id/versions/:version', async (ctx) => {
    ctx.body = await history.version(String(ctx.params['id']), String(ctx.params['version']));
  });
  router.post('/designs/:id/versions/:version/restore', async (ctx) => {
    const document = await history.version(String(ctx.params['id']), String(ctx.params['version']));
    const kept = await store.replace(String(ctx.params['id']), document, expectedVersion(ctx), {
      isFresh: true,
    });
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.delete('/designs/:id/versions/:version', async (ctx) => {
    await history.drop(String(ctx.params['id']), String(ctx.params['version']));
    ctx.status = 204;
  });
}

const named = (kinds: readonly { readonly key: string; readonly name: string }[]) =>
  Object.fromEntries(kinds.map(({ key, name }) => [key, name]));
/** What the Rack calls metals and fittings. */
const NAMES: RackNames = { metal: named(METALS), keeper: named(KEEPERS), guard: named(GUARDS) };

/** Heads whose outlines come along with the cards: the first screen, in the order the Rack begins in. */
const FIRST = 90;

/**
 * Every card of the Rack with the outlines of its first screen, as JSON text and packed. It is kept for as long as no design is written. A write
 * that comes while it is read makes it read anew the next time.
 */
function rackReader(
  db: Database,
  store: DocumentStore<'designs'>,
  metals: MetalStore,
): () => Promise<{ text: string; packed: Buffer }> {
  let kept: { readonly writes: number; readonly text: string; readonly packed: Buffer } | undefined;
  return async () => {
    if (kept?.writes === store.writes) return kept;
    const { writes } = store;
    const rows = await db
      .select({
        id: designs.id,
        version: designs.version,
        archivedAt: designs.archivedAt,
        card: designs.card,
        isStale: isStale(metals.metals),
      })
      .from(designs)
      .where(isNull(designs.deletedAt))
      .orderBy(asc(designs.name), asc(designs.id));
    const cards = rows.map(({ id, version, archivedAt, card, isStale: stale }): RackCard => ({
      id,
      version,
      archived: archivedAt !== null,
      isStale: stale,
      ...(card as CardBody),
    }));
    const lightest = cards
      .filter(({ archived, grams }) => !archived && grams !== null)
      .sort((a, b) => (a.grams ?? 0) - (b.grams ?? 0))
      .slice(0, FIRST);
    const index: RackIndex = {
      names: NAMES,
      cards,
      outlines: await outlinesOf(
        db,
        lightest.map(({ id }) => id),
      ),
    };
    const text = JSON.stringify(index);
    kept = { writes, text, packed: await pack(text, { level: 4 }) };
    return kept;
  };
}

/** Outlines of designs by id; those that cannot be built, or are not there, are left out. */
async function outlinesOf(db: Database, ids: readonly string[]): Promise<Record<string, Drawing>> {
  if (ids.length === 0) return {};
  const rows = await db
    .select({ id: designs.id, summary: designs.summary })
    .from(designs)
    .where(and(inArray(designs.id, [...ids]), isNull(designs.deletedAt)));
  return Object.fromEntries(
    rows.flatMap(({ id, summary }) => {
      const made = summary as DesignSummary | { ok: false } | null;
      return made?.ok ? [[id, made.drawing]] : [];
    }),
  );
}
