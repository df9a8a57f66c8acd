import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import Koa from 'koa';
import compress from 'koa-compress';
import send from 'koa-send';
import Module from 'manifold-3d';
import type { Logger } from 'pino';
import type { Collection, Documents } from '../contract/api.ts';
import { API, etagOf } from '../contract/api.ts';
import type { Checked } from '../contract/validate.ts';
import {
  checkBriefDocument,
  checkDesignDocument,
  checkListQuery,
  checkMetalEdit,
  checkPlasticDocument,
} from '../contract/validate.ts';
import { castSolid, evaluate, PLAIN_WATER, writeStl } from '../core/index.ts';
import type { Database } from './database.ts';
import { DocumentStore } from './documents.ts';
import { guardRequests, securityHeaders, tellProblems } from './guards.ts';
import { HttpProblem, invalid } from './problem.ts';
import { MetalStore } from './stores.ts';
import { summarise, SUMMARY_REVISION } from './summary.ts';

/** Largest body taken; a design is a few kilobytes, and a name of 200 kB must still be told what is wrong with it. */
const BODY_LIMIT = '1mb';

export interface App {
  readonly koa: Koa;
  readonly designs: DocumentStore<'designs'>;
  readonly plastics: DocumentStore<'plastics'>;
  readonly briefs: DocumentStore<'briefs'>;
}

/** The whole server: documents, stores, the cast solid, and the built interface. */
export async function createApp(db: Database, webFolder: string, log: Logger): Promise<App> {
  const metalStore = new MetalStore(db);
  await metalStore.load();
  const designs = new DocumentStore(db, 'designs', (design) => summarise(design, metalStore.metals));
  await designs.resummarise(SUMMARY_REVISION);
  const plastics = new DocumentStore(db, 'plastics');
  const briefs = new DocumentStore(db, 'briefs');

  const router = new Router({ prefix: API });
  router.get('/health', (ctx) => {
    ctx.body = { ok: true };
  });
  documentRoutes(router, 'designs', designs, checkDesignDocument);
  documentRoutes(router, 'plastics', plastics, checkPlasticDocument);
  documentRoutes(router, 'briefs', briefs, checkBriefDocument);

  router.get('/stores', (ctx) => {
    ctx.body = metalStore.stores();
  });
  router.put('/stores/metals/:key', async (ctx) => {
    const edit = taken(checkMetalEdit(ctx.request.body));
    const metal = await metalStore.setDensity(
      String(ctx.params['key']),
      edit.density,
      expectedVersion(ctx.get('If-Match')),
    );
    await designs.resummarise();
    ctx.set('ETag', etagOf(metal.version));
    ctx.body = metal;
  });
  router.get('/designs/:id/solid.stl', async (ctx) => {
    const { document } = await designs.read(String(ctx.params['id']));
    const result = evaluate(document, { ...PLAIN_WATER, metals: metalStore.metals });
    if (!result.ok) throw invalid(result.problems);
    const kernel = await solidKernel();
    ctx.type = 'model/stl';
    ctx.attachment(`${document.name.replace(/[^\w .-]+/g, '_').slice(0, 80)}.stl`);
    ctx.body = Buffer.from(writeStl(castSolid(kernel, result.assembly), document.name));
  });

  const koa = new Koa();
  koa.use(securityHeaders());
  koa.use(tellProblems(log));
  koa.use(guardRequests());
  koa.use(compress());
  koa.use(
    bodyParser({
      enableTypes: ['json'],
      jsonLimit: BODY_LIMIT,
      jsonStrict: false,
      onError: (error) => {
        const tooLarge = (error as { type?: string }).type === 'entity.too.large';
        throw tooLarge
          ? new HttpProblem(413, 'Too large', `The body is larger than ${BODY_LIMIT}. Send less.`)
          : new HttpProblem(400, 'Not JSON', `The body could not be read as JSON: ${error.message}`);
      },
    }),
  );
  koa.use(router.routes());
  koa.use(router.allowedMethods());
  koa.use(async (ctx) => {
    if (ctx.path.startsWith(`${API}/`)) {
      throw new HttpProblem(404, 'Not found', `Nothing is served at ${ctx.path.slice(0, 120)}.`);
    }
    if (ctx.method !== 'GET' && ctx.method !== 'HEAD') return;
    const isFile = /\.\w+$/.test(ctx.path) && existsSync(join(webFolder, ctx.path));
    // Every other address is a screen, drawn by the one page.
    await send(ctx, isFile ? ctx.path : '/index.html', {
      root: webFolder,
      maxAge: isFile && ctx.path.startsWith('/assets/') ? 31_536_000_000 : 0,
      immutable: ctx.path.startsWith('/assets/'),
    });
  });
  return { koa, designs, plastics, briefs };
}

function documentRoutes<C extends Collection>(
  router: Router,
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
  router.get(`/${collection}/:id`, async (ctx) => {
    const kept = await store.read(String(ctx.params['id']));
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.put(`/${collection}/:id`, async (ctx) => {
    const expected = expectedVersion(ctx.get('If-Match'));
    if (expected === undefined && ctx.get('If-Match') !== '*') {
      throw new HttpProblem(
        428,
        'Version wanted',
        'Send If-Match with the entity tag you read, so that nobody’s work is overwritten.',
      );
    }
    const kept = await store.replace(String(ctx.params['id']), taken(check(ctx.request.body)), expected);
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.delete(`/${collection}/:id`, async (ctx) => {
    await store.remove(String(ctx.params['id']), expectedVersion(ctx.get('If-Match')));
    ctx.status = 204;
  });
  router.post(`/${collection}/:id/restore`, async (ctx) => {
    const kept = await store.restore(String(ctx.params['id']));
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
}

function taken<T>(checked: Checked<T>): T {
  if (!checked.ok) throw invalid(checked.problems);
  return checked.value;
}

/** Version named by an If-Match header; undefined when the header is absent or `*`. */
function expectedVersion(header: string): number | undefined {
  if (header === '' || header === '*') return undefined;
  const match = /^(?:W\/)?"v(\d+)"$/.exec(header.trim());
  if (!match)
    throw new HttpProblem(
      400,
      'Bad entity tag',
      'If-Match must hold an entity tag of this server, for example "v3".',
    );
  return Number(match[1]);
}

let kernel: ReturnType<typeof Module> | undefined;

/** The solid library, loaded at the first solid asked for: most requests never need it. */
async function solidKernel() {
  kernel ??= Module().then((loaded) => {
    loaded.setup();
    return loaded;
  });
  return kernel;
}
