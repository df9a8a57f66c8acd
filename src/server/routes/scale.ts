import { PassThrough } from 'node:stream';
import type Router from '@koa/router';
import { checkScaleAct, checkScaleQuery } from '../../contract/validate.ts';
import { simulatedScale } from '../../core/make/index.ts';
import type { Database } from '../database.ts';
import { HttpProblem } from '../problem.ts';
import { taken } from '../request.ts';

/** How often the simulated scale sends a line, ms: as small scales do. */
const EVERY_MS = 200;
/** What servers tell each other when a hand does something to the scale. */
const TOPIC = 'scale';
/** Most readers at once. */
const MOST = 20;

/**
 * A small scale that stands in for a real one: its lines as they would come over a serial cable, and what a
 * hand does to it. It is one for all servers that share a database, as a scale is.
 */
export function scaleRoutes(router: Router, { $client }: Pick<Database, '$client'>): void {
  const scale = simulatedScale(Math.random);
  const readers = new Set<PassThrough>();
  let timer: NodeJS.Timeout | undefined;
  const tick = () => {
    const line = scale.line(EVERY_MS / 1000);
    for (const reader of readers) {
      // A reader that does not read is let go: lines are worth nothing when they are old.
      if (reader.writableLength > 65_536) reader.destroy();
      else if (line !== undefined) reader.write(`${line}\r\n`);
    }
  };
  router.get('/scale/lines', (ctx) => {
    const { seconds = 1 } = taken(checkScaleQuery({ ...ctx.query }));
    if (readers.size >= MOST)
      throw new HttpProblem(503, 'Scale is read', `${MOST} already read the scale. Close one of them.`);
    const reader = new PassThrough();
    readers.add(reader);
    timer ??= setInterval(tick, EVERY_MS);
    const end = () => {
      readers.delete(reader);
      if (readers.size === 0) {
        clearInterval(timer);
        timer = undefined;
      }
    };
    // Who asks for no more gets a second of it, so that no question is without an end.
    const over = setTimeout(() => reader.end(), seconds * 1000);
    reader.once('close', () => {
      clearTimeout(over);
      end();
    });
    ctx.res.once('close', () => reader.destroy());
    ctx.type = 'text/plain; charset=latin1';
    ctx.compress = false;
    ctx.body = reader;
  });
  $client.subscribe(TOPIC, (text) => scale.act(taken(checkScaleAct(JSON.parse(text)))));
  router.post('/scale', async (ctx) => {
    await $client.publish(TOPIC, JSON.stringify(taken(checkScaleAct(ctx.request.body))));
    ctx.status = 204;
  });
}
