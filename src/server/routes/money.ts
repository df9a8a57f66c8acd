import type Router from '@koa/router';
import { etagOf } from '../../contract/api.ts';
import { checkMoney } from '../../contract/validate.ts';
import type { MoneyStore } from '../money.ts';
import { taken, wantedVersion } from '../request.ts';

/** What the shop's prices are in: amounts stay as they are when it changes. */
export function moneyRoutes(router: Router, money: MoneyStore): void {
  router.get('/money', async (ctx) => {
    const inForce = await money.read();
    ctx.set('ETag', etagOf(inForce.version));
    ctx.body = inForce;
  });
  router.put('/money', async (ctx) => {
    const kept = await money.replace(taken(checkMoney(ctx.request.body)), wantedVersion(ctx));
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
}
