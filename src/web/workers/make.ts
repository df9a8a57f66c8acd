import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { MakeService } from './make.worker.ts';

const begun = () => new Worker(new URL('./make.worker.ts', import.meta.url), { type: 'module' });

let remote: Remote<MakeService> | undefined;

/**
 * The worker that lays out moulds, takes heads in and calibrates: apart from those that follow the hand on
 * the Bench.
 */
export function makeWorker(): Remote<MakeService> {
  remote ??= wrap<MakeService>(begun());
  return remote;
}

let halves: { readonly worker: Worker; readonly remote: Remote<MakeService> } | undefined;

/**
 * One of its kind for the halves of a mould alone: they take so long that a person may stop them, and nothing
 * else is lost by it.
 */
export function halvesWorker(): Remote<MakeService> {
  if (!halves) {
    const worker = begun();
    halves = { worker, remote: wrap<MakeService>(worker) };
  }
  return halves.remote;
}

/** Stops the halves that are being worked out: the next ones get a new worker. */
export function stopHalves(): void {
  halves?.worker.terminate();
  halves = undefined;
}
