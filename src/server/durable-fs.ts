import { chmodSync, closeSync, fsyncSync, openSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/**
 * How the database is started so that an answer to a commit means that its bytes are on the device: the
 * package's own parameters without the one that turns synchronisation off, and the log synchronised by
 * `fsync`, the one such call that the runtime's file layer hands on (its `fdatasync` returns without doing
 * anything).
 */
export const DURABLE_START: string[] = [
  ...PGlite.defaultStartParams.filter((parameter) => parameter !== '-F'),
  ...['fsync=on', 'synchronous_commit=on', 'full_page_writes=on', 'wal_sync_method=fsync'].flatMap(
    (setting) => ['-c', setting],
  ),
];

/** An open file or folder of the runtime, as far as it is needed here. */
interface RuntimeStream {
  /** descriptor of this process; folders have none */
  readonly nfd?: number;
  readonly node: unknown;
}

/** The runtime's layer over this machine's files. */
interface RuntimeFiles {
  readonly stream_ops: { fsync?: (stream: RuntimeStream) => number };
  realPath(node: unknown): string;
}

type Started = Awaited<ReturnType<NodeFS['init']>>;
type PreRun = NonNullable<Started['emscriptenOpts']['preRun']>[number];

/** Whether a started runtime carries the file layer, which its types do not tell of. */
const hasFiles = (module: object): module is { readonly NODEFS: RuntimeFiles } => 'NODEFS' in module;

/** Synchronises a file or folder by its path. */
export function syncPath(path: string): void {
  const descriptor = openSync(path, 'r');
  try {
    fsyncSync(descriptor);
  } finally {
    closeSync(descriptor);
  }
}

/**
 * The database's files on this machine, with synchronisation: the runtime asks its file layer for it and that
 * has none, so that every fsync of the database was dropped. Files are synchronised by their descriptor,
 * folders (after a rename or a new file) by their path.
 */
export class DurableFS extends NodeFS {
  override async init(...given: Parameters<NodeFS['init']>): Promise<Started> {
    const { emscriptenOpts } = await super.init(...given);
    const synchronise: PreRun = (module) => {
      if (!hasFiles(module))
        throw new Error('The database runs without its file layer: no save could be made sure of.');
      const files: RuntimeFiles = module.NODEFS;
      files.stream_ops.fsync = ({ nfd, node }) => {
        if (nfd === undefined) syncPath(files.realPath(node));
        else fsyncSync(nfd);
        return 0;
      };
    };
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [...(emscriptenOpts.preRun ?? []), synchronise] } };
  }
}

/**
 * Synchronises a folder with everything in it, deepest first, and keeps it from other users: after a first
 * start, whose files are made without either.
 */
export function settleTree(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) settleTree(path);
    else if (entry.isFile()) {
      chmodSync(path, 0o600);
      syncPath(path);
    }
  }
  chmodSync(folder, 0o700);
  syncPath(folder);
}
