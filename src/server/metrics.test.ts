import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import Koa from 'koa';
import { pino } from 'pino';
import { describe, expect, it } from 'vitest';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import { runApp } from './app.test-kit.ts';
import { openMetrics } from './metrics.ts';
import { accessLog } from './access-log.ts';

describe('what a watcher is told', () => {
  it('is answers by route, and heads, in Prometheus’s form, at an address of its own', async () => {
    const metrics = openMetrics();
    const app = await runApp(undefined, undefined, metrics);
    const told = await metrics.listen('127.0.0.1', 0);
    try {
      const { id } = await app.made({ ...sampleDesign('ball'), name: 'Nobody else’s business' });
      await app.send('GET', `/designs/${id}`);
      await app.send('GET', `/designs/${id}`);
      await app.send('GET', '/designs/none');
      const base = `http://127.0.0.1:${(told.address() as AddressInfo).port}`;
      const answer = await fetch(`${base}/metrics`);
      // The text format 0.0.4 of Prometheus.
      expect(answer.headers.get('content-type')).toMatch(/^text\/plain; version=0\.0\.4/);
      const text = await answer.text();
      const counted = (labels: string) =>
        new RegExp(`^fern_anvil_answer_seconds_count\\{${labels}\\} (\\d+)$`, 'm').exec(text)?.[1];
      expect(counted('route="/api/designs/:id",method="GET",status="200"')).toBe('2');
      expect(counted('route="/api/designs/:id",method="GET",status="404"')).toBe('1');
      expect(counted('route="/api/designs",method="POST",status="201"')).toBe('1');
      expect(text).toMatch(/^fern_anvil_heads\{figures="made"\} 1$/m);
      expect(text).toMatch(/^process_resident_memory_bytes \d/m);
      // No ids and no names: what is counted stays few, and is nobody's business.
      expect(text).not.toContain(id);
      expect(text).not.toContain('business');
      expect((await fetch(`${base}/`)).status).toBe(404);
      // People do not reach it.
      expect(await (await app.send('GET', '/metrics')).text()).not.toContain('fern_anvil');
    } finally {
      told.close();
      await app.end();
    }
  });
});

describe('readiness', () => {
  it('is the database’s; health is the process’s alone', async () => {
    const app = await runApp();
    try {
      expect((await app.send('GET', '/ready')).status).toBe(200);
      await app.database.close();
      expect((await app.send('GET', '/ready')).status).toBe(503);
      expect((await app.send('GET', '/health')).status).toBe(200);
    } finally {
      await app.end().catch(() => undefined);
    }
  });
});

describe('the line of a request', () => {
  it('has its id, route, status and time, and nothing that was sent or asked for by name', async () => {
    const lines: Record<string, unknown>[] = [];
    const log = pino(
      { level: 'info' },
      { write: (line: string) => void lines.push(JSON.parse(line) as never) },
    );
    const koa = new Koa({ proxy: true });
    koa.use(accessLog(log));
    koa.use((ctx) => {
      ctx.body = { ok: true };
    });
    const server = createServer(koa.callback()).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const ask = (headers: Record<string, string>) =>
      fetch(`${base}/api/designs?q=secret`, { method: 'POST', headers, body: '{"name":"secret"}' });
    const own = await ask({});
    expect(own.headers.get('X-Request-Id')).toMatch(/^[\da-f-]{36}$/);
    const given = await ask({ 'X-Request-Id': 'from-the-proxy-1' });
    expect(given.headers.get('X-Request-Id')).toBe('from-the-proxy-1');
    const odd = await ask({ 'X-Request-Id': 'x" onload="' });
    expect(odd.headers.get('X-Request-Id')).toMatch(/^[\da-f-]{36}$/);
    await expect.poll(() => lines.length).toBe(3);
    expect(lines[1]).toMatchObject({ id: 'from-the-proxy-1', method: 'POST', status: 200, isWhole: true });
    expect(JSON.stringify(lines)).not.toContain('secret');
    server.closeAllConnections();
    server.close();
  });
});
