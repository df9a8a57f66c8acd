import { guardKind } from './guard.ts';

/** No guard: the point is bare. */
export const none = guardKind({
  key: 'none',
  name: 'none',
  isBare: true,
  fields: {},
  build: () => undefined,
});
