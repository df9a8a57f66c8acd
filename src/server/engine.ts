import type { PGlite, Results } from '@electric-sql/pglite';

/** What statements are sent to: a database, or a transaction in it. */
export interface EngineSession {
  readonly query: (
    text: string,
    params: readonly unknown[],
    rowMode: 'array' | 'object',
  ) => Promise<Pick<Results, 'rows' | 'fields' | 'affectedRows'>>;
  /** statements without parameters, one after the other */
  readonly exec: (text: string) => Promise<unknown>;
}

/** A transaction that was begun. */
export interface EngineTransaction extends EngineSession {
  readonly end: (commits: boolean) => Promise<void>;
}

/** What a backup is read from: of the embedded database's class it and the mapper call these. */
export type BackupSource = Pick<PGlite, 'query' | 'transaction'>;

/**
 * A database as its thread works with it: the embedded one, which is this process's alone, or one on a
 * PostgreSQL server, which several processes may share.
 */
export interface Engine extends EngineSession {
  readonly begin: () => Promise<EngineTransaction>;
  /** what a backup is read from, and what lets go of it */
  readonly source: () => Promise<{ readonly source: BackupSource; readonly end: () => Promise<void> }>;
  /** to be called after every statement and every transaction that came to its end */
  readonly touched: () => void;
  /** shortens the log of an embedded database now; a server's does so of itself */
  readonly settle: () => Promise<void>;
  /** what processes that share the database do with each other; the embedded one is never shared */
  readonly shared?: Shared;
  readonly close: () => Promise<void>;
}

/** What processes that share a database do with each other. */
export interface Shared {
  /** whether this process has now what the key stands for to itself */
  readonly claim: (key: string) => Promise<boolean>;
  readonly release: (key: string) => Promise<void>;
  /** tells every process, this one too */
  readonly tell: (told: Told) => Promise<void>;
}

/** Something one process tells the others. */
export interface Told {
  readonly topic: string;
  /** at most some thousand characters, which is what PostgreSQL carries */
  readonly text: string;
}
