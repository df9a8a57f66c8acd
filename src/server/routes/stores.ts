import type Router from '@koa/router';
import { etagOf } from '../../contract/api.ts';
import { checkMetalEdit, checkRuleSet } from '../../contract/validate.ts';
import type { Figures } from '../figures.ts';
import { taken, wantedVersion } from '../request.ts';
import type { RuleStore } from '../rules.ts';
import type { MetalStore } from '../stores.ts';

/** Metals with their prices, and the rules in force. */
export function storeRoutes(router: Router, metals: MetalStore, rules: RuleStore, figures: Figures): void {
  router.get('/stores', async (ctx) => {
    ctx.body = await metals.stores();
  });
  router.put('/stores/metals/:key', async (ctx) => {
    const edit = taken(checkMetalEdit(ctx.request.body));
    const metal = await metals.edit(String(ctx.params['key']), edit, wantedVersion(ctx));
    // A price changes only costs, which summaries keep too. They follow behind the answer, and are shown as
    // out of date until then.
    figures.wake();
    ctx.set('ETag', etagOf(metal.version));
    ctx.body = metal;
  });
  router.get('/rules', async (ctx) => {
    const inForce = await rules.inForce();
    ctx.set('ETag', etagOf(inForce.version));
    ctx.body = inForce;
  });
  router.put('/rules', async (ctx) => {
    const kept = await rules.replace(taken(checkRuleSet(ctx.request.body)), wantedVersion(ctx));
    ctx.set('ETag', etagOf(kept.version));
    ctx.body = kept;
  });
  router.delete('/rules', async (ctx) => {
    const shipped = await rules.restore(wantedVersion(ctx));
    ctx.set('ETag', etagOf(shipped.version));
    ctx.body = shipped;
  });
}
