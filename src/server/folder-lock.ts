import { readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import lockfile from 'proper-lockfile';

/** A lock whose holder shows no sign of life for so long is given up, ms; it shows one every second. */
const STALE = 10_000;
const SIGN = 1_000;

/**
 * Who holds a folder: enough to tell a live server from another process of the same number, here or in
 * another container.
 */
interface Holder {
  readonly pid: number;
  /** this start of the machine, and this space of process numbers */
  readonly machine: string;
  /** when the process began, in the kernel's own count */
  readonly began: string;
}

function read(path: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    // Not this kind of system, or no such process: told by what is made of it.
    return '';
  }
}

const machine = (): string => {
  let space = '';
  try {
    space = readlinkSync('/proc/self/ns/pid');
  } catch {
    // A system without such spaces has one for all.
  }
  return `${read('/proc/sys/kernel/random/boot_id').trim()} ${space}`;
};

/** The 22nd field of a process's state: what comes after its name, which may hold spaces. */
const beganOf = (pid: number): string => read(`/proc/${pid}/stat`).split(') ').at(-1)?.split(' ')[19] ?? '';

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/**
 * What is known of the holder: gone, alive on this machine, a server of the first versions, or not to be
 * asked from here.
 */
function holderIs(note: string): 'gone' | 'here' | 'old' | 'unknown' {
  let holder: Partial<Holder> | number;
  try {
    holder = JSON.parse(read(note)) as Partial<Holder> | number;
  } catch {
    return 'unknown';
  }
  // The first versions wrote their number and nothing more, and took no lock.
  if (typeof holder === 'number')
    return isAlive(holder) && read(`/proc/${holder}/cmdline`).includes('node') ? 'old' : 'gone';
  if (typeof holder?.pid !== 'number' || holder.machine !== machine()) return 'unknown';
  return isAlive(holder.pid) && beganOf(holder.pid) === holder.began ? 'here' : 'gone';
}

/**
 * Takes a folder for this process, across containers too: a directory beside the data whose time is renewed
 * every second. A holder known to be gone is followed at once; one that cannot be asked, being in another
 * container, when it has shown no sign of life for ten seconds. Returns what gives it back. Throws with a
 * sentence when a live server holds it. `lost` is called if the lock is lost all the same.
 */
export async function lockFolder(
  folder: string,
  lost: (reason: Error) => void,
): Promise<() => Promise<void>> {
  const note = join(folder, 'in-use-by');
  const lockfilePath = join(folder, 'in-use.lock');
  const holder = holderIs(note);
  if (holder === 'gone') rmSync(lockfilePath, { recursive: true, force: true });
  let release: () => Promise<void>;
  try {
    if (holder === 'old') throw Object.assign(new Error('held by an old version'), { code: 'ELOCKED' });
    release = await lockfile.lock(folder, {
      lockfilePath,
      stale: STALE,
      update: SIGN,
      realpath: false,
      // Long enough for a holder elsewhere to have become stale.
      retries: { retries: holder === 'here' ? 0 : 12, factor: 1, minTimeout: 1_000, maxTimeout: 1_000 },
      onCompromised: lost,
    });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ELOCKED') throw error;
    const by = /^(?:.*"pid":)?(\d+)/.exec(read(note))?.[1];
    throw new Error(
      `The data in ${folder} is in use${by ? ` by process ${by}` : ''}. Stop that server first, ` +
        'or choose another folder with --data.',
      { cause: error },
    );
  }
  const mine: Holder = { pid: process.pid, machine: machine(), began: beganOf(process.pid) };
  writeFileSync(note, JSON.stringify(mine), { mode: 0o600 });
  return async () => {
    await release();
    rmSync(note, { force: true });
  };
}
