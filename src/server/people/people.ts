import { randomUUID } from 'node:crypto';
import { and, asc, count, eq, sql } from 'drizzle-orm';
import type { Own, PersonRow, Role } from '../../contract/people.ts';
import type { PersonEdit } from '../../contract/people-requests.ts';
import type { Database } from '../database.ts';
import { isTaken } from '../guards.ts';
import { HttpProblem, notFound } from '../problem.ts';
import type { Expected } from '../saving.ts';
import { audit, passkeys, people } from '../schema.ts';
import { sessions, tickets } from '../schema-passing.ts';
import { hashPassword, verifyPassword } from './secrets.ts';

/** Somebody as the database has him. */
type Row = typeof people.$inferSelect;

/** Somebody who is to have an account. */
export interface NewPerson {
  readonly name: string;
  readonly mail: string;
  readonly role: Role;
  readonly seesPrices: boolean;
  readonly password: string;
}

const mailOf = (mail: string): string => mail.trim().toLowerCase();

const noSuchPerson = () => notFound('This person');

const taken = () =>
  new HttpProblem(409, 'Mail taken', 'Somebody has an account under this mail already. Take another.', [
    { path: '/mail', message: 'Mail: somebody has an account under it already. Take another.' },
  ]);

/** The people who have an account. */
export class PeopleStore {
  private readonly db: Database;

  constructor(db: Database) {
    this.db = db;
  }

  /** Whether anybody has an account. */
  async isEmpty(reader: Pick<Database, 'select'> = this.db): Promise<boolean> {
    const [row] = await reader.select({ n: count() }).from(people);
    return (row?.n ?? 0) === 0;
  }

  async list(): Promise<PersonRow[]> {
    const rows = await this.db
      .select({ person: people, keys: count(passkeys.id) })
      .from(people)
      .leftJoin(passkeys, eq(passkeys.personId, people.id))
      .groupBy(people.id)
      .orderBy(asc(people.name), asc(people.id));
    return rows.map(({ person, keys }) => shown(person, keys));
  }

  async read(id: string): Promise<PersonRow> {
    const found = await this.find(id);
    if (!found) throw noSuchPerson();
    return found;
  }

  async find(id: string): Promise<PersonRow | undefined> {
    // Asked with each request: in one statement.
    const [row] = await this.db
      .select({ person: people, keys: this.db.$count(passkeys, eq(passkeys.personId, people.id)) })
      .from(people)
      .where(eq(people.id, id));
    return row && shown(row.person, row.keys);
  }

  /** Whoever signs in by a mail and a password; nobody where they are not of one person. */
  async byPassword(mail: string, password: string): Promise<PersonRow | undefined> {
    const [row] = await this.db
      .select()
      .from(people)
      .where(eq(people.mail, mailOf(mail)));
    return (await verifyPassword(password, row?.password)) && row ? this.find(row.id) : undefined;
  }

  /**
   * What an account is made from, before any transaction begins: a password takes a while to be hashed. 422
   * where the password is weak.
   */
  async ready({ name, mail, role, seesPrices, password }: NewPerson): Promise<typeof people.$inferInsert> {
    refuseWeak(password, name, mail);
    return {
      id: randomUUID(),
      name: name.trim(),
      mail: mailOf(mail),
      role,
      seesPrices,
      password: await hashPassword(password),
    };
  }

  /** Makes an account, in a transaction of the caller's. 409 where the mail is somebody's already. */
  async create(ready: typeof people.$inferInsert, tx: Pick<Database, 'insert'>): Promise<void> {
    await tx
      .insert(people)
      .values(ready)
      .catch((error: unknown) => {
        throw isTaken(error) ? taken() : error;
      });
  }

  /** Changes what somebody may; refused where nobody would own the shop any more. */
  async edit(id: string, { role, seesPrices }: PersonEdit, expected: Expected): Promise<PersonRow> {
    await this.db.transaction(async (tx) => {
      const person = await this.held(tx, id, expected);
      if (role !== undefined && role !== 'owner' && person.role === 'owner') await refuseLastOwner(tx, id);
      await tx
        .update(people)
        .set({
          role: role ?? person.role,
          seesPrices: seesPrices ?? person.seesPrices,
          version: sql`${people.version} + 1`,
        })
        .where(eq(people.id, id));
    });
    return this.read(id);
  }

  /** Changes somebody's own name, mail or password. */
  async editOwn(
    id: string,
    { name, mail, password }: { readonly name?: string; readonly mail?: string; readonly password?: string },
  ): Promise<PersonRow> {
    const person = await this.read(id);
    if (password !== undefined) refuseWeak(password, name ?? person.name, mail ?? person.mail);
    await this.db
      .update(people)
      .set({
        ...(name === undefined ? {} : { name: name.trim() }),
        ...(mail === undefined ? {} : { mail: mailOf(mail) }),
        ...(password === undefined ? {} : { password: await hashPassword(password) }),
        version: sql`${people.version} + 1`,
      })
      .where(eq(people.id, id))
      .catch((error: unknown) => {
        throw isTaken(error) ? taken() : error;
      });
    return this.read(id);
  }

  /**
   * A new password of somebody, hashed before any transaction begins. 422 where it is weak, 404 where nobody
   * is there.
   */
  async newPassword(id: string, password: string): Promise<{ readonly id: string; readonly hash: string }> {
    const { name, mail } = await this.read(id);
    refuseWeak(password, name, mail);
    return { id, hash: await hashPassword(password) };
  }

  /** Sets a password, in a transaction of the caller's; whose it is. */
  async setPassword(
    { id, hash }: { readonly id: string; readonly hash: string },
    tx: Pick<Database, 'update'>,
  ): Promise<string> {
    await tx
      .update(people)
      .set({ password: hash, version: sql`${people.version} + 1` })
      .where(eq(people.id, id));
    return id;
  }

  /** Whether this is somebody's own password. */
  async isOwnPassword(id: string, password: string): Promise<boolean> {
    const [row] = await this.db.select({ password: people.password }).from(people).where(eq(people.id, id));
    return verifyPassword(password, row?.password);
  }

  /**
   * Deletes an account with all there is of its person: name, mail, passkeys, devices. What he did stays, by
   * nobody's name. Refused where nobody would own the shop any more.
   */
  async end(id: string, expected: Expected): Promise<void> {
    await this.db.transaction(async (tx) => {
      const person = await this.held(tx, id, expected);
      if (person.role === 'owner') await refuseLastOwner(tx, id);
      await tx.delete(sessions).where(eq(sessions.personId, id));
      await tx.delete(tickets).where(eq(tickets.personId, id));
      await tx.delete(passkeys).where(eq(passkeys.personId, id));
      // What the log says of his sign-ins names his mail.
      await tx
        .update(audit)
        .set({ what: '' })
        .where(and(eq(audit.personId, id), eq(audit.act, 'signed in')));
      await tx.delete(audit).where(and(eq(audit.act, 'not signed in'), eq(audit.what, person.mail)));
      await tx.delete(people).where(eq(people.id, id));
    });
  }

  /** Everything there is of somebody, for himself. */
  async everythingOf(id: string, own: Own): Promise<object> {
    const did = await this.db
      .select({ at: audit.at, act: audit.act, what: audit.what, address: audit.address })
      .from(audit)
      .where(eq(audit.personId, id))
      .orderBy(asc(audit.id));
    return { ...own, did };
  }

  private async held(tx: Pick<Database, 'select'>, id: string, expected: Expected): Promise<Row> {
    const [row] = await tx.select().from(people).where(eq(people.id, id)).for('update');
    if (!row) throw noSuchPerson();
    if (expected !== undefined && expected !== row.version)
      throw new HttpProblem(
        412,
        'Changed elsewhere',
        'This account was changed elsewhere since you opened it. Look again, then choose.',
      );
    return row;
  }
}

const shown = (
  { id, name, mail, role, seesPrices, since, version, password }: Row,
  keys: number,
): PersonRow => ({
  id,
  name,
  mail,
  role: role as Role,
  seesPrices,
  since: since.toISOString(),
  version,
  hasPassword: password !== null,
  passkeys: keys,
});

/** A password that holds its person's own name or mail is the first that others try. */
function refuseWeak(password: string, name: string, mail: string): void {
  const low = password.toLowerCase();
  const [before = ''] = mailOf(mail).split('@');
  const isRepeated = new Set(low).size < 5;
  const holds = [...name.toLowerCase().split(/\s+/), before, 'fernanvil'].find(
    (part) => part.length > 3 && low.replace(/[\s_-]/g, '').includes(part),
  );
  if (holds === undefined && !isRepeated) return;
  const message =
    holds === undefined
      ? 'Password: it is made of too few different characters. Take a sentence only you know.'
      : `Password: it holds “${holds}”, which others try first. Take a sentence only you know.`;
  throw new HttpProblem(422, 'Weak password', message, [{ path: '/password', message }]);
}

/** Rows of owners are held meanwhile: of two who leave at once one stays. */
async function refuseLastOwner(tx: Pick<Database, 'select'>, id: string): Promise<void> {
  const owners = await tx
    .select({ id: people.id })
    .from(people)
    .where(eq(people.role, 'owner'))
    .orderBy(asc(people.id))
    .for('update');
  if (owners.every((one) => one.id === id))
    throw new HttpProblem(
      409,
      'Last owner',
      'Nobody else owns this shop. Make somebody else an owner first, then change this account.',
    );
}
