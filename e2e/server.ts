import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { databaseFor, DEMO_DATABASE, isEmbedded } from '../src/server/database.test-kit.ts';
import { watchServer } from './evidence.ts';
import { root } from './root.ts';

export interface RunningServer {
  readonly url: string;
  readonly port: number;
  readonly process: ChildProcess;
  /** what it has printed */
  readonly said: () => string;
  /** ends the process with a signal and waits until it is gone */
  readonly end: (signal?: NodeJS.Signals) => Promise<void>;
}

/**
 * Where the demo workshop was loaded once for all browser tests; none where they are not run by their own
 * configuration.
 */
export const DEMO_SHOP = 'FERN_ANVIL_DEMO_SHOP';

/** What folders hold, as a first start leaves it. */
const held = new Map<string, 'demo'>();

/**
 * A new folder for one test's data; with the demo workshop in it, as a first start leaves it, where that is
 * asked for.
 */
export function dataFolder(holds?: 'demo'): { readonly path: string; readonly remove: () => void } {
  const path = mkdtempSync(join(tmpdir(), 'fern-anvil-'));
  const demo = process.env[DEMO_SHOP];
  if (holds === 'demo' && isEmbedded() && demo) cpSync(demo, path, { recursive: true });
  if (holds) held.set(path, holds);
  return { path, remove: () => rmSync(path, { recursive: true, force: true }) };
}

/** Starts the real server process on a free port (or the one given) and waits for its address. */
export async function startServer(
  data: string,
  options: { port?: number; demo?: boolean; name?: string; database?: string } = {},
): Promise<RunningServer> {
  // On a server a folder stands for a database of its own.
  const database =
    options.database ??
    (isEmbedded() ? undefined : await databaseFor(data, held.has(data) ? DEMO_DATABASE : undefined));
  const reports = mkdtempSync(join(tmpdir(), 'fern-anvil-reports-'));
  const child = spawn(
    process.execPath,
    [
      // Asked by a signal, it writes down what its threads are doing.
      ...['--report-on-signal', '--report-signal=SIGUSR2', `--report-directory=${reports}`],
      'dist/node/server.js',
      '--data',
      data,
      ...(database === undefined ? [] : ['--database', database, '--connections', '4']),
      '--port',
      String(options.port ?? 0),
      // Under a name others reach it, which asks for accounts and TLS; still on this machine alone.
      ...(options.name === undefined ? [] : ['--host', '127.0.0.1', '--name', options.name]),
      ...(options.demo ? ['--demo'] : []),
    ],
    { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  let said = '';
  watchServer({ process: child, log: () => said, reports });
  const gone = new Promise<void>((resolve) =>
    child.once('exit', () => {
      rmSync(reports, { recursive: true, force: true });
      resolve();
    }),
  );
  const url = await new Promise<string>((resolve, reject) => {
    const hear = (chunk: Buffer) => {
      said += String(chunk);
      const match = /^Fern Anvil is at (https?:\/\/[\w.-]+:\d+)\//m.exec(said);
      // Where accounts are asked for, the word of the first comes last.
      if (match?.[1] && (options.name === undefined || /\/join#\S+\n/.test(said))) resolve(match[1]);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) =>
      reject(new Error(`The server ended with ${code} before it was ready:\n${said}`)),
    );
  });
  return {
    url,
    said: () => said,
    port: Number(new URL(url).port),
    process: child,
    end: async (signal = 'SIGTERM') => {
      child.kill(signal);
      await gone;
    },
  };
}
