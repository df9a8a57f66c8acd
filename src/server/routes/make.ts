import type Router from '@koa/router';
import { MOULD_FILES } from '../../core/exchange/mould-files.ts';
import { writeTrialsCsv } from '../../core/exchange/trials-csv.ts';
import { writeWeighingsCsv } from '../../core/exchange/weighings-csv.ts';
import { invalid, notFound } from '../problem.ts';
import type { MoneyStore } from '../money.ts';
import type { Pool } from '../pool.ts';
import { checkExportQuery } from '../../contract/validate.ts';
import { attach, fileName, gone, taken } from '../request.ts';
import type { RuleStore } from '../rules.ts';
import type { MetalStore } from '../stores.ts';
import type { Stores } from './exchange.ts';
import { collected } from '../pieces.ts';

/** Longest that a mould's file may take, s. */
const SECONDS = 120;

const MEDIA: Readonly<Record<string, string>> = {
  stl: 'model/stl',
  '3mf': 'model/3mf',
  svg: 'image/svg+xml',
  dxf: 'image/vnd.dxf',
  json: 'application/json',
};

/** Files of moulds, batches, ranges and days on the water. Added before the common routes. */
export function makeRoutes(
  router: Router,
  stores: Stores,
  metals: MetalStore,
  rules: RuleStore,
  money: MoneyStore,
  pool: Pool,
): void {
  router.get('/moulds/:id/files/:file', async (ctx) => {
    const name = String(ctx.params['file']);
    const file = MOULD_FILES.find((one) => one === name);
    if (!file) throw notFound(`The file “${name.slice(0, 20)}” of a mould`);
    const { units = 'metric' } = taken(checkExportQuery({ ...ctx.query }));
    const { document } = await stores.moulds.read(String(ctx.params['id']));
    const made = await pool.run(
      'mouldFile',
      [document, file, await metals.metals(), units === 'imperial' ? 'imperial' : 'metric'],
      { seconds: SECONDS, signal: gone(ctx) },
    );
    if (!made.ok) throw invalid(made.problems);
    attach(ctx, `${fileName(document.name)} ${file}`);
    ctx.type = MEDIA[file.split('.').at(-1) ?? ''] ?? 'application/octet-stream';
    ctx.body = typeof made.data === 'string' ? made.data : Buffer.from(made.data);
  });
  router.get('/batches/:id/weighings.csv', async (ctx) => {
    const { document } = await stores.batches.read(String(ctx.params['id']));
    attach(ctx, `${fileName(document.name)}.csv`);
    ctx.type = 'text/csv';
    ctx.body = writeWeighingsCsv(document.weighings);
  });
  router.get('/ranges/:id/wall.pdf', async (ctx) => {
    const { units = 'metric' } = taken(checkExportQuery({ ...ctx.query }));
    const { document } = await stores.ranges.read(String(ctx.params['id']));
    const designs = new Map(
      (await collected(stores.designs.some(document.wall, true))).map((row) => [row.id, row]),
    );
    const prices = new Map(document.offers.map(({ design, price }) => [design, price]));
    const hung = document.wall.flatMap((id) => {
      const row = designs.get(id);
      return row?.summary?.ok
        ? [{ design: row.document, values: row.summary.readings, price: prices.get(id) }]
        : [];
    });
    const briefs = (await collected(stores.briefs.some(document.briefs))).map(({ id, document: brief }) => ({
      key: id,
      brief,
    }));
    const { rules: list, schools } = (await rules.inForce()).document;
    const made = await pool.run(
      'wallPlan',
      [
        document.name,
        hung,
        briefs,
        { rules: list, ...(schools ? { schools } : {}) },
        units === 'imperial' ? 'imperial' : 'metric',
        await money.pricedFor(ctx),
      ],
      { seconds: SECONDS, signal: gone(ctx) },
    );
    attach(ctx, `${fileName(document.name)} wall.pdf`);
    ctx.type = 'application/pdf';
    ctx.body = Buffer.from(made);
  });
  router.get('/photos/:id/picture', async (ctx) => {
    const { document } = await stores.photos.read(String(ctx.params['id']));
    ctx.type = document.media;
    // What it holds is shown and nothing else, whatever was sent as a picture.
    ctx.set('Content-Security-Policy', "default-src 'none'; sandbox");
    ctx.body = Buffer.from(document.data, 'base64');
  });
  router.get('/trials.csv', async (ctx) => {
    attach(ctx, 'days.csv');
    ctx.type = 'text/csv';
    ctx.body = writeTrialsCsv((await collected(stores.trials.each())).map(({ document }) => document));
  });
}
