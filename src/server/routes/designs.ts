import type Router from '@koa/router';
import type { Logger } from 'pino';
import type { Design } from '../../core/document/index.ts';
import { shortened } from '../../core/quantity/index.ts';
import { OUTLINES_AT_ONCE } from '../../contract/requests.ts';
import { checkOutlinesQuery, checkSeriesRemoval } from '../../contract/validate.ts';
import type { Database } from '../database.ts';
import type { DocumentStore } from '../documents.ts';
import { pendingMade } from '../designs-made.ts';
import type { Figures } from '../figures.ts';
import { invalid } from '../problem.ts';
import { taken } from '../request.ts';
import { outlinesOf, rackReader } from '../rack.ts';
import type { MetalStore } from '../stores.ts';
import { checkDesignDocument } from '../../contract/collections/designs.ts';

/** Most designs made in one go: a table of heads. */
const MOST_AT_ONCE = 1000;
/**
 * Most whose figures are worked out before they are answered: the others are there by name, and theirs follow
 * behind.
 */
const MOST_AWAITED = 20;

/**
 * What designs have besides other documents: the Rack, copies and series. Added before the common routes,
 * whose `:id` would catch them.
 */
export function designRoutes(
  router: Router,
  db: Database,
  store: DocumentStore<'designs'>,
  metals: MetalStore,
  figures: Figures,
  log: Logger,
): void {
  const rack = rackReader(db, metals);
  // Read once before anyone asks: the first look at a large Rack is as quick as the next.
  void rack().catch((reason: unknown) => {
    log.error(reason, 'the Rack could not be read');
  });
  router.get('/rack', async (ctx) => {
    const body = await rack();
    // What is on the first screen is worked out first, where it is not yet.
    await figures.first(body.stale);
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
    await figures.first(ids);
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
    const isFew = checked.length <= MOST_AWAITED;
    ctx.body = await store.createMany(
      checked,
      isFew ? undefined : checked.map(({ document }) => pendingMade(document)),
    );
    if (!isFew) figures.wake();
  });
  // A series taken back, whole or not at all: what was changed since is not deleted with it.
  router.post('/designs/series/remove', async (ctx) => {
    const { heads } = taken(checkSeriesRemoval(ctx.request.body));
    await store.removeMany(heads);
    ctx.status = 204;
  });
  router.post('/designs/:id/duplicate', async (ctx) => {
    const { document } = await store.read(String(ctx.params['id']));
    const copy: Design = { ...document, name: `${shortened(document.name, 112)} (copy)` };
    ctx.status = 201;
    ctx.body = await store.create(copy);
  });
}
