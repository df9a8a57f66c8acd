import { doublePrecision, index, integer, jsonb, pgTable, text, timestamp } from 'drizzle-orm/pg-core';

/** Columns every collection of documents has: the document whole, its name for lists, and how often it was saved. */
const documentColumns = () => ({
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  document: jsonb('document').notNull(),
  /** readings and outline of a design, made at save; null for other documents */
  summary: jsonb('summary'),
  /** counts saves; it is the entity tag */
  version: integer('version').notNull().default(1),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  /** set when deleted; a deleted document can be restored */
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
});

export const designs = pgTable('designs', documentColumns(), (t) => [index('designs_name').on(t.name, t.id)]);
export const plastics = pgTable('plastics', documentColumns(), (t) => [
  index('plastics_name').on(t.name, t.id),
]);
export const briefs = pgTable('briefs', documentColumns(), (t) => [index('briefs_name').on(t.name, t.id)]);

/** Densities the shop has weighed for itself, over those of the reference list. */
export const metalDensities = pgTable('metal_densities', {
  key: text('key').primaryKey(),
  density: doublePrecision('density').notNull(),
  version: integer('version').notNull().default(1),
});
