import type { Server } from 'node:http';
import { createServer } from 'node:http';
import type { Middleware } from 'koa';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { messageOf } from '../core/kind/index.ts';
import type { Progress } from './figures.ts';
import { routeOf } from './access-log.ts';

/** Seconds that answers are counted up to: a frame, what seems at once, what is noticed, what is waited for. */
const BUCKETS = [0.016, 0.05, 0.1, 0.15, 0.3, 0.6, 1, 3, 10, 60];

/** What a server tells of itself to whoever watches over it, in Prometheus's form. */
export interface Metrics {
  /** to be put before everything else that answers */
  readonly observe: Middleware;
  /** what is told of the shop besides: how far its figures are made */
  readonly watch: (progress: () => Promise<Progress>) => void;
  /** serves them at an address of their own, which is no part of what people reach */
  readonly listen: (host: string, port: number) => Promise<Server>;
}

/** Begins to count: answers by route, method and status with their seconds, and what the process itself takes. */
export function openMetrics(): Metrics {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const answers = new Histogram({
    name: 'fern_anvil_answer_seconds',
    help: 'Seconds until an answer was ready, by route, method and status',
    labelNames: ['route', 'method', 'status'],
    buckets: BUCKETS,
    registers: [registry],
  });
  return {
    observe: async (ctx, next) => {
      const told = answers.startTimer();
      try {
        await next();
      } finally {
        told({ route: routeOf(ctx), method: ctx.method, status: String(ctx.status) });
      }
    },
    watch: (progress) => {
      const heads = new Gauge({
        name: 'fern_anvil_heads',
        help: 'Heads of the shop, and those whose figures are out of date',
        labelNames: ['figures'],
        registers: [registry],
        collect: async () => {
          const { done, of } = await progress();
          heads.set({ figures: 'made' }, done);
          heads.set({ figures: 'stale' }, of - done);
        },
      });
    },
    listen: (host, port) =>
      new Promise((resolve, reject) => {
        const server = createServer((request, response) => {
          if (request.url !== '/metrics' || request.method !== 'GET') {
            response.writeHead(404).end();
            return;
          }
          registry.metrics().then(
            (text) => response.writeHead(200, { 'Content-Type': registry.contentType }).end(text),
            // A database that does not answer is a reason to be told of, not to fail.
            (error: unknown) => response.writeHead(503).end(messageOf(error)),
          );
        });
        server.once('error', reject);
        server.listen(port, host, () => resolve(server));
      }),
  };
}
