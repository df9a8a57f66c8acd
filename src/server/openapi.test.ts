import { Validator } from '@seriousme/openapi-schema-validator';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openApi } from '../contract/openapi/document.ts';
import { OPERATIONS } from '../contract/openapi/operations.ts';
import type { RunningApp } from './app.test-kit.ts';
import { runApp } from './app.test-kit.ts';
import { accessAt, firstOwner } from './people/people.test-kit.ts';

// One that asks for accounts has every route there is; asked by its owner, who may do everything.
let app: RunningApp;
let send: RunningApp['send'];
beforeAll(async () => {
  app = await runApp(undefined, accessAt);
  const Cookie = await firstOwner(app);
  send = (method, path, body, headers) => app.send(method, path, body, { Cookie, ...headers });
});
afterAll(() => app.end());

describe('the OpenAPI document', () => {
  it('is one by the published schema of OpenAPI 3.1', async () => {
    const { valid, errors } = await new Validator().validate(structuredClone(openApi()));
    expect(errors ?? []).toEqual([]);
    expect(valid).toBe(true);
  });

  it('names every route of the server, and none that it has not', () => {
    const told = OPERATIONS.map(({ method, path }) => `${method} ${path}`);
    expect([...told].sort()).toEqual([...new Set(told)].sort());
    const routes = app.routes.map(
      ({ method, path }) =>
        `${method.toLowerCase()} ${path.replace(/^\/api/, '').replace(/:(\w+)/g, '{$1}')}`,
    );
    expect([...told].sort()).toEqual(routes.sort());
  });

  it('is served as it is', async () => {
    const response = await send('GET', '/openapi.json');
    expect(response.headers.get('content-type')).toContain('application/json');
    expect(await response.json()).toEqual(JSON.parse(JSON.stringify(openApi())));
  });

  it('says which requests must name a version: those alone are refused without one', async () => {
    const wrong: string[] = [];
    for (const { method, path, isGuarded = false } of OPERATIONS) {
      if (method === 'get') continue;
      // Nothing that goes on for long, and nothing that ends the shop.
      if (path.startsWith('/backups/') || path === '/shop' || path === '/scale') continue;
      if (path === '/session' || path === '/own') continue;
      if (`${method} ${path}` === 'post /backups') continue;
      const { status } = await send(method.toUpperCase(), path.replace(/\{\w+\}/g, 'none'), {});
      if (status === 428 && !isGuarded) wrong.push(`${method} ${path} asks for a version`);
      // Of what is not there no version can be named.
      const isRight = [428, 422].includes(status) || (status === 404 && path.includes('{version}'));
      if (isGuarded && !isRight) wrong.push(`${method} ${path} answers ${status}`);
    }
    expect(wrong).toEqual([]);
  });

  it('names every field a question may have: one that is not named is refused', async () => {
    for (const { method, path, query } of OPERATIONS) {
      if (method !== 'get' || query === undefined || path.includes('{')) continue;
      const { status } = await send('GET', `${path}?nobody-asks=1`);
      expect(status, path).toBe(422);
    }
  });
});
