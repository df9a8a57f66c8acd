import type { KeeperKind } from './keeper.ts';

/** No keeper: the plastic is held by the hook alone. */
export const none: KeeperKind<'none'> = {
  kind: 'none',
  name: 'none',
  initial: { kind: 'none' },
  build: () => ({ cast: undefined, wires: [], anchor: undefined, insertion: 0, diameter: 0, holdArea: 0 }),
};
