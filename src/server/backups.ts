import { messageOf } from '../core/kind/index.ts';
import { randomBytes } from 'node:crypto';
import {
  closeSync,
  createWriteStream,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { basename, dirname, isAbsolute, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Logger } from 'pino';
import type { BackupsState, BackupRow } from '../contract/api.ts';
import type { BackupsEdit } from '../contract/requests.ts';
import { verifyBackup } from '../disk/backup-file.ts';
import { restoreBackup, writeBackup } from './backup.ts';
import type { Database } from './database.ts';
import { openDatabase } from './database.ts';
import { syncPath } from './durable-fs.ts';
import { isDiskFull } from './guards.ts';
import { keepers } from './keepers.ts';
import { HttpProblem, notFound } from './problem.ts';
import type { Expected } from './saving.ts';
import { settings } from './schema.ts';
import { readSetting, replaceSetting } from './settings.ts';

const DAY_MS = 86_400_000;
/** How often it is looked whether a backup is due, and how long after a start for the first time, ms. */
const LOOK = { first: 60_000, every: 15 * 60_000 } as const;
/**
 * A daily backup is due when the newest is older than this, ms: a little under a day, so that it does not
 * wander through the day.
 */
const DUE_MS = 0.95 * DAY_MS;
/** Age of the newest backup from which a shop is warned, ms. */
const OLD_MS = 7 * DAY_MS;

/** What a shop has set about its backups. */
interface BackupSetting {
  /** tells this shop's files from those of another in the same folder */
  readonly shop: string;
  readonly folder: string;
  readonly isOn: boolean;
}

/** Backups made by themselves, and the folder they lie in. */
export interface Backups {
  readonly state: () => Promise<BackupsState>;
  /** of two edits that began from the same version one wins, the other gets 412 */
  readonly edit: (edit: BackupsEdit, expected: Expected) => Promise<BackupsState>;
  /** begins a backup, unless one is being made */
  readonly makeNow: () => Promise<BackupsState>;
  /** begins to give a backup back into a fresh folder beside the shop's own */
  readonly restore: (name: string) => Promise<BackupsState>;
  /** where a backup lies; throws when there is none of that name */
  readonly fileOf: (name: string) => Promise<string>;
  readonly end: () => Promise<void>;
}

const KEY = 'backups';
const nameFor = (shop: string, at: Date): string =>
  `fern-anvil-${shop}-${at.toISOString().slice(0, 19).replace(/:/g, '')}Z.fern-backup.gz`;

/** The backups of a shop in a folder, newest first; none where the folder cannot be read. */
function listed(folder: string, shop: string): BackupRow[] {
  const pattern = new RegExp(
    `^fern-anvil-${shop}-(\\d{4}-\\d{2}-\\d{2}T)(\\d{2})(\\d{2})(\\d{2})Z\\.fern-backup\\.gz$`,
  );
  const names = existsSync(folder) ? readdirSync(folder) : [];
  return names
    .flatMap((name) => {
      const [, date, hour, minute, second] = pattern.exec(name) ?? [];
      if (date === undefined) return [];
      const at = `${date}${hour}:${minute}:${second}Z`;
      return [{ name, at, bytes: statSync(join(folder, name)).size }];
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}

/**
 * Makes a folder with those it lies in, one by one: where a file system makes none, the runtime's own way of
 * doing so never ends.
 */
function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder, { mode: 0o700 });
}

/** Why a folder will not do, and what to do about it; nothing where it will. */
function unfit(folder: string): string | undefined {
  if (!isAbsolute(folder)) return 'Folder: give it whole, from the root of the disk on.';
  try {
    makeFolder(folder);
    const trial = join(folder, `.fern-anvil-${randomBytes(4).toString('hex')}`);
    closeSync(openSync(trial, 'wx', 0o600));
    rmSync(trial);
    return undefined;
  } catch (error) {
    return (
      `Folder: nothing can be written there (${(error as NodeJS.ErrnoException).code ?? 'no reason given'}). ` +
      'Choose another, or give this user the right to write to it.'
    );
  }
}

/**
 * Writes a backup into a folder: beside its place, on the device, read back and its seal checked, and only
 * then under its name. What the rotation no longer keeps is taken away then. Throws with a sentence; nothing
 * half made stays.
 */
export async function makeBackup(
  db: Database,
  folder: string,
  shop: string,
  at: Date,
  signal?: AbortSignal,
): Promise<string> {
  makeFolder(folder);
  const name = nameFor(shop, at);
  const part = join(folder, `${name}.part`);
  // What a process that was killed has left.
  for (const left of readdirSync(folder))
    if (left.startsWith(`fern-anvil-${shop}-`) && left.endsWith('.part')) rmSync(join(folder, left));
  try {
    await pipeline(
      writeBackup(db),
      createWriteStream(part, { mode: 0o600 }),
      ...(signal ? [{ signal }] : []),
    );
    syncPath(part);
    await verifyBackup(part, 'seal');
    renameSync(part, join(folder, name));
    syncPath(folder);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
  const rows = listed(folder, shop);
  const times = rows.map((row) => new Date(row.at));
  const stay = keepers(times);
  rows.forEach((row, i) => {
    const time = times[i];
    if (time && !stay.has(time)) rmSync(join(folder, row.name), { force: true });
  });
  return name;
}

const sentence = (error: unknown): string =>
  isDiskFull(error)
    ? 'The disk the backups lie on is full. Make room, or choose another folder.'
    : messageOf(error);

/** How a shop's backups are set; where nothing was set, daily into a folder inside its own, but for the demo. */
async function settingOf(
  db: Database,
  dataFolder: string,
  isDemo: boolean,
): Promise<{ readonly version: number; readonly document: BackupSetting }> {
  let row = await readSetting(db, KEY);
  if (row.version === 0) {
    const document: BackupSetting = {
      shop: randomBytes(4).toString('hex'),
      folder: join(dataFolder, 'backups'),
      isOn: !isDemo,
    };
    await db.insert(settings).values({ key: KEY, document }).onConflictDoNothing();
    row = await readSetting(db, KEY);
  }
  return { version: row.version, document: row.document as BackupSetting };
}

/** Gives a backup back into a fresh folder beside the shop's own, whole or not at all. Returns the folder. */
async function restoreBeside(dataFolder: string, file: string): Promise<string> {
  const stamp = basename(file).match(/\d{4}-\d{2}-\d{2}T\d{6}Z/)?.[0] ?? 'backup';
  const whole = join(dirname(dataFolder), `${basename(dataFolder)}-restored-${stamp}`);
  let place = whole;
  for (let n = 2; existsSync(place); n++) place = `${whole} ${n}`;
  try {
    const { close } = await openDatabase(place, async (fresh) => {
      await restoreBackup(fresh, file);
    });
    await close();
  } catch (error) {
    rmSync(place, { recursive: true, force: true });
    throw error;
  }
  return place;
}

/**
 * Opens the backups of a shop whose data lie in a folder: where nothing was set, daily into a folder inside
 * it, but for the demo.
 */
export function openBackups(db: Database, dataFolder: string, isDemo: boolean, log: Logger): Backups {
  const opened = Date.now();
  let job: BackupsState['job'];
  let running: Promise<void> | undefined;
  const stopping = new AbortController();
  let timer: NodeJS.Timeout | undefined;

  const setting = () => settingOf(db, dataFolder, isDemo);

  const state = async (): Promise<BackupsState> => {
    const {
      version,
      document: { folder, shop, isOn },
    } = await setting();
    const items = listed(folder, shop);
    const newest = items[0] && Date.parse(items[0].at);
    const isFresh = newest !== undefined && Date.now() - newest < OLD_MS;
    // One that has just begun to serve makes its first within minutes.
    const isBeginning = isOn && job?.problem === undefined && Date.now() - opened < 2 * LOOK.every;
    return {
      version,
      folder,
      isOn,
      isDemo,
      isInside: folder.startsWith(dataFolder),
      isOld: !isDemo && !isFresh && !isBeginning,
      items,
      ...(job ? { job } : {}),
    };
  };

  /** Does one thing at a time, and remembers how it went. */
  const begin = (kind: 'backup' | 'restore', act: () => Promise<string>): void => {
    if (running)
      throw new HttpProblem(409, 'Busy', 'A backup is being made or given back. Wait until it is done.');
    job = { kind, isRunning: true };
    running = act()
      .then((result) => {
        job = { kind, isRunning: false, result };
      })
      .catch((error: unknown) => {
        if (stopping.signal.aborted) return;
        log.error(error, `${kind} failed`);
        job = { kind, isRunning: false, problem: sentence(error) };
      })
      .finally(() => {
        running = undefined;
      });
  };
  const make = async (): Promise<string> => {
    const { folder, shop } = (await setting()).document;
    return makeBackup(db, folder, shop, new Date(), stopping.signal);
  };
  const fileOf = async (name: string): Promise<string> => {
    const { folder, shop } = (await setting()).document;
    const row = listed(folder, shop).find((one) => one.name === name);
    if (!row) throw notFound('This backup');
    return join(folder, row.name);
  };

  const look = async (): Promise<void> => {
    const { folder, shop, isOn } = (await setting()).document;
    const newest = listed(folder, shop)[0];
    if (!isOn || running || (newest && Date.now() - Date.parse(newest.at) <= DUE_MS)) return;
    // Of several that share a database one makes it; the others look again later.
    await db.$client.runExclusive(KEY, async () => {
      begin('backup', make);
      await running;
    });
  };
  const lookLater = (ms: number): void => {
    timer = setTimeout(() => {
      look()
        .catch((error: unknown) => {
          log.error(error, 'it was not looked whether a backup is due');
        })
        .finally(() => {
          if (!stopping.signal.aborted) lookLater(LOOK.every);
        });
    }, ms);
    timer.unref();
  };
  lookLater(LOOK.first);

  return {
    state,
    edit: async ({ folder, isOn }, expected) => {
      const now = (await setting()).document;
      const wrong = folder === undefined ? undefined : unfit(folder);
      if (wrong !== undefined)
        throw new HttpProblem(422, 'Not valid', wrong, [{ path: '/folder', message: wrong }]);
      const document: BackupSetting = { ...now, folder: folder ?? now.folder, isOn: isOn ?? now.isOn };
      await replaceSetting(db, KEY, document, expected, 'How backups are made');
      return state();
    },
    makeNow: async () => {
      begin('backup', make);
      return state();
    },
    restore: async (name) => {
      const file = await fileOf(name);
      begin('restore', () => restoreBeside(dataFolder, file));
      return state();
    },
    fileOf,
    end: async () => {
      clearTimeout(timer);
      stopping.abort();
      await running;
    },
  };
}
