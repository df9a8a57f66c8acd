import type Router from '@koa/router';
import type { Logger } from 'pino';
import type { Design } from '../../core/index.ts';
import { shortened } from '../../core/index.ts';
import { etagOf, OUTLINES_AT_ONCE } from '../../contract/api.ts';
import { checkDesignDocument, checkGo, checkNaming, checkOutlinesQuery } from '../../contract/validate.ts';
import type { Database } from '../database.ts';
import type { DocumentStore } from '../documents.ts';
import type { HistoryStore } from '../history.ts';
import { invalid } from '../problem.ts';
import { taken, wantedVersion } from '../request.ts';
import { outlinesOf, rackReader } from '../rack.ts';
import type { MetalStore } from '../stores.ts';

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
