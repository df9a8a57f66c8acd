import { AsyncLocalStorage } from 'node:async_hooks';
import type { Person } from '../../contract/people.ts';

/** Who a request comes from. */
export interface Requester {
  /** the address it came from, as far as can be known */
  readonly address: string;
  /** undefined where nobody is signed in, or accounts are not asked for */
  readonly person?: Person | undefined;
}

const current = new AsyncLocalStorage<Requester>();

/** Does something on behalf of whoever asks: what it saves and writes down says so. */
export const onBehalfOf = <T>(requester: Requester, act: () => T): T => current.run(requester, act);

/** On whose behalf something is done; nobody's where the server does it of itself. */
export const requester = (): Requester | undefined => current.getStore();
