import { and, eq, gt, lt } from 'drizzle-orm';
import type { Role, Ticket, TicketKind, TicketRead } from '../../contract/people.ts';
import type { Database } from '../database.ts';
import { HttpProblem } from '../problem.ts';
import { people } from '../schema.ts';
import { tickets } from '../schema-passing.ts';
import { digestOf, newSecret } from './secrets.ts';

const HOUR_MS = 3_600_000;
/** How long a token is good, ms. */
const GOOD: Readonly<Record<TicketKind, number>> = {
  first: 24 * HOUR_MS,
  invitation: 7 * 24 * HOUR_MS,
  reset: 24 * HOUR_MS,
};

/** A ticket as the database has it. */
type TicketRow = typeof tickets.$inferSelect;

const spent = () =>
  new HttpProblem(
    404,
    'Word not good',
    'This link was used already, or its time is over. Ask the owner for a new one.',
  );

/** Words that are good once: for the first account, for another, for a password set anew. */
export class TicketStore {
  private readonly db: Database;

  constructor(db: Database) {
    this.db = db;
  }

  /** Makes a token, which is told once and kept as its digest. */
  async make(
    kind: TicketKind,
    about: { readonly role: Role; readonly seesPrices?: boolean; readonly personId?: string },
  ): Promise<Ticket> {
    const token = newSecret();
    const until = new Date(Date.now() + GOOD[kind]);
    await this.db.delete(tickets).where(lt(tickets.until, new Date()));
    await this.db.insert(tickets).values({ key: digestOf(token), kind, until, ...about });
    return { token, until: until.toISOString() };
  }

  /** Takes back every token of a kind. */
  async takeBack(kind: TicketKind, personId?: string): Promise<void> {
    await this.db
      .delete(tickets)
      .where(
        and(eq(tickets.kind, kind), personId === undefined ? undefined : eq(tickets.personId, personId)),
      );
  }

  /** What a token leads to. 404 where it is not good. */
  async read(token: string): Promise<TicketRead> {
    const [row] = await this.db
      .select({ ticket: tickets, mail: people.mail })
      .from(tickets)
      .leftJoin(people, eq(people.id, tickets.personId))
      .where(isGood(token));
    if (!row) throw spent();
    const { kind, role } = row.ticket;
    return {
      kind: kind as TicketKind,
      role: role as Role,
      ...(row.mail === null ? {} : { mail: row.mail }),
    };
  }

  /** Whose password a reset’s token sets anew. 404 where it is not good. */
  async personOf(token: string): Promise<string> {
    const [row] = await this.db.select({ id: tickets.personId }).from(tickets).where(isGood(token));
    if (!row?.id) throw spent();
    return row.id;
  }

  /** Uses a token up, in a transaction of the caller's. 404 where it is not good; of two at once one gets it. */
  async use(token: string, tx: Pick<Database, 'delete'>): Promise<TicketRow> {
    const [row] = await tx.delete(tickets).where(isGood(token)).returning();
    if (!row) throw spent();
    return row;
  }
}

const isGood = (token: string) => and(eq(tickets.key, digestOf(token)), gt(tickets.until, new Date()));
