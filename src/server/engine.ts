import type { Results } from '@electric-sql/pglite';

/** Types that the mapper wants as the database writes them: times, dates and intervals, and lists of them. */
export const AS_TEXT: readonly number[] = [1114, 1184, 1186, 1082, 1231, 1115, 1185, 1187, 1182];

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

/** What the mapper calls of the embedded database's class, whichever engine it is. */
export interface MapperSession {
  readonly query: <T>(
    text: string,
    params?: unknown[],
    options?: { readonly rowMode?: 'array' | 'object' },
  ) => Promise<Results<T>>;
}

/** The same where transactions can be begun. */
export interface MapperSource extends MapperSession {
  readonly transaction: <T>(act: (tx: MapperSession) => Promise<T>) => Promise<T>;
}

/**
 * A database as its thread works with it: the embedded one, which is this process's alone, or one on a
 * PostgreSQL server, which several processes may share.
 */
export interface Engine extends EngineSession {
  readonly begin: () => Promise<EngineTransaction>;
  /** what a backup is read from, and what ends that */
  readonly source: () => Promise<{ readonly source: MapperSource; readonly end: () => Promise<void> }>;
  /** to be called after every statement and every transaction that came to its end */
  readonly touched: () => void;
  /** shortens the log of an embedded database now; a server's does so of itself */
  readonly checkpoint: () => Promise<void>;
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
  readonly publish: (message: Message) => Promise<void>;
}

/** Something one process tells the others. */
export interface Message {
  readonly topic: string;
  /** at most some thousand characters, which is what PostgreSQL carries */
  readonly text: string;
}
