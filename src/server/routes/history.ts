import type Router from '@koa/router';
import { etagOf } from '../../contract/api.ts';
import { checkGo, checkNaming } from '../../contract/validate.ts';
import type { DocumentStore } from '../documents.ts';
import type { HistoryStore } from '../history.ts';
import { taken, wantedVersion } from '../request.ts';
import type { WithHistory } from '../../contract/collections/index.ts';

/**
 * Steps and named versions of one collection's documents. Added before the common routes, whose `:id` would
 * catch them.
 */
export function historyRoutes<C extends WithHistory>(
  router: Router,
  collection: C,
  store: DocumentStore<C>,
  history: HistoryStore<C>,
): void {
  const at = `/${collection}/:id`;
  router.get(`${at}/history`, async (ctx) => {
    ctx.body = await history.read(String(ctx.params['id']));
  });
  router.get(`${at}/history/:step`, async (ctx) => {
    const step = taken(checkGo({ step: Number(ctx.params['step']) })).step;
    ctx.body = await history.document(String(ctx.params['id']), step);
  });
  router.put(`${at}/step`, async (ctx) => {
    const expected = wantedVersion(ctx);
    const kept = await history.go(String(ctx.params['id']), taken(checkGo(ctx.request.body)).step, expected);
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.post(`${at}/versions`, async (ctx) => {
    ctx.status = 201;
    ctx.body = await history.keep(String(ctx.params['id']), taken(checkNaming(ctx.request.body)).name.trim());
  });
  router.get(`${at}/versions/:version`, async (ctx) => {
    ctx.body = await history.version(String(ctx.params['id']), String(ctx.params['version']));
  });
  router.post(`${at}/versions/:version/restore`, async (ctx) => {
    const document = await history.version(String(ctx.params['id']), String(ctx.params['version']));
    const kept = await store.replace(String(ctx.params['id']), document, wantedVersion(ctx), {
      isFresh: true,
    });
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.delete(`${at}/versions/:version`, async (ctx) => {
    await history.drop(String(ctx.params['id']), String(ctx.params['version']), wantedVersion(ctx));
    ctx.status = 204;
  });
}
