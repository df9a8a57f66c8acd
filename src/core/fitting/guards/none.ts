import type { GuardKind } from './guard.ts';

/** No guard: the point is bare. */
export const none: GuardKind<'none'> = {
  kind: 'none',
  name: 'none',
  initial: { kind: 'none' },
  build: () => undefined,
};
