import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import Koa from 'koa';
import compress from 'koa-compress';
import send from 'koa-send';
import type { Logger } from 'pino';
import { API, etagOf } from '../contract/api.ts';
import {
  checkBriefDocument,
  checkDesignDocument,
  checkHookDocument,
  checkMetalEdit,
  checkPlasticDocument,
  checkRuleSet,
} from '../contract/validate.ts';
import { loadSolids } from '../core/index.ts';
import type { Database } from './database.ts';
import { DocumentStore } from './documents.ts';
import { guardRequests, securityHeaders, tellProblems } from './guards.ts';
import { HistoryStore, recordStep } from './history.ts';
import { HttpProblem } from './problem.ts';
import { expectedVersion, taken, wantedVersion } from './request.ts';
import { designRoutes } from './routes/designs.ts';
import { documentRoutes } from './routes/documents.ts';
import type { Stores } from './routes/exchange.ts';
import { exchangeRoutes } from './routes/exchange.ts';
import { RuleStore } from './rules.ts';
import { MetalStore } from './stores.ts';
import { isStale } from './stale.ts';
import { cardOf, summarise } from './summary.ts';

/** Largest body taken: a design is a few kilobytes, one around a solid from outside most of a megabyte, a whole shop more. */
const BODY_LIMIT = { document: '2mb', shop: '64mb' } as const;

export interface App extends Stores {
  readonly koa: Koa;
}

/** The whole server: documents, stores, the cast solid, and the built interface. */
export async function createApp(db: Database, webFolder: string, log: Logger): Promise<App> {
  const ruleStore = new RuleStore(db);
  const metalStore = new MetalStore(db);
  await metalStore.load();
  await loadSolids();
  const designs = new DocumentStore(
    db,
    'designs',
    (design) => {
      const summary = summarise(design, metalStore.metals);
      return { summary, card: cardOf(design, summary) };
    },
    recordStep,
  );
  await designs.resummarise(isStale(metalStore.metals));
  const plastics = new DocumentStore(db, 'plastics');
  const briefs = new DocumentStore(db, 'briefs');
  const hooks = new DocumentStore(db, 'hooks');
  const stores = { designs, plastics, briefs, hooks };

  const router = new Router({ prefix: API });
  router.get('/health', (ctx) => {
    ctx.body = { ok: true };
  });
  designRoutes(router, db, designs, new HistoryStore(db, designs), metalStore);
  exchangeRoutes(router, db, stores, metalStore);
  documentRoutes(router, 'designs', designs, checkDesignDocument);
  documentRoutes(router, 'plastics', plastics, checkPlasticDocument);
  documentRoutes(router, 'briefs', briefs, checkBriefDocument);
  documentRoutes(router, 'hooks', hooks, checkHookDocument);

  router.get('/stores', (ctx) => {
    ctx.body = metalStore.stores();
  });
  router.get('/rules', async (ctx) => {
    const rules = await ruleStore.inForce();
    ctx.set('ETag', etagOf(rules.version));
    ctx.body = rules;
  });
  router.put('/rules', async (ctx) => {
    const rules = await ruleStore.replace(taken(checkRuleSet(ctx.request.body)), wantedVersion(ctx));
    ctx.set('ETag', etagOf(rules.version));
    ctx.body = rules;
  });
  router.put('/stores/metals/:key', async (ctx) => {
    const edit = taken(checkMetalEdit(ctx.request.body));
    const key = String(ctx.params['key']);
    const metal = await metalStore.edit(key, edit, expectedVersion(ctx));
    // A price changes only costs, which summaries keep too.
    await designs.resummarise(isStale(metalStore.metals));
    ctx.set('ETag', etagOf(metal.version));
    ctx.body = metal;
  });

  const koa = new Koa();
  koa.use(securityHeaders());
  koa.use(tellProblems(log));
  koa.use(guardRequests());
  koa.use(compress());
  const [document, shop] = [parserOf(BODY_LIMIT.document), parserOf(BODY_LIMIT.shop)];
  koa.use((ctx, next) => (ctx.path === `${API}/shop` ? shop : document)(ctx, next));
  koa.use(router.routes());
  koa.use(router.allowedMethods());
  koa.use(async (ctx) => {
    if (ctx.path.startsWith(`${API}/`)) {
      throw new HttpProblem(404, 'Not found', `Nothing is served at ${ctx.path.slice(0, 120)}.`);
    }
    if (ctx.method !== 'GET' && ctx.method !== 'HEAD') return;
    const isFile = /\.\w+$/.test(ctx.path) && existsSync(join(webFolder, ctx.path));
    if (!isFile && !existsSync(join(webFolder, 'index.html'))) {
      throw new HttpProblem(
        503,
        'Not built',
        'The interface is not built yet. Run npm start, which builds it.',
      );
    }
    // Every other address is a screen, drawn by the one page.
    await send(ctx, isFile ? ctx.path : '/index.html', {
      root: webFolder,
      maxAge: isFile && ctx.path.startsWith('/assets/') ? 31_536_000_000 : 0,
      immutable: ctx.path.startsWith('/assets/'),
    });
  });
  return { koa, ...stores };
}

const parserOf = (limit: string) =>
  bodyParser({
    enableTypes: ['json'],
    jsonLimit: limit,
    jsonStrict: false,
    onError: (error) => {
      const tooLarge = (error as { type?: string }).type === 'entity.too.large';
      throw tooLarge
        ? new HttpProblem(413, 'Too large', `The body is larger than ${limit}. Send less.`)
        : new HttpProblem(400, 'Not JSON', `The body could not be read as JSON: ${error.message}`);
    },
  });
