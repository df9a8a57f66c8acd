import { AsyncLocalStorage } from 'node:async_hooks';
import type { Person } from '../../contract/people.ts';

/** Who a request comes from. */
export interface Asker {
  /** the address it came from, as far as can be known */
  readonly address: string;
  /** undefined where nobody is signed in, or accounts are not asked for */
  readonly person?: Person | undefined;
}

const asking = new AsyncLocalStorage<Asker>();

/** Does something on behalf of whoever asks: what it saves and writes down says so. */
export const onBehalfOf = <T>(asker: Asker, act: () => T): T => asking.run(asker, act);

/** On whose behalf something is done; nobody's where the server does it of itself. */
export const asker = (): Asker | undefined => asking.getStore();
