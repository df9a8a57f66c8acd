import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { MakeService } from './make.worker.ts';

let remote: Remote<MakeService> | undefined;

/** The worker that lays out moulds, takes heads in and calibrates: apart from those that follow the hand on the Bench. */
export function makeWorker(): Remote<MakeService> {
  remote ??= wrap<MakeService>(new Worker(new URL('./make.worker.ts', import.meta.url), { type: 'module' }));
  return remote;
}
