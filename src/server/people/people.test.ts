import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OPERATIONS } from '../../contract/openapi/operations.ts';
import type { Own, PersonRow, Role, SessionState, Ticket } from '../../contract/people.ts';
import { isAllowed, ROLE_PERMISSIONS, ROLES } from '../../contract/people.ts';
import type { History, Kept, Stores } from '../../contract/api.ts';
import { READINGS } from '../../core/behaviour/index.ts';
import type { Design } from '../../core/document/index.ts';
import { METALS } from '../../core/material/index.ts';
import { sampleDesign } from '../../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from '../app.test-kit.ts';
import { problem, runApp, version } from '../app.test-kit.ts';
import { people as peopleTable } from '../schema.ts';
import { sessions as sessionsTable, tickets as ticketsTable } from '../schema-passing.ts';
import { operationAt } from './authorize.ts';
import { accessAt, cookieOf, PASSWORD } from './people.test-kit.ts';
import { hashPassword, verifyPassword } from './secrets.ts';
import { LASTS } from './sessions.ts';

let app: RunningApp;
/** Cookies of somebody of each role. */
const cookies = new Map<Role, string>();

/** One device: it keeps the cookie it is given. */
function device(cookie = '') {
  let held = cookie;
  const send = async (method: string, path: string, body?: unknown, headers: Record<string, string> = {}) => {
    const answer = await app.send(method, path, body, { ...(held ? { Cookie: held } : {}), ...headers });
    held = cookieOf(answer) || held;
    return answer;
  };
  const ask = async <T>(...about: Parameters<typeof send>): Promise<T> =>
    (await (await send(...about)).json()) as T;
  return { send, ask, cookie: () => held };
}
const as = (role: Role) => device(cookies.get(role));

/** Somebody new, by an invitation of the owner's. */
async function joined(role: Role, name: string, seesPrices?: boolean) {
  const { token } = await as('owner').ask<Ticket>('POST', '/people/invitations', {
    role,
    ...(seesPrices === undefined ? {} : { seesPrices }),
  });
  const own = device();
  const answer = await own.send('POST', '/invitation/accept', {
    token,
    name,
    mail: `${name.toLowerCase()}@skarnholm.example`,
    password: PASSWORD,
  });
  expect(answer.status).toBe(200);
  const state = (await answer.json()) as SessionState;
  return { ...own, person: (state.isAsked ? state.person : undefined) as PersonRow };
}

beforeAll(async () => {
  app = await runApp(undefined, accessAt);
});
afterAll(() => app.end());

describe('the first account', () => {
  it('is made by the token that was printed, once, and owns the shop', async () => {
    expect(await device().ask<SessionState>('GET', '/session')).toEqual({ isAsked: true, isFirst: true });
    const { token } = (await app.accounts?.tickets.make('first', { role: 'owner' })) as Ticket;
    const owner = device();
    const given = { token, name: 'Runa', mail: 'Runa@Skarnholm.example', password: PASSWORD };
    const weak = await owner.send('POST', '/invitation/accept', { ...given, password: 'runa runa runa' });
    expect([weak.status, (await problem(weak)).errors?.[0]?.path]).toEqual([422, '/password']);
    const made = await owner.send('POST', '/invitation/accept', given);
    expect(made.status).toBe(200);
    cookies.set('owner', owner.cookie());
    expect(
      (await device().send('POST', '/invitation/accept', { ...given, mail: 'b@b.example' })).status,
    ).toBe(404);
    const state = await owner.ask<SessionState>('GET', '/session');
    expect(state).toMatchObject({
      isAsked: true,
      isFirst: false,
      person: { name: 'Runa', mail: 'runa@skarnholm.example', role: 'owner', hasPassword: true },
    });
    for (const role of ROLES.filter((one) => one !== 'owner'))
      cookies.set(role, (await joined(role, `The-${role}`)).cookie());
  });
});

describe('what each role may', () => {
  // The roles as they were asked for: an owner everything; a maker designs, moulds, batches, stores and rules;
  // the counter reads, briefs and cards; a guide trials and reads.
  it('is less from owner to maker to the others, and nobody but owners has accounts and backups', () => {
    for (const need of ROLE_PERMISSIONS.maker) expect(ROLE_PERMISSIONS.owner).toContain(need);
    for (const role of ['counter', 'guide'] as const)
      for (const need of ROLE_PERMISSIONS[role]) expect(ROLE_PERMISSIONS.maker).toContain(need);
    for (const role of ['maker', 'counter', 'guide'] as const)
      expect(isAllowed({ role, seesPrices: true }, 'own the shop')).toBe(false);
    expect(isAllowed({ role: 'counter', seesPrices: true }, 'prices')).toBe(true);
    expect(isAllowed({ role: 'guide', seesPrices: true }, 'prices')).toBe(false);
  });

  it('every route names what it needs, and is found by it', () => {
    const unnamed = app.routes.filter(({ method, path }) => operationAt(method, path) === undefined);
    expect(unnamed).toEqual([]);
  });

  it('holds on every route, for each role and for nobody: refused where it may not, never where it may', async () => {
    const wrong: string[] = [];
    for (const { method, path, needs } of OPERATIONS) {
      // What ends a session, goes on for long, or is an endless stream is tried elsewhere.
      if (path.startsWith('/session') || path.startsWith('/own') || path.startsWith('/invitation')) continue;
      if (path === '/scale/lines' || path === '/backup' || (method === 'post' && path === '/backups'))
        continue;
      const at = path.replace(/\{(\w+)\}/g, 'none');
      for (const role of [undefined, ...ROLES]) {
        const who = role === undefined ? device() : as(role);
        const { status } = await who.send(method.toUpperCase(), at, method === 'get' ? undefined : {});
        const isLet =
          needs === 'anyone' || (role !== undefined && isAllowed({ role, seesPrices: false }, needs));
        const isRefused = status === (role === undefined ? 401 : 403);
        if (isLet === isRefused) wrong.push(`${role ?? 'nobody'}: ${method} ${path} answers ${status}`);
        if (status >= 500) wrong.push(`${role ?? 'nobody'}: ${method} ${path} fails with ${status}`);
      }
    }
    expect(wrong).toEqual([]);
  });

  it('at the counter nothing tells what things cost the shop, unless the owner says so', async () => {
    const maker = as('maker');
    await maker.send('PUT', '/stores/metals/lead', { price: 7.77 }, { 'If-Match': '*' });
    const { id } = await maker.ask<Kept<Design>>('POST', '/designs', sampleDesign('ball'));
    const costs = Object.keys(READINGS).filter((key) => key.startsWith('cost.'));
    expect(costs).not.toEqual([]);
    const seen = async (who: ReturnType<typeof device>) => {
      const { metals } = await who.ask<Stores>('GET', '/stores');
      const { summary } = await who.ask<Kept<Design>>('GET', `/designs/${id}`);
      return {
        lead: metals.find(({ key }) => key === 'lead')?.price,
        costs: costs.filter((key) => summary?.ok === true && key in summary.readings),
      };
    };
    expect(await seen(maker)).toEqual({ lead: 7.77, costs });
    const listed = METALS.find(({ key }) => key === 'lead')?.price;
    expect(await seen(as('counter'))).toEqual({ lead: listed, costs: [] });
    expect((await as('counter').send('GET', '/ranges')).status).toBe(403);
    const trusted = await joined('counter', 'Trusted', true);
    expect(await seen(trusted)).toEqual({ lead: 7.77, costs });
    expect((await trusted.send('GET', '/ranges')).status).toBe(200);
  });
});

describe('a session', () => {
  it('is in a cookie that only this host gets, over TLS, that no script reads', async () => {
    const answer = await device().send('POST', '/session', {
      mail: 'runa@skarnholm.example',
      password: PASSWORD,
    });
    const [cookie = ''] = answer.headers.getSetCookie();
    // RFC 6265bis 4.1.3.2: the prefix is taken only with Secure, Path=/ and without Domain.
    expect(cookie).toMatch(
      /^__Host-fern-anvil=[\w-]{43}; Path=\/; Max-Age=\d+; Secure; HttpOnly; SameSite=Strict$/,
    );
    const secret = /=([\w-]{43});/.exec(cookie)?.[1] ?? '';
    const rows = await app.database.db.select().from(sessionsTable);
    expect(JSON.stringify(rows)).not.toContain(secret);
  });

  it('ends by signing out, from another device, and all but one by a new password', async () => {
    const first = await joined('guide', 'Bo');
    const sign = async () => {
      const one = device();
      expect(
        (await one.send('POST', '/session', { mail: 'bo@skarnholm.example', password: PASSWORD })).status,
      ).toBe(200);
      return one;
    };
    const [second, third] = [await sign(), await sign()];
    const { devices } = await first.ask<Own>('GET', '/own');
    expect(devices).toHaveLength(3);
    expect(devices.filter(({ isThis }) => isThis)).toHaveLength(1);
    const isIn = async (who: ReturnType<typeof device>) => (await who.send('GET', '/own')).status === 200;
    const before = new Set(devices.map(({ id }) => id));
    const { devices: seenBySecond } = await second.ask<Own>('GET', '/own');
    const itself = seenBySecond.find(({ isThis }) => isThis)?.id ?? '';
    expect(before).toContain(itself);
    expect((await first.send('DELETE', `/own/devices/${itself}`)).status).toBe(204);
    expect([await isIn(first), await isIn(second), await isIn(third)]).toEqual([true, false, true]);
    expect((await first.send('PUT', '/own', { password: 'other words than before' })).status).toBe(422);
    expect(
      (await first.send('PUT', '/own', { password: 'other words than before', now: PASSWORD })).status,
    ).toBe(200);
    expect([await isIn(first), await isIn(third)]).toEqual([true, false]);
    expect((await first.send('DELETE', '/session')).status).toBe(204);
    expect(await isIn(first)).toBe(false);
    // Nobody's device can be ended by somebody else.
    expect((await as('owner').send('DELETE', `/own/devices/${itself}`)).status).toBe(404);
  });

  it('has its secret changed each day, the one before counting for a moment, and does not outlast its time', async () => {
    const one = await joined('guide', 'Turned');
    const { db } = app.database;
    const before = one.cookie();
    const old = new Date(Date.now() - 25 * 3_600_000);
    await db.update(sessionsTable).set({ turnedAt: old });
    expect((await one.send('GET', '/own')).status).toBe(200);
    expect(one.cookie()).not.toBe(before);
    expect((await one.send('GET', '/own')).status).toBe(200);
    expect((await device(before).send('GET', '/own')).status).toBe(200);
    expect((await one.ask<Own>('GET', '/own')).devices).toHaveLength(1);
    await db.update(sessionsTable).set({ seenAt: new Date(Date.now() - LASTS.unused - 1000) });
    expect((await one.send('GET', '/own')).status).toBe(401);
    await db.update(sessionsTable).set({ seenAt: new Date(), until: new Date(Date.now() - 1000) });
    expect((await one.send('GET', '/own')).status).toBe(401);
    // The others are signed in anew.
    for (const role of ROLES) {
      const again = device();
      const mail = role === 'owner' ? 'runa@skarnholm.example' : `the-${role}@skarnholm.example`;
      expect((await again.send('POST', '/session', { mail, password: PASSWORD })).status).toBe(200);
      cookies.set(role, again.cookie());
    }
  });
});

describe('signing in', () => {
  it('tells nobody whether a mail has an account, and after ten tries asks to wait', async () => {
    const tries = async (mail: string) => {
      const answer = await device().send('POST', '/session', { mail, password: 'wrong words entirely' });
      return [answer.status, (await problem(answer)).detail] as const;
    };
    const [known, unknown] = [
      await tries('the-maker@skarnholm.example'),
      await tries('nobody@skarnholm.example'),
    ];
    expect(known[0]).toBe(401);
    expect(unknown).toEqual(known);
    for (let i = 0; i < 9; i++) await tries('the-maker@skarnholm.example');
    expect((await tries('the-maker@skarnholm.example'))[0]).toBe(429);
    // The right password neither, or it could be told by it.
    const right = await device().send('POST', '/session', {
      mail: 'the-maker@skarnholm.example',
      password: PASSWORD,
    });
    expect([right.status, right.headers.get('Retry-After')]).toEqual([429, '900']);
    // Whoever is in stays in.
    expect((await as('maker').send('GET', '/own')).status).toBe(200);
  });

  it('is by Argon2id with what OWASP asks for, salted', async () => {
    const [one, two] = [await hashPassword(PASSWORD), await hashPassword(PASSWORD)];
    // OWASP Password Storage Cheat Sheet: m=19456 (19 MiB), t=2, p=1; PHC string format.
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(one).not.toBe(two);
    expect(await verifyPassword(PASSWORD, one)).toBe(true);
    expect(await verifyPassword(`${PASSWORD} `, one)).toBe(false);
    for (const none of [null, undefined]) expect(await verifyPassword(PASSWORD, none)).toBe(false);
    // One that is typed composed and decomposed is one (RFC 8265 asks for NFC or NFKC of some kind).
    expect(
      await verifyPassword('fa\u0308hre und tau am steg', await hashPassword('f\u00e4hre und tau am steg')),
    ).toBe(true);
  });
});

describe('accounts', () => {
  it('are invited once, changed from their version, and a shop is never without an owner', async () => {
    const owner = as('owner');
    const { token } = await owner.ask<Ticket>('POST', '/people/invitations', { role: 'guide' });
    const rows = await app.database.db.select().from(ticketsTable);
    expect(JSON.stringify(rows)).not.toContain(token);
    const all = await owner.ask<PersonRow[]>('GET', '/people');
    const runa = all.find(({ name }) => name === 'Runa') as PersonRow;
    const guide = all.find(({ name }) => name === 'The-guide') as PersonRow;
    const put = (id: string, body: object, at: number) =>
      owner.send('PUT', `/people/${id}`, body, version(at));
    expect((await put(runa.id, { role: 'maker' }, runa.version)).status).toBe(409);
    expect((await owner.send('DELETE', `/people/${runa.id}`, undefined, version(runa.version))).status).toBe(
      409,
    );
    expect((await owner.send('DELETE', '/own')).status).toBe(409);
    expect((await put(guide.id, { role: 'maker' }, guide.version)).status).toBe(200);
    expect((await put(guide.id, { role: 'guide' }, guide.version)).status).toBe(412);
    // A role holds from the next request on.
    expect((await as('guide').send('GET', '/ranges')).status).toBe(200);
    expect((await put(guide.id, { role: 'guide' }, guide.version + 1)).status).toBe(200);
    expect((await as('guide').send('GET', '/ranges')).status).toBe(403);
    const twice = await owner.ask<Ticket>('POST', '/people/invitations', { role: 'guide' });
    const taken = await device().send('POST', '/invitation/accept', {
      token: twice.token,
      name: 'Other',
      mail: 'THE-GUIDE@skarnholm.example',
      password: PASSWORD,
    });
    expect([taken.status, (await problem(taken)).errors?.[0]?.path]).toEqual([409, '/mail']);
    // It was not used up by that.
    expect((await device().send('POST', '/invitation', { token: twice.token })).status).toBe(200);
  });

  it('get a new password by a link, which signs every device out and is good once', async () => {
    const one = await joined('maker', 'Lost');
    const { token } = await as('owner').ask<Ticket>('POST', `/people/${one.person.id}/reset`);
    expect((await one.send('GET', '/own')).status).toBe(401);
    const again = device();
    expect((await again.send('POST', '/invitation/accept', { token, password: 'lost' })).status).toBe(422);
    const weak = await again.send('POST', '/invitation/accept', { token, password: 'lost lost lost' });
    expect(weak.status).toBe(422);
    const reset = { token, password: 'a boat without its oars' };
    expect((await again.send('POST', '/invitation/accept', reset)).status).toBe(200);
    expect((await again.send('GET', '/own')).status).toBe(200);
    expect((await device().send('POST', '/invitation/accept', reset)).status).toBe(404);
  });

  it('say who saved what, in history and versions, and leave no name behind when they are deleted', async () => {
    const one = await joined('maker', 'Ylva');
    const made = await one.ask<Kept<Design>>('POST', '/designs', sampleDesign('ball'));
    await as('owner').send(
      'PUT',
      `/designs/${made.id}`,
      { ...made.document, name: 'By another' },
      version(1),
    );
    await one.send('POST', `/designs/${made.id}/versions`, { name: 'As sold' });
    const told = async () => {
      const { steps, versions } = await as('owner').ask<History>('GET', `/designs/${made.id}/history`);
      return [...steps, ...versions].map(({ by }) => by);
    };
    expect(await told()).toEqual(['Ylva', 'Runa', 'Ylva']);
    const all = await one.ask<{ person: PersonRow; did: readonly { act: string }[] }>(
      'GET',
      '/own/everything',
    );
    expect(all.person.mail).toBe('ylva@skarnholm.example');
    expect(all.did.map(({ act }) => act)).toContain('signed in');
    expect((await one.send('DELETE', '/own')).status).toBe(204);
    expect((await one.send('GET', '/own')).status).toBe(401);
    expect(await told()).toEqual(['somebody who left', 'Runa', 'somebody who left']);
    const log = await as('owner').ask<{ items: object[] }>('GET', '/people/log');
    expect(JSON.stringify(log)).not.toMatch(/ylva/i);
    const people = await app.database.db.select().from(peopleTable);
    expect(JSON.stringify(people)).not.toMatch(/ylva/i);
  });

  it('leave in the log who signed in, was refused, exported and deleted, and from where', async () => {
    const guide = as('guide');
    await guide.send('GET', '/people');
    await as('maker').send('GET', '/heads.csv');
    const { id } = await as('maker').ask<Kept<Design>>('POST', '/designs', sampleDesign('ball'));
    await as('maker').send('DELETE', `/designs/${id}`, undefined, version(1));
    const { items } = await as('owner').ask<{
      items: readonly { act: string; what: string; person?: string; address: string }[];
    }>('GET', '/people/log');
    const about = items.map(({ act, what, person, address }) => [person, act, what, address]);
    const from = items[0]?.address;
    expect(from).toMatch(/127\.0\.0\.1$/);
    expect(about).toContainEqual(['The-guide', 'refused', 'GET /api/people', from]);
    expect(about).toContainEqual(['The-maker', 'exported', '/heads.csv', from]);
    expect(about).toContainEqual(['The-maker', 'deleted', `/designs/${id}`, from]);
    expect((await as('maker').send('GET', '/people/log')).status).toBe(403);
  });
});

describe('a server that others reach', () => {
  it('answers under its names alone, from its own pages, and says that it is to be asked over TLS', async () => {
    const answer = await app.send('GET', '/health');
    expect(answer.headers.get('Strict-Transport-Security')).toContain('max-age=31536000');
    const foreign = await app.send('GET', '/session', undefined, { Origin: 'https://elsewhere.example' });
    expect(foreign.status).toBe(403);
    const plain = await app.send('GET', '/session', undefined, { Origin: app.base });
    expect(plain.status).toBe(403);
  });
});
