import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as rest } from 'node:timers/promises';
import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import { sql } from 'drizzle-orm';
import type { Middleware } from 'koa';
import Koa from 'koa';
import compress from 'koa-compress';
import { send } from '@koa/send';
import type { Logger } from 'pino';
import { API } from '../contract/api.ts';
import { openBackups } from './backups.ts';
import type { MoneyStore } from './money.ts';
import { openMoney } from './money.ts';
import type { Database } from './database.ts';
import { tidy } from './database.ts';
import { DocumentStore } from './documents.ts';
import { PLAIN } from './saving.ts';
import { openFigures } from './figures.ts';
import type { Served } from './guards.ts';
import { openAudit } from './people/audit.ts';
import { authorize } from './people/authorize.ts';
import type { Site } from './people/passkeys.ts';
import { PasskeyStore } from './people/passkeys.ts';
import { PeopleStore } from './people/people.ts';
import { SessionStore } from './people/sessions.ts';
import { TicketStore } from './people/tickets.ts';
import type { Accounts } from './routes/people.ts';
import { noAccounts, peopleRoutes } from './routes/people.ts';
import { brief, guardRequests, isGone, securityHeaders, tellProblems } from './guards.ts';
import { HistoryStore, stepRecorder } from './history.ts';
import { HttpProblem } from './problem.ts';
import { readBytes } from './request.ts';
import { openApi } from '../contract/openapi/document.ts';
import { cardRoutes } from './routes/cards.ts';
import { archiveRoutes } from './routes/archive.ts';
import { backupRoutes } from './routes/backups.ts';
import { moneyRoutes } from './routes/money.ts';
import { designRoutes } from './routes/designs.ts';
import { documentRoutes } from './routes/documents.ts';
import type { Stores } from './routes/exchange.ts';
import { exchangeRoutes } from './routes/exchange.ts';
import { historyRoutes } from './routes/history.ts';
import { makeRoutes } from './routes/make.ts';
import { scaleRoutes } from './routes/scale.ts';
import { storeRoutes } from './routes/stores.ts';
import { RuleStore } from './rules.ts';
import { MetalStore } from './stores.ts';
import { designMaker } from './designs-made.ts';
import type { Metrics } from './metrics.ts';
import type { Pool } from './pool.ts';
import { openPool } from './pool.ts';
import { accessLog } from './access-log.ts';
import { COLLECTIONS, WITH_HISTORY, checkOf } from '../contract/collections/index.ts';
import type { Collection, WithHistory } from '../contract/collections/index.ts';

/** Writes after which the room of replaced rows is taken back: some megabytes by then. */
const TIDIED_AFTER = 500;

/**
 * Largest body taken: a design is a few kilobytes, one around a solid from outside most of a megabyte, a
 * whole shop more.
 */
const BODY_LIMIT = { document: '2mb', shop: 64e6 } as const;

/** The running application, with its stores. */
export interface App extends Stores {
  readonly koa: Koa;
  /** who has an account, where that is asked for */
  readonly accounts?: Accounts;
  /** what the shop's prices are in */
  readonly money: MoneyStore;
  /** everything it can be asked for: method and path, with parts as `:id` */
  readonly routes: readonly { readonly method: string; readonly path: string }[];
  /** stops what is computed beside the requests; to be awaited before the database is closed */
  readonly end: () => Promise<void>;
}

/** What a server that others reach asks of them: an account, and TLS. */
export interface Access extends Served {
  /** where passkeys are good */
  readonly site: Site;
  /** whether something in front of it ends TLS, and says who asks */
  readonly isProxied: boolean;
  /** the authority that devices come to trust, as PEM, where it is the shop's own */
  readonly authority?: string;
}

/** How it is served, where that is not as on one machine. */
export interface How {
  readonly pool?: Pool;
  readonly access?: Access | undefined;
  readonly metrics?: Metrics | undefined;
}

/** Where the built interface and the shop's data lie, and whether it is the demo. */
export interface Folders {
  readonly web: string;
  readonly data: string;
  readonly isDemo?: boolean;
}

/** The whole server: documents, stores, the cast solid, and the built interface. */
export function createApp(
  db: Database,
  { web: webFolder, data, isDemo = false }: Folders,
  log: Logger,
  { pool = openPool(), access, metrics }: How = {},
): App {
  const ruleStore = new RuleStore(db);
  const metalStore = new MetalStore(db);
  const money = openMoney(db);
  const backups = openBackups(db, data, isDemo, log);
  const metals = () => metalStore.metals();
  const make = designMaker(pool, metals, () => figures.wake());
  const figures = openFigures(db, metals, async (design) => (await make([design], false))[0] ?? PLAIN, log);
  const designs = new DocumentStore(db, 'designs', make, stepRecorder('designs'));
  // The first save need not wait for a thread to begin.
  pool.run('summaries', [[], []], { seconds: 60 }).catch((reason: unknown) => {
    log.error(reason, 'no thread could be started');
  });
  // Work goes on meanwhile: what is out of date is shown as such.
  figures.wake();
  const storeOf = <C extends Collection>(collection: C): DocumentStore<C> =>
    new DocumentStore(db, collection, undefined, stepRecorder(collection));
  const plain = Object.fromEntries(COLLECTIONS.map((collection) => [collection, storeOf(collection)]));
  const stores: Stores = { ...(plain as Omit<Stores, 'designs'>), designs };

  const router = new Router({ prefix: API });
  const accounts = access && openAccounts(db, access.site);
  // First: it lets through or not whatever follows.
  if (accounts) {
    router.use(authorize(accounts.people, accounts.sessions, accounts.audit));
    peopleRoutes(router, db, accounts);
  } else noAccounts(router);
  let described: string | undefined;
  router.get('/openapi.json', (ctx) => {
    ctx.type = 'application/json';
    ctx.body = described ??= JSON.stringify(openApi());
  });
  router.get('/health', (ctx) => {
    ctx.body = { ok: true };
  });
  router.get('/ready', async (ctx) => {
    ctx.body = await readiness(db);
  });
  designRoutes(router, db, designs, metalStore, figures, log);
  const withHistory = <C extends WithHistory>(collection: C) =>
    historyRoutes(
      router,
      collection,
      stores[collection],
      new HistoryStore(db, collection, stores[collection]),
    );
  WITH_HISTORY.forEach(withHistory);
  makeRoutes(router, stores, metalStore, ruleStore, money, pool);
  archiveRoutes(router, db);
  scaleRoutes(router, db);
  moneyRoutes(router, money);
  backupRoutes(router, db, backups, pool);
  exchangeRoutes(router, db, stores, metalStore, pool, figures, readBytes(BODY_LIMIT.shop));
  cardRoutes(router, stores, metalStore, ruleStore, money, pool);
  const common = <C extends Collection>(collection: C) =>
    documentRoutes(router, db, collection, stores[collection], checkOf(collection));
  COLLECTIONS.forEach(common);

  storeRoutes(router, metalStore, ruleStore, figures);

  const koa = new Koa({ proxy: access?.isProxied === true, maxIpsCount: 1 });
  // What goes wrong while an answer is under way, which nobody can be told of any more.
  koa.on('error', (error: unknown) => {
    if (!isGone(error)) log.error(brief(error), 'an answer broke off');
  });
  koa.use(accessLog(log));
  if (metrics) {
    koa.use(metrics.observe);
    metrics.watch(figures.progress);
  }
  koa.use(securityHeaders(access));
  koa.use(tellProblems(log));
  koa.use(guardRequests(access));
  koa.use(inTime());
  koa.use(compress());
  const document = parserOf(BODY_LIMIT.document);
  // A shop file may be large: it is read as it is and taken apart in a thread.
  koa.use((ctx, next) => (ctx.path === `${API}/shop` ? next() : document(ctx, next)));
  let writes = 0;
  koa.use(async (ctx, next) => {
    await next();
    if (ctx.method === 'GET' || ctx.status >= 400 || ++writes < TIDIED_AFTER) return;
    writes = 0;
    tidy(db).catch((reason: unknown) => {
      log.error(brief(reason), 'the tables were not tidied');
    });
  });
  koa.use(router.routes());
  koa.use(router.allowedMethods());
  const authority = access?.authority;
  if (authority !== undefined) koa.use(serveAuthority(authority));
  koa.use(servePage(webFolder));
  return {
    koa,
    money,
    ...(accounts ? { accounts } : {}),
    routes: router.stack.flatMap(({ methods, path }) =>
      methods.filter((method) => method !== 'HEAD').map((method) => ({ method, path: String(path) })),
    ),
    ...stores,
    end: async () => {
      await Promise.all([figures.end(), backups.end(), pool.close()]);
    },
  };
}

/**
 * Longest that an answer may keep someone waiting for its first byte, s: longer than whatever has a bound of
 * its own.
 */
const LONGEST_ANSWER_S = 180;

/**
 * Tells whoever asked that something does not answer, a disk that hangs say, instead of leaving him without a
 * word.
 */
function inTime(): Middleware {
  return async (ctx, next) => {
    // Reading a backup whole, and taking a shop file in, have bounds of their own: an answer that came before
    // their end would tell nothing.
    if (ctx.path.endsWith('/verify') || ctx.path === `${API}/shop`) return next();
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(() => {
        const words =
          `There was no answer within ${LONGEST_ANSWER_S} seconds. Look whether the disk the data ` +
          'lie on answers, then try again.';
        reject(new HttpProblem(503, 'No answer', words));
      }, LONGEST_ANSWER_S * 1000);
    });
    await Promise.race([next(), late]).finally(() => {
      clearTimeout(timer);
    });
  };
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

/** Longest that the database may take to say that it is there, ms. */
const READY_MS = 2_000;

/** Whether requests can be answered now: the database is. Throws 503 where it is not, or takes long. */
async function readiness(db: Database): Promise<{ readonly ok: true }> {
  const timeout = new AbortController();
  try {
    await Promise.race([
      db.execute(sql`select 1`),
      rest(READY_MS, undefined, { signal: timeout.signal }).then(() => {
        throw new Error('The database took too long.');
      }),
    ]);
    return { ok: true };
  } catch (cause) {
    const problem = new HttpProblem(
      503,
      'Not ready',
      'The database does not answer. Send requests elsewhere.',
    );
    throw Object.assign(problem, { cause });
  } finally {
    timeout.abort();
  }
}

const openAccounts = (db: Database, site: Site): Accounts => ({
  people: new PeopleStore(db),
  sessions: new SessionStore(db),
  tickets: new TicketStore(db),
  passkeys: new PasskeyStore(db, site),
  audit: openAudit(db),
});

/** Gives out the shop's own authority, for a device that is to trust it: it is no secret. */
function serveAuthority(authority: string): Middleware {
  return async (ctx, next) => {
    if (ctx.path !== '/fern-anvil.crt') return next();
    ctx.type = 'application/x-x509-ca-cert';
    ctx.attachment('fern-anvil.crt');
    ctx.body = authority;
  };
}

/** Serves the built interface: its files, and the one page for every other address, which is a screen of it. */
function servePage(webFolder: string): Middleware {
  return async (ctx) => {
    if (ctx.path.startsWith(`${API}/`)) {
      throw new HttpProblem(404, 'Not found', `Nothing is served at ${ctx.path.slice(0, 120)}.`);
    }
    if (ctx.method !== 'GET' && ctx.method !== 'HEAD') return;
    const isNamed = /\.\w+$/.test(ctx.path);
    const isFile = isNamed && existsSync(join(webFolder, ctx.path));
    // A screen's address has no ending: a file that is not there is not there.
    if (isNamed && !isFile) throw new HttpProblem(404, 'Not found', 'There is no such file here.');
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
  };
}
