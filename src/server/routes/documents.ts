import type Router from '@koa/router';
import { API, etagOf } from '../../contract/api.ts';
import { checkListQuery } from '../../contract/validate.ts';
import type { Database } from '../database.ts';
import type { DocumentStore } from '../documents.ts';
import type { Expected } from '../saving.ts';
import { isFirst, newId, taken, wantedVersion } from '../request.ts';
import { usedIn } from '../used.ts';
import type { Checked } from '../../contract/checker.ts';
import type { Collection, Documents } from '../../contract/collections/index.ts';

/** List, create, read, replace, archive, delete and restore of one collection. */
export function documentRoutes<C extends Collection>(
  router: Router,
  db: Database,
  collection: C,
  store: DocumentStore<C>,
  check: (data: unknown) => Checked<Documents[C]>,
): void {
  router.get(`/${collection}`, async (ctx) => {
    ctx.body = await store.list(taken(checkListQuery({ ...ctx.query })));
  });
  router.post(`/${collection}`, async (ctx) => {
    const kept = await store.create(taken(check(ctx.request.body)));
    ctx.status = 201;
    ctx.set('ETag', etagOf(kept.version));
    ctx.set('Location', `${API}/${collection}/${kept.id}`);
    ctx.body = kept;
  });
  router.get(`/${collection}/:id/used`, async (ctx) => {
    const id = String(ctx.params['id']);
    await store.read(id);
    ctx.body = { items: await usedIn(db, collection, id) };
  });
  router.get(`/${collection}/:id`, async (ctx) => {
    const kept = await store.read(String(ctx.params['id']));
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.put(`/${collection}/:id`, async (ctx) => {
    const id = String(ctx.params['id']);
    if (isFirst(ctx)) {
      const made = await store.createAs(newId(id), taken(check(ctx.request.body)));
      ctx.status = 201;
      ctx.set('ETag', etagOf(made.version));
      ctx.set('Location', `${API}/${collection}/${made.id}`);
      ctx.body = made;
      return;
    }
    const expected = wantedVersion(ctx);
    const kept = await store.replace(id, taken(check(ctx.request.body)), expected);
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.delete(`/${collection}/:id`, async (ctx) => {
    // The version it then has, which bringing it back asks for.
    ctx.set('ETag', etagOf(await store.remove(String(ctx.params['id']), wantedVersion(ctx))));
    ctx.status = 204;
  });
  for (const [word, act] of [
    ['restore', (id: string, expected: Expected) => store.restore(id, expected)],
    ['archive', (id: string, expected: Expected) => store.archive(id, true, expected)],
    ['unarchive', (id: string, expected: Expected) => store.archive(id, false, expected)],
  ] as const) {
    router.post(`/${collection}/:id/${word}`, async (ctx) => {
      const kept = await act(String(ctx.params['id']), wantedVersion(ctx));
      ctx.set('ETag', etagOf(kept.version));
      ctx.body = kept;
    });
  }
}
