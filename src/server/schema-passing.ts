import { boolean, pgSchema, text, timestamp } from 'drizzle-orm/pg-core';

/**
 * What passes: who is signed in, and words that are good once. No part of a backup, which would let in
 * whoever reads it.
 */
export const passing = pgSchema('passing');

const moment = (name: string) => timestamp(name, { withTimezone: true });

/** Table of the sessions: each by the digest of its secret, which only the device has. */
export const sessions = passing.table('sessions', {
  key: text('key').primaryKey(),
  personId: text('person_id').notNull(),
  device: text('device').notNull(),
  address: text('address').notNull(),
  since: moment('since').notNull().defaultNow(),
  /** when its secret was last changed */
  turnedAt: moment('turned_at').notNull().defaultNow(),
  seenAt: moment('seen_at').notNull().defaultNow(),
  until: moment('until').notNull(),
});

/** Table of the words that are good once: each by its digest. */
export const tickets = passing.table('tickets', {
  key: text('key').primaryKey(),
  kind: text('kind').notNull(),
  role: text('role').notNull(),
  seesPrices: boolean('sees_prices').notNull().default(false),
  /** whose password is set anew */
  personId: text('person_id'),
  until: moment('until').notNull(),
});

/** Table of the questions browsers were asked about passkeys, each good once. */
export const challenges = passing.table('challenges', {
  challenge: text('challenge').primaryKey(),
  /** who is to answer; nobody yet at a sign-in */
  personId: text('person_id'),
  until: moment('until').notNull(),
});
