import { keeperKind } from './keeper.ts';

/** No keeper: the plastic is held by the hook alone. */
export const none = keeperKind({
  key: 'none',
  name: 'none',
  alsoCalled: ['no', 'no keeper', 'without', 'plain'],
  swings: true,
  fields: {},
  build: () => ({ cast: undefined, wires: [], anchor: undefined, insertion: 0, diameter: 0, holdArea: 0 }),
  check() {
    return [];
  },
});
