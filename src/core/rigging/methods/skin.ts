import { COVER } from '../limits.ts';
import { COVERED, layOver, weedlessSteps } from '../laying.ts';
import { methodKind } from '../method.ts';

/**
 * Weedless with the point right through and only its tip back under the skin: less to pull through than a
 * buried one.
 */
export const skin = methodKind({
  key: 'skin',
  name: 'weedless, tip under the skin',
  does: 'Right through the body, the tip of the point back under the skin.',
  point: 'skin',
  ...COVERED,
  wants: '',
  lay: (ground) => layOver(ground, COVER.skin),
  steps: (laid, mount) =>
    weedlessSteps(
      laid,
      mount,
      'Bring the point right out, pinch up a little skin before it and hook only its tip back under.',
    ),
});
