import type Router from '@koa/router';
import { checkMoney } from '../../contract/validate.ts';
import type { MoneyStore } from '../money.ts';
import { taken } from '../request.ts';

/** What the shop's prices are in: amounts stay as they are when it changes. */
export function moneyRoutes(router: Router, money: MoneyStore): void {
  router.get('/money', async (ctx) => {
    ctx.body = await money.read();
  });
  router.put('/money', async (ctx) => {
    ctx.body = await money.write(taken(checkMoney(ctx.request.body)));
  });
}
