import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type Router from '@koa/router';
import type { Logger } from 'pino';
import { and, asc, inArray, isNull } from 'drizzle-orm';
import type { Design, Drawing } from '../../core/index.ts';
import { GUARDS, KEEPERS, METALS, shortened } from '../../core/index.ts';
import type { DesignSummary, RackCard, RackNames } from '../../contract/api.ts';
import { etagOf, OUTLINES_AT_ONCE } from '../../contract/api.ts';
import { checkDesignDocument, checkGo, checkNaming, checkOutlinesQuery } from '../../contract/validate.ts';
import type { Database } from '../database.ts';
import type { DocumentStore } from '../documents.ts';
import type { HistoryStore } from '../history.ts';
import { invalid } from '../problem.ts';
import { taken, wantedVersion } from '../request.ts';
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
  log: Logger,
): void {
  const rack = rackReader(db, metals);
  // Read once before anyone asks: the first look at a large Rack is as quick as the next.
  void rack().catch((reason: unknown) => {
    log.error(reason, 'the Rack could not be read');
  });
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
    const kept = await store.replace(String(ctx.params['id']), document, wantedVersion(ctx), {
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

/** What is kept of a card between two looks at the Rack: its text, and of which state of the design. */
interface KeptCard {
  readonly state: string;
  readonly text: string;
  readonly grams: number | null;
}

/**
 * Every card of the Rack with the outlines of its first screen, as JSON text and packed. What is there, and in which state, is asked of the
 * database each time, since another process may write too; only cards of states not seen before are read anew.
 */
function rackReader(db: Database, metals: MetalStore): () => Promise<{ text: string; packed: Buffer }> {
  let cards = new Map<string, KeptCard>();
  let kept: { readonly text: string; readonly packed: Buffer } | undefined;
  let last = '';
  return async () => {
    const rows = await db
      .select({
        id: designs.id,
        version: designs.version,
        revision: designs.revision,
        archivedAt: designs.archivedAt,
        isStale: isStale(await metals.metals()),
      })
      .from(designs)
      .where(isNull(designs.deletedAt))
      .orderBy(asc(designs.name), asc(designs.id));
    const states = rows.map((row) => `${row.version} ${row.revision} ${row.isStale ? 'stale' : ''}`);
    const missing = rows.filter(({ id }, i) => cards.get(id)?.state !== states[i]);
    const now = rows.map(({ id }, i) => `${id} ${states[i] ?? ''}`).join();
    if (kept && now === last) return kept;
    const bodies = new Map<string, CardBody>();
    for (let at = 0; at < missing.length; at += CARDS_AT_ONCE) {
      const some = missing.slice(at, at + CARDS_AT_ONCE).map(({ id }) => id);
      const read = await db
        .select({ id: designs.id, card: designs.card })
        .from(designs)
        .where(inArray(designs.id, some));
      for (const { id, card } of read) bodies.set(id, card as CardBody);
    }
    const next = new Map<string, KeptCard>();
    rows.forEach(({ id, version, archivedAt, isStale: stale }, i) => {
      const state = states[i] ?? '';
      const before = cards.get(id);
      const body = bodies.get(id);
      if (!body) {
        if (before?.state === state) next.set(id, before);
        return;
      }
      const card: RackCard = { id, version, archived: archivedAt !== null, isStale: stale, ...body };
      next.set(id, { state, text: JSON.stringify(card), grams: card.archived ? null : card.grams });
    });
    const lightest = [...next]
      .filter(([, { grams }]) => grams !== null)
      .sort(([, a], [, b]) => (a.grams ?? 0) - (b.grams ?? 0))
      .slice(0, FIRST)
      .map(([id]) => id);
    const outlines = JSON.stringify(await outlinesOf(db, lightest));
    const texts = [...next.values()].map(({ text }) => text).join();
    const text = `{"names":${JSON.stringify(NAMES)},"cards":[${texts}],"outlines":${outlines}}`;
    cards = next;
    last = now;
    kept = { text, packed: await pack(text, { level: 1 }) };
    return kept;
  };
}

/** Cards read in one go. */
const CARDS_AT_ONCE = 1000;

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
