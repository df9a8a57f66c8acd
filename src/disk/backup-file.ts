import { messageOf } from '../core/kind/index.ts';
import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream';
import { createGunzip } from 'node:zlib';
import { inUnits, shortened } from '../core/quantity/index.ts';
import { COLLECTIONS, checkOf } from '../contract/collections/index.ts';
import type { Collection } from '../contract/collections/index.ts';
import type { BackupFoot, BackupHead, ForgetLine, RowLine } from './backup-format.ts';
import { BACKUP_FORMAT, BACKUP_VERSION } from './backup-format.ts';

/** Longest line taken, bytes: a document is at most two megabytes, its row a little more. */
const LONGEST_LINE = 64e6;

/** A backup that cannot be used, with the reason and what to do as its message. */
export class BackupProblem extends Error {}

/**
 * Lines of a gzipped file, ended by line feeds and by nothing else. Throws when it cannot be read or
 * unpacked.
 */
async function* linesOf(file: string): AsyncGenerator<string> {
  const unpacked = createGunzip();
  pipeline(createReadStream(file), unpacked, () => {
    // What went wrong comes out of the unpacked side, where it is waited for.
  });
  const decoder = new TextDecoder('utf-8', { fatal: true });
  let pending: Buffer[] = [];
  let size = 0;
  try {
    for await (const chunk of unpacked as AsyncIterable<Buffer>) {
      let from = 0;
      for (let end = chunk.indexOf(10); end >= 0; end = chunk.indexOf(10, from)) {
        pending.push(chunk.subarray(from, end));
        yield decoder.decode(pending.length === 1 ? pending[0] : Buffer.concat(pending));
        pending = [];
        size = 0;
        from = end + 1;
      }
      if (from < chunk.length) pending.push(chunk.subarray(from));
      size += chunk.length - from;
      if (size > LONGEST_LINE) throw new Error('a line has no end');
    }
    if (size > 0) yield decoder.decode(Buffer.concat(pending));
  } finally {
    unpacked.destroy();
  }
}

/**
 * Reads a backup from end to end and gives its lines between the first and the last, as text. Throws
 * BackupProblem, after the lines that could be read, when it is no backup, is cut short, was changed since it
 * was made, or comes from a newer version: what comes out counts only when it has come to its end.
 */
export async function* readBackup(file: string, heard?: (head: BackupHead) => void): AsyncGenerator<string> {
  const seal = createHash('sha256');
  let head: BackupHead | undefined;
  let before: string | undefined;
  let rows = 0;
  try {
    for await (const text of linesOf(file)) {
      if (head === undefined) {
        head = firstLine(text);
        heard?.(head);
        seal.update(`${text}\n`);
        continue;
      }
      if (before !== undefined) {
        if (isFoot(before)) throw new BackupProblem('something follows its end.');
        seal.update(`${before}\n`);
        rows++;
        yield before;
      }
      before = text;
    }
  } catch (error) {
    if (error instanceof BackupProblem) throw error;
    throw new BackupProblem(`${file} cannot be read as a backup (${messageOf(error)}).`);
  }
  if (!head) throw new BackupProblem('the file is empty.');
  if (before === undefined || !isFoot(before))
    throw new BackupProblem('it is cut short: its end is missing.');
  const foot = JSON.parse(before) as BackupFoot;
  if (foot.rows !== rows || foot.sha256 !== seal.digest('hex'))
    throw new BackupProblem('it was changed since it was made: its seal does not fit.');
}

function firstLine(text: string): BackupHead {
  const head = parsed(text) as Partial<BackupHead> | undefined;
  if (head?.format !== BACKUP_FORMAT || typeof head.version !== 'number')
    throw new BackupProblem('this is no backup of a shop.');
  if (head.version > BACKUP_VERSION) throw new BackupProblem('it was made by a newer version.');
  return head as BackupHead;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // Told by whoever asked, with what it was looking for.
    return undefined;
  }
}

/** Whether a line is the last one. Rows begin otherwise, so that none is read for it. */
const isFoot = (text: string): boolean => {
  if (!text.startsWith('{"rows":')) return false;
  const foot = parsed(text) as Partial<BackupFoot> | undefined;
  return typeof foot?.rows === 'number' && typeof foot.sha256 === 'string';
};

/** A document in a backup that does not fit its schema. */
export interface Misfit {
  readonly collection: Collection;
  readonly id: string;
  /** what it is: the document itself, a step of its history, or one of its named versions */
  readonly part: string;
  readonly name: string;
  readonly message: string;
}

/** The collection a row's document is of: of a row of steps or versions that of its owner. */
export function collectionOf(table: string, row: Readonly<Record<string, unknown>>): Collection | undefined {
  const owner = row['design_id'] ?? row['designId'];
  const name = typeof owner === 'string' ? (/^([a-z]+)\//.exec(owner)?.[1] ?? 'designs') : table;
  return COLLECTIONS.find((one) => one === name);
}

/** A row with its document as the present version holds it, or what is wrong with that. */
export function checkRow({
  table,
  row,
}: RowLine): { readonly row: RowLine['row'] } | { readonly misfit: Misfit } {
  const collection = collectionOf(table, row);
  if (!collection || !('document' in row)) return { row };
  const checked = checkOf(collection)(row['document']);
  if (checked.ok) return { row: { ...row, document: checked.value } };
  const owner = String(row['design_id'] ?? row['designId'] ?? row['id']);
  const { name } = (row['document'] ?? {}) as { readonly name?: unknown };
  const part =
    table === 'steps'
      ? `step ${String(row['step'])}`
      : table === 'named_versions'
        ? 'a named version'
        : 'the document';
  return {
    misfit: {
      collection,
      id: owner.replace(/^[a-z]+\//, ''),
      part,
      name: typeof name === 'string' ? shortened(name, 60) : '',
      message: inUnits(checked.problems[0]?.message ?? 'it does not fit its schema.', 'metric'),
    },
  };
}

/** A misfit in a sentence. */
export const misfitSentence = ({ collection, id, part, name, message }: Misfit): string =>
  `${collection} “${name || id}”, ${part}: ${message}`;

/** What a backup holds, once all of it was read. */
export interface Verified {
  readonly rows: number;
  readonly at: string | undefined;
  /** documents, steps and named versions that do not fit their schemas */
  readonly misfits: readonly Misfit[];
}

/**
 * Reads a backup whole: its packing, its seal, and, unless only the seal is asked for, every document against
 * its schema. Throws BackupProblem when it is no whole backup.
 */
export async function verifyBackup(file: string, what: 'seal' | 'documents'): Promise<Verified> {
  const misfits: Misfit[] = [];
  let [rows, at] = [0, undefined as string | undefined];
  for await (const text of readBackup(file, (head) => {
    at = head.at;
  })) {
    rows++;
    if (what === 'seal') continue;
    const line = JSON.parse(text) as Partial<RowLine & ForgetLine>;
    if (line.table === undefined || line.row === undefined) continue;
    const checked = checkRow(line as RowLine);
    if ('misfit' in checked) misfits.push(checked.misfit);
  }
  return { rows, at, misfits };
}
