import type { Collection } from '../contract/collections/index.ts';

/** What a backup is called in its first line. */
export const BACKUP_FORMAT = 'fern-anvil/backup';
/** Version written. Version 1 named columns as the code does and carried no figures; it is read too. */
export const BACKUP_VERSION = 2;

/** First line of a backup. */
export interface BackupHead {
  readonly format: typeof BACKUP_FORMAT;
  readonly version: number;
  /** when it was begun, ISO 8601; version 2 on */
  readonly at?: string;
  /** what made it, with its version */
  readonly by?: string;
}
/** A line with a row of a table, its columns by name. */
export interface RowLine {
  readonly table: string;
  readonly row: Readonly<Record<string, unknown>>;
}
/**
 * A line that takes back what was said of some documents: they were saved while their history was being read,
 * and follow anew.
 */
export interface ForgetLine {
  readonly forget: Collection;
  readonly ids: readonly string[];
}
/** Last line: lines between it and the first, and the SHA-256 of everything before it. */
export interface BackupFoot {
  readonly rows: number;
  readonly sha256: string;
}

/** A line of JSON as a backup holds it. Line separators that some readers end a line at are spelled out. */
export const lineOf = (json: string): string =>
  `${json.replace(/[\u2028\u2029]/g, (mark) => (mark === '\u2028' ? '\\u2028' : '\\u2029'))}\n`;
