import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

export interface RunningServer {
  readonly url: string;
  readonly port: number;
  readonly process: ChildProcess;
  /** ends the process with a signal and waits until it is gone */
  readonly end: (signal?: NodeJS.Signals) => Promise<void>;
}

/** A new folder for one test's data. */
export function dataFolder(): { readonly path: string; readonly remove: () => void } {
  const path = mkdtempSync(join(tmpdir(), 'fern-anvil-'));
  return { path, remove: () => rmSync(path, { recursive: true, force: true }) };
}

/** Starts the real server process on a free port (or the one given) and waits for its address. */
export async function startServer(
  data: string,
  options: { port?: number; demo?: boolean } = {},
): Promise<RunningServer> {
  const child = spawn(
    process.execPath,
    [
      'dist/node/server.js',
      '--data',
      data,
      '--port',
      String(options.port ?? 0),
      ...(options.demo ? ['--demo'] : []),
    ],
    { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const url = await new Promise<string>((resolve, reject) => {
    let said = '';
    const hear = (chunk: Buffer) => {
      said += String(chunk);
      const match = /(http:\/\/127\.0\.0\.1:\d+)\//.exec(said);
      if (match?.[1]) resolve(match[1]);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) =>
      reject(new Error(`The server ended with ${code} before it was ready:\n${said}`)),
    );
  });
  return {
    url,
    port: Number(new URL(url).port),
    process: child,
    end: async (signal = 'SIGTERM') => {
      child.kill(signal);
      await gone;
    },
  };
}
