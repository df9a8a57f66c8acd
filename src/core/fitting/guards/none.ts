import { guardKind } from './guard.ts';

/** No guard: the point is bare. */
export const none = guardKind({
  key: 'none',
  name: 'none',
  alsoCalled: ['no', 'no guard', 'without', 'open', 'open hook'],
  isBare: true,
  fields: {},
  build: () => undefined,
});
