import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { createGunzip, createGzip } from 'node:zlib';
import { asc, gt, inArray, like } from 'drizzle-orm';
import type { Database } from './database.ts';
import * as schema from './schema.ts';

/** Everything a shop keeps, in the order it is given back. Designs carry their history and named versions with them. */
const PLAIN_TABLES = {
  plastics: schema.plastics,
  briefs: schema.briefs,
  hooks: schema.hooks,
  moulds: schema.moulds,
  batches: schema.batches,
  ranges: schema.ranges,
  trials: schema.trials,
  photos: schema.photos,
  rule_sets: schema.ruleSets,
  metal_densities: schema.metalDensities,
} as const;
const TABLES = {
  designs: schema.designs,
  steps: schema.steps,
  named_versions: schema.namedVersions,
  ...PLAIN_TABLES,
} as const;
type TableName = keyof typeof TABLES;

const FORMAT = 'fern-anvil/backup';
const VERSION = 1;
/** Designs read together with what belongs to them: each is whole and as it was at one moment. */
const AT_ONCE = 50;

interface Head {
  readonly format: typeof FORMAT;
  readonly version: number;
}
interface Line {
  readonly table: TableName;
  readonly row: Record<string, unknown>;
}
interface Foot {
  readonly rows: number;
  readonly sha256: string;
}

/**
 * A whole shop as gzipped lines of JSON: a head, a line for every row (documents with their history, named versions, what is put away or deleted,
 * prices, densities, rules), and a foot that counts and seals them. It is read in small pieces between other requests, so that work goes on.
 */
export function writeBackup(db: Database): Readable {
  const lines = async function* () {
    const seal = createHash('sha256');
    let rows = 0;
    const sealed = (value: Head | Line) => {
      const text = `${JSON.stringify(value)}\n`;
      seal.update(text);
      return text;
    };
    yield sealed({ format: FORMAT, version: VERSION });
    for await (const line of everyRow(db)) {
      rows++;
      yield sealed(line);
    }
    const foot: Foot = { rows, sha256: seal.digest('hex') };
    yield `${JSON.stringify(foot)}\n`;
  };
  return Readable.from(lines()).pipe(createGzip({ level: 6 }));
}

async function* everyRow(db: Database): AsyncGenerator<Line> {
  let after = '';
  for (;;) {
    const some = await db.transaction(async (tx) => {
      const designs = await tx
        .select()
        .from(schema.designs)
        .where(gt(schema.designs.id, after))
        .orderBy(asc(schema.designs.id))
        .limit(AT_ONCE);
      const ids = designs.map(({ id }) => id);
      if (ids.length === 0) return undefined;
      const steps = await tx.select().from(schema.steps).where(inArray(schema.steps.designId, ids));
      const versions = await tx
        .select()
        .from(schema.namedVersions)
        .where(inArray(schema.namedVersions.designId, ids));
      return { designs, steps, versions };
    });
    if (!some) break;
    // Summaries are made anew from the documents, by whichever version gives the backup back.
    for (const row of some.designs)
      yield { table: 'designs', row: { ...row, summary: null, card: null, revision: 0 } };
    for (const row of some.steps) yield { table: 'steps', row };
    for (const row of some.versions) yield { table: 'named_versions', row };
    after = some.designs.at(-1)?.id ?? '';
  }
  for (const [table, of] of Object.entries(PLAIN_TABLES) as [TableName, typeof schema.plastics][])
    for (const row of await db.select().from(of)) yield { table, row };
  // Steps of moulds, batches and so on stand under a key with their collection; designs' went out with them.
  for (const row of await db.select().from(schema.steps).where(like(schema.steps.designId, '%/%')))
    yield { table: 'steps', row };
}

const wrong = (reason: string) =>
  new Error(`--restore: ${reason} Nothing was changed. Choose another backup, or fetch it anew.`);

/**
 * Gives a backup back into an empty database, all of it or nothing. The whole file is read and its seal checked before a row is written.
 * Throws with a sentence when it is no backup, is cut short, was changed, or comes from a newer version.
 */
export async function restoreBackup(db: Database, file: string): Promise<number> {
  await checkSeal(file);
  let rows = 0;
  await db.transaction(async (tx) => {
    // What a new shop begins with gives way to what the shop had.
    for (const table of Object.values(TABLES)) await tx.delete(table);
    for await (const text of linesOf(file)) {
      const line = JSON.parse(text) as Partial<Line>;
      if (!line.table || !line.row) continue;
      const table = TABLES[line.table] as typeof schema.designs;
      if (!Object.hasOwn(TABLES, line.table))
        throw wrong(`it holds “${String(line.table).slice(0, 40)}”, which this version does not know.`);
      await tx.insert(table).values(dated(line.row) as typeof schema.designs.$inferInsert);
      rows++;
    }
  });
  return rows;
}

/** A row with its times as times. */
const dated = (row: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(row).map(([key, value]) => [
      key,
      (key === 'at' || key.endsWith('At')) && typeof value === 'string' ? new Date(value) : value,
    ]),
  );

async function* linesOf(file: string): AsyncGenerator<string> {
  const input = createReadStream(file).pipe(createGunzip());
  try {
    yield* createInterface({ input, crlfDelay: Infinity });
  } finally {
    input.destroy();
  }
}

async function checkSeal(file: string): Promise<void> {
  const seal = createHash('sha256');
  let [rows, isFirst] = [-1, true];
  let foot: Partial<Foot> | undefined;
  try {
    // A stream that breaks off is told by the reader of the file, not by the lines it has given.
    const source = createReadStream(file);
    const input = source.pipe(createGunzip());
    const broken = new Promise<never>((_, reject) => {
      source.once('error', reject);
      input.once('error', reject);
    });
    broken.catch(() => undefined);
    const read = async () => {
      for await (const text of createInterface({ input, crlfDelay: Infinity })) {
        if (foot) throw wrong('something follows its end.');
        const value = JSON.parse(text) as Partial<Head & Line & Foot>;
        if (isFirst) {
          isFirst = false;
          if (value.format !== FORMAT) throw wrong('this is no backup of a shop.');
          if (value.version !== VERSION) throw wrong('it was made by a newer version.');
        }
        if (value.sha256 !== undefined && value.table === undefined) {
          foot = value;
          continue;
        }
        rows++;
        seal.update(`${text}\n`);
      }
    };
    await Promise.race([read(), broken]);
  } catch (error) {
    if ((error as Error).message.startsWith('--restore')) throw error;
    throw wrong(`${file} cannot be read as a backup (${(error as Error).message}).`);
  }
  if (!foot) throw wrong('it is cut short: its end is missing.');
  if (foot.rows !== rows || foot.sha256 !== seal.digest('hex'))
    throw wrong('it was changed since it was made: its seal does not fit.');
}
