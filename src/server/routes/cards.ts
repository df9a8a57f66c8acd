import type Router from '@koa/router';
import type { Context } from 'koa';
import { checkCardQuery, checkCounterQuery, checkCustomerCardQuery } from '../../contract/validate.ts';
import { HEADS_ON_CARD } from '../../core/exchange/customer-card.ts';
import type { Exported } from '../../core/exchange/export-design.ts';
import type { MoneyStore } from '../money.ts';
import { collected } from '../pieces.ts';
import type { Pool } from '../pool.ts';
import { invalid } from '../problem.ts';
import { attach, fileName, gone, taken } from '../request.ts';
import type { RuleStore } from '../rules.ts';
import type { MetalStore } from '../stores.ts';
import type { Stores } from './exchange.ts';

/** Longest that a card may take, s. */
const SECONDS = 60;

/** Answers with a card, or with what keeps it from being made. */
function answer(ctx: Context, name: string, made: Exported): void {
  if (!made.ok) throw invalid(made.problems);
  attach(ctx, `${fileName(name)}.pdf`);
  ctx.type = 'application/pdf';
  ctx.body = Buffer.from(made.data as Uint8Array);
}

/**
 * Cards to print: a rigging card, a counter card of one head, a customer’s card of the heads that serve a
 * brief.
 */
export function cardRoutes(
  router: Router,
  stores: Stores,
  metals: MetalStore,
  ruleStore: RuleStore,
  money: MoneyStore,
  pool: Pool,
): void {
  const rulesNow = async () => {
    const { rules, schools } = (await ruleStore.inForce()).document;
    return { rules, ...(schools ? { schools } : {}) };
  };
  router.get('/designs/:id/card', async (ctx) => {
    const query = taken(checkCardQuery({ ...ctx.query }));
    const { plastic, method, cut = 0, units = 'metric', sheet = false } = query;
    const { document } = await stores.designs.read(String(ctx.params['id']));
    const { document: bought } = await stores.plastics.read(plastic);
    const bait = { plastic: cut > 0 ? { ...bought, cut } : bought, method };
    const made = await pool.run('card', [document, bait, await metals.metals(), units, sheet], {
      seconds: SECONDS,
      signal: gone(ctx),
    });
    answer(ctx, `${bought.name} on ${document.name}`, made);
  });
  router.get('/designs/:id/counter-card', async (ctx) => {
    const { units = 'metric', plastic, method = 'threaded' } = taken(checkCounterQuery({ ...ctx.query }));
    const { document } = await stores.designs.read(String(ctx.params['id']));
    const bait =
      plastic === undefined ? undefined : { plastic: (await stores.plastics.read(plastic)).document, method };
    const shelf = (await collected(stores.plastics.each())).map((row) => row.document);
    const made = await pool.run(
      'counterCard',
      [document, await rulesNow(), shelf, units, await metals.metals(), bait, await money.pricedFor(ctx)],
      { seconds: SECONDS, signal: gone(ctx) },
    );
    answer(ctx, `${document.name} counter card`, made);
  });
  router.get('/briefs/:id/customer-card', async (ctx) => {
    const { units = 'metric', heads } = taken(checkCustomerCardQuery({ ...ctx.query }));
    const ids = heads.split(',');
    if (ids.length > HEADS_ON_CARD) {
      const message = `Heads: a card shows at most ${HEADS_ON_CARD}. Name fewer.`;
      throw invalid([{ path: '/heads', message }]);
    }
    const { document } = await stores.briefs.read(String(ctx.params['id']));
    const chosen = await Promise.all(ids.map(async (id) => (await stores.designs.read(id)).document));
    // A brief that names its bait is answered with that one alone, as on its screen; one that is gone leaves
    // the whole shelf.
    const { plastic } = document.bait;
    const named = plastic === undefined ? [] : await collected(stores.plastics.some([plastic]));
    const kept = named.length > 0 ? named : await collected(stores.plastics.each());
    const shelf = kept.map((row) => row.document);
    const made = await pool.run(
      'customerCard',
      [document, chosen, await rulesNow(), shelf, units, await metals.metals(), await money.pricedFor(ctx)],
      { seconds: SECONDS, signal: gone(ctx) },
    );
    answer(ctx, `${document.name} card`, made);
  });
}
