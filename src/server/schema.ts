import {
  boolean,
  customType,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
} from 'drizzle-orm/pg-core';

/**
 * Text that is put in order, by its bytes on every engine: the order of a language differs from one server to
 * the next, and changes with its libraries under indexes that were built by it.
 */
const sorted = customType<{ data: string }>({ dataType: () => 'text COLLATE "C"' });

/**
 * Columns every collection of documents has: the document whole, its name for lists, and how often it was
 * saved.
 */
const documentColumns = () => ({
  id: sorted('id').primaryKey(),
  name: sorted('name').notNull(),
  document: jsonb('document').notNull(),
  /** readings and outline of a design, made at save; null for other documents */
  summary: jsonb('summary'),
  /** the little the Rack sorts and filters a design by, made at save */
  card: jsonb('card'),
  /**
   * what the summary was made from, and the metal it asks density and price of: which are out of date is
   * asked often
   */
  revision: integer('revision').notNull().default(0),
  metal: text('metal').notNull().default(''),
  /** counts saves; it is the entity tag */
  version: integer('version').notNull().default(1),
  /** the step of its history a design stands at */
  step: integer('step').notNull().default(0),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  /** set when archived; an archived document is kept off the Rack until it is unarchived */
  archivedAt: timestamp('archived_at', { withTimezone: true }),
  /** set when deleted; a deleted document can be restored */
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
});

/** A collection's table: alike but for their names, so that code for any of them needs none in particular. */
const documentTable = (name: string) =>
  pgTable(name, documentColumns(), (t) => [index(`${name}_name`).on(t.name, t.id)]);

/** Table of the designs. */
export const designs = documentTable('designs');
/** Table of the plastics. */
export const plastics = documentTable('plastics');
/** Table of the briefs. */
export const briefs = documentTable('briefs');
/** Table of the measured hooks. */
export const hooks = documentTable('hooks');
/** Table of the moulds. */
export const moulds = documentTable('moulds');
/** Table of the batches. */
export const batches = documentTable('batches');
/** Table of the ranges. */
export const ranges = documentTable('ranges');
/** Table of the days on the water. */
export const trials = documentTable('trials');
/** Table of the photographs. */
export const photos = documentTable('photos');

/**
 * Every state a design, a mould, a batch and so on has been saved in, with words for what changed; steps
 * after the one it stands at can be redone.
 */
export const steps = pgTable(
  'steps',
  {
    /** of a design its id; of others the collection before it, as `batches/…` */
    designId: sorted('design_id').notNull(),
    step: integer('step').notNull(),
    words: text('words').notNull(),
    document: jsonb('document').notNull(),
    /** id of who saved it, where people have accounts */
    by: text('by'),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.designId, t.step] })],
);

/** States of a design that were given a name. */
export const namedVersions = pgTable(
  'named_versions',
  {
    id: sorted('id').primaryKey(),
    designId: sorted('design_id').notNull(),
    name: sorted('name').notNull(),
    document: jsonb('document').notNull(),
    /** id of who gave it the name, where people have accounts */
    by: text('by'),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index('named_versions_design').on(t.designId)],
);

/** The shop’s own rules of the match, whole; no row while it follows the reference rules. */
export const ruleSets = pgTable('rule_sets', {
  key: sorted('key').primaryKey(),
  document: jsonb('document').notNull(),
  version: integer('version').notNull().default(1),
});

/** Densities and prices the shop has found for itself, over those of the reference list. */
export const metalDensities = pgTable('metal_densities', {
  key: sorted('key').primaryKey(),
  density: doublePrecision('density').notNull(),
  price: doublePrecision('price'),
  version: integer('version').notNull().default(1),
});

/** What the shop has set for itself, by what it is about: where its backups go, say. */
export const settings = pgTable('settings', {
  key: sorted('key').primaryKey(),
  document: jsonb('document').notNull(),
  version: integer('version').notNull().default(1),
});

/** Table of the people who have an account. */
export const people = pgTable('people', {
  id: sorted('id').primaryKey(),
  name: text('name').notNull(),
  /** in small letters: two that differ in large ones are one */
  mail: text('mail').notNull().unique(),
  role: text('role').notNull(),
  seesPrices: boolean('sees_prices').notNull().default(false),
  /** Argon2id in the PHC format; null where somebody signs in by passkey alone */
  password: text('password'),
  since: timestamp('since', { withTimezone: true }).notNull().defaultNow(),
  version: integer('version').notNull().default(1),
});

/** Table of the passkeys people sign in by. */
export const passkeys = pgTable(
  'passkeys',
  {
    /** the credential's own, base64url */
    id: sorted('id').primaryKey(),
    personId: text('person_id').notNull(),
    name: text('name').notNull(),
    /** COSE, base64url */
    publicKey: text('public_key').notNull(),
    /** how often the device says it was used: one that falls was copied */
    counter: doublePrecision('counter').notNull(),
    transports: jsonb('transports').notNull(),
    since: timestamp('since', { withTimezone: true }).notNull().defaultNow(),
    usedAt: timestamp('used_at', { withTimezone: true }),
  },
  (t) => [index('passkeys_person').on(t.personId)],
);

/** Table of what people did that a shop may have to account for. */
export const audit = pgTable(
  'audit',
  {
    /** rises with time */
    id: sorted('id').primaryKey(),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    personId: text('person_id'),
    act: text('act').notNull(),
    what: text('what').notNull(),
    address: text('address').notNull(),
  },
  (t) => [index('audit_at').on(t.at)],
);
