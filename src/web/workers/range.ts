import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { RangeService } from './range.worker.ts';

let remote: Remote<RangeService> | undefined;
let worker: Worker | undefined;

/** The worker that plans ranges. */
export function rangeWorker(): Remote<RangeService> {
  if (!remote) {
    worker = new Worker(new URL('./range.worker.ts', import.meta.url), { type: 'module' });
    remote = wrap<RangeService>(worker);
  }
  return remote;
}

/** Stops whatever it is doing: the next question gets a new one. */
export function stopRangeWorker(): void {
  worker?.terminate();
  [worker, remote] = [undefined, undefined];
}
