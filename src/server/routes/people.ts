import type Router from '@koa/router';
import type { Context } from 'koa';
import type { Own, SessionState } from '../../contract/people.ts';
import {
  checkAcceptance,
  checkAuditQuery,
  checkInvitation,
  checkOwnEdit,
  checkNewPasskey,
  checkPasskeyUse,
  checkPersonEdit,
  checkSignIn,
  checkToken,
} from '../../contract/people-requests.ts';
import { etagOf } from '../../contract/api.ts';
import type { Database } from '../database.ts';
import type { Audit } from '../people/audit.ts';
import { deviceOf } from '../people/device.ts';
import type { SignedIn } from '../people/authorize.ts';
import { setSecret, signedIn } from '../people/authorize.ts';
import type { PasskeyStore } from '../people/passkeys.ts';
import type { PeopleStore } from '../people/people.ts';
import type { SessionStore } from '../people/sessions.ts';
import type { TicketStore } from '../people/tickets.ts';
import { HttpProblem, invalid, notFound } from '../problem.ts';
import { attach, taken, wantedVersion } from '../request.ts';

/**
 * Sign-ins that may fail within a quarter of an hour: under one mail, and from one address. OWASP's
 * verification standard 4.0.3 allows a hundred an hour (2.2.1, from memory).
 */
const MAY_FAIL = { within: 15 * 60_000, mail: 10, address: 40 } as const;

/** What accounts are made of. */
export interface Accounts {
  readonly people: PeopleStore;
  readonly sessions: SessionStore;
  readonly tickets: TicketStore;
  readonly passkeys: PasskeyStore;
  readonly audit: Audit;
}

/** What the interface asks first where accounts are not asked for. */
export function noAccounts(router: Router): void {
  router.get('/session', (ctx) => {
    ctx.body = { isAsked: false } satisfies SessionState;
  });
}

/** Whoever asks for what is his own: the gate has let nobody else through. */
function me(ctx: Context): SignedIn {
  const found = signedIn(ctx);
  if (!found) throw new HttpProblem(401, 'Sign in', 'Sign in first. What you typed is kept here.');
  return found;
}

const wanted = (path: string, message: string) => invalid([{ path, message }]);

/** Accounts: signing in, one's own, and, for owners, everybody's. */
export function peopleRoutes(router: Router, db: Database, accounts: Accounts): void {
  signInRoutes(router, db, accounts);
  ownRoutes(router, accounts);
  ownerRoutes(router, accounts);
}

/** Signing in and out, and words that are good once. */
function signInRoutes(
  router: Router,
  db: Database,
  { people, sessions, tickets, passkeys, audit }: Accounts,
): void {
  const state = async (personId: string | undefined): Promise<SessionState> => {
    const person = personId === undefined ? undefined : await people.find(personId);
    return { isAsked: true, ...(person ? { person } : {}), isFirst: !person && (await people.isEmpty()) };
  };
  const refuseMany = async (ctx: Context, mail?: string): Promise<void> => {
    const { within } = MAY_FAIL;
    const byAddress = await audit.count('not signed in', within, { address: ctx.ip });
    const byMail = mail === undefined ? 0 : await audit.count('not signed in', within, { what: mail });
    if (byAddress < MAY_FAIL.address && byMail < MAY_FAIL.mail) return;
    ctx.set('Retry-After', String(within / 1000));
    throw new HttpProblem(
      429,
      'Too many tries',
      'Too many tries from here, or under this mail. Wait a quarter of an hour, or use a passkey.',
    );
  };
  /** Signs somebody in on the device that asks; whoever was signed in there before is signed out. */
  const signIn = async (ctx: Context, personId: string, how: string): Promise<void> => {
    const before = signedIn(ctx);
    if (before) await sessions.end(before.key);
    setSecret(ctx, await sessions.begin(personId, deviceOf(ctx.get('User-Agent')), ctx.ip));
    await audit.write('signed in', how, { address: ctx.ip, person: await people.read(personId) });
    ctx.body = await state(personId);
  };

  router.get('/session', async (ctx) => {
    ctx.body = await state(signedIn(ctx)?.person.id);
  });
  router.post('/session', async (ctx) => {
    const { mail, password } = taken(checkSignIn(ctx.request.body));
    const named = mail.trim().toLowerCase();
    await refuseMany(ctx, named);
    const person = await people.byPassword(mail, password);
    if (!person) {
      await audit.write('not signed in', named, { address: ctx.ip });
      // The same words whichever of the two is wrong: nobody learns who has an account.
      throw new HttpProblem(401, 'Not signed in', 'Mail and password do not belong together. Try again.');
    }
    await signIn(ctx, person.id, 'by password');
  });
  router.delete('/session', async (ctx) => {
    const now = signedIn(ctx);
    if (now) {
      await sessions.end(now.key);
      await audit.write('signed out', '', { address: ctx.ip, person: now.person });
    }
    setSecret(ctx, undefined);
    ctx.status = 204;
  });
  router.post('/session/passkey/question', async (ctx) => {
    await refuseMany(ctx);
    ctx.body = await passkeys.beginSignIn();
  });
  router.post('/session/passkey', async (ctx) => {
    await refuseMany(ctx);
    const given = taken(checkPasskeyUse(ctx.request.body));
    const personId = await passkeys.signIn(given).catch(async (error: unknown) => {
      await audit.write('not signed in', 'by passkey', { address: ctx.ip });
      throw error;
    });
    await signIn(ctx, personId, 'by passkey');
  });
  router.post('/invitation', async (ctx) => {
    ctx.body = await tickets.read(taken(checkToken(ctx.request.body)).token);
  });
  router.post('/invitation/accept', async (ctx) => {
    const { token, name, mail, password } = taken(checkAcceptance(ctx.request.body));
    const { kind, role } = await tickets.read(token);
    if (kind === 'reset') {
      // Checked and hashed first: a password that is refused uses no link up.
      const hashed = await people.newPassword(await tickets.personOf(token), password);
      const id = await db.transaction(async (tx) => {
        await tickets.use(token, tx);
        return people.setPassword(hashed, tx);
      });
      await sessions.endAll(id);
      await signIn(ctx, id, 'by a new password');
      return;
    }
    if (name === undefined) throw wanted('/name', 'Name: say what others call you.');
    if (mail === undefined) throw wanted('/mail', 'Mail: it is what you sign in by.');
    const ready = await people.ready({ name, mail, role, seesPrices: false, password });
    await db.transaction(async (tx) => {
      const { seesPrices } = await tickets.use(token, tx);
      // Of two who begin the same shop at once one owns it.
      if (kind === 'first' && !(await people.isEmpty(tx))) throw notFound('This invitation');
      await people.create({ ...ready, seesPrices }, tx);
    });
    // Whoever comes first owns the shop; other words that were printed for him lead nowhere any more.
    if (kind === 'first') await tickets.takeBack('first');
    await audit.write('made an account', role, { address: ctx.ip, person: await people.read(ready.id) });
    await signIn(ctx, ready.id, 'by invitation');
  });
}

/** What everybody does with his own account. */
function ownRoutes(router: Router, { people, sessions, passkeys, audit }: Accounts): void {
  const own = async (ctx: Context): Promise<Own> => {
    const { person, key } = me(ctx);
    return {
      person: await people.read(person.id),
      devices: await sessions.devices(person.id, key),
      passkeys: await passkeys.list(person.id),
    };
  };
  router.get('/own', async (ctx) => {
    ctx.body = await own(ctx);
  });
  router.put('/own', async (ctx) => {
    const { person, key } = me(ctx);
    const { now, ...edit } = taken(checkOwnEdit(ctx.request.body));
    const isDelicate = edit.mail !== undefined || edit.password !== undefined;
    if (isDelicate && person.hasPassword && !(await people.isOwnPassword(person.id, now ?? '')))
      throw wanted('/now', 'Password so far: it is not this. Type it again.');
    await people.editOwn(person.id, edit);
    // Whoever learnt the one before is out.
    if (edit.password !== undefined) await sessions.endAll(person.id, key);
    await audit.write('changed an account', 'one’s own', { address: ctx.ip, person });
    ctx.body = await own(ctx);
  });
  router.get('/own/everything', async (ctx) => {
    const all = await people.everythingOf(me(ctx).person.id, await own(ctx));
    attach(ctx, 'my-account.json');
    ctx.type = 'application/json';
    ctx.body = JSON.stringify(all, undefined, 2);
  });
  router.delete('/own', async (ctx) => {
    const { person } = me(ctx);
    await people.end(person.id, undefined);
    await audit.write('ended an account', person.role, { address: ctx.ip });
    setSecret(ctx, undefined);
    ctx.status = 204;
  });
  router.delete('/own/devices/:id', async (ctx) => {
    await sessions.endDevice(me(ctx).person.id, String(ctx.params['id']));
    ctx.status = 204;
  });
  router.post('/own/passkeys/question', async (ctx) => {
    ctx.body = await passkeys.beginMaking(me(ctx).person);
  });
  router.post('/own/passkeys', async (ctx) => {
    const { person } = me(ctx);
    await passkeys.make(person.id, taken(checkNewPasskey(ctx.request.body)));
    await audit.write('changed an account', 'a passkey', { address: ctx.ip, person });
    ctx.status = 201;
    ctx.body = await own(ctx);
  });
  router.delete('/own/passkeys/:id', async (ctx) => {
    const { person } = me(ctx);
    if (!person.hasPassword && person.passkeys === 1)
      throw new HttpProblem(409, 'Last way in', 'Without it you could not sign in. Set a password first.');
    await passkeys.remove(person.id, String(ctx.params['id']));
    await audit.write('changed an account', 'a passkey', { address: ctx.ip, person });
    ctx.status = 204;
  });
}

/** What owners do with everybody's accounts. */
function ownerRoutes(router: Router, { people, sessions, tickets, audit }: Accounts): void {
  const by = (ctx: Context) => ({ address: ctx.ip, person: me(ctx).person });
  // Before the one that takes an id.
  router.get('/people/log', async (ctx) => {
    ctx.body = await audit.page(taken(checkAuditQuery({ ...ctx.query })).before);
  });
  router.get('/people', async (ctx) => {
    ctx.body = await people.list();
  });
  router.post('/people/invitations', async (ctx) => {
    const { role, seesPrices = false } = taken(checkInvitation(ctx.request.body));
    ctx.body = await tickets.make('invitation', { role, seesPrices });
    await audit.write('invited', role, by(ctx));
    ctx.status = 201;
  });
  router.put('/people/:id', async (ctx) => {
    const edit = taken(checkPersonEdit(ctx.request.body));
    const person = await people.edit(String(ctx.params['id']), edit, wantedVersion(ctx));
    await audit.write('changed an account', `${person.name}: ${person.role}`, by(ctx));
    ctx.set('ETag', etagOf(person.version));
    ctx.body = person;
  });
  router.delete('/people/:id', async (ctx) => {
    const id = String(ctx.params['id']);
    const expected = wantedVersion(ctx);
    const { role } = await people.read(id);
    await people.end(id, expected);
    await audit.write('ended an account', role, by(ctx));
    ctx.status = 204;
  });
  router.post('/people/:id/reset', async (ctx) => {
    const person = await people.read(String(ctx.params['id']));
    await tickets.takeBack('reset', person.id);
    ctx.body = await tickets.make('reset', { role: person.role, personId: person.id });
    // Somebody whose password is lost may have lost it to somebody.
    await sessions.endAll(person.id);
    await audit.write('changed an account', `a new password for ${person.name}`, by(ctx));
    ctx.status = 201;
  });
}
