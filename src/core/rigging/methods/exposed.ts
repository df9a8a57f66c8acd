import { MADE } from '../../plastic/kinds/kind.ts';
import { plasticKindOf } from '../../plastic/kinds/index.ts';
import { COVERED, layOver, weedlessSteps } from '../laying.ts';
import { methodKind } from '../method.ts';

/** The point comes out and lies bare along the back, flat against it. */
export const exposed = methodKind({
  key: 'exposed',
  name: 'point along the back',
  does: 'Right through the body, the point bare and lying along the back.',
  point: 'along',
  ...COVERED,
  suits: ({ kind }) => plasticKindOf(kind).section === 'flat-backed',
  wants: 'best with a flat back',
  // The wire lies on the back: it covers nothing.
  lay: (ground) => {
    const { halfHeight, nt } = ground.section(ground.tipFromNose);
    // On a round back the wire lies on its ridge alone; on a flat one it beds in by a hair.
    return layOver(ground, nt > 2 ? -ground.hook.wire : Math.max(-ground.hook.wire, -halfHeight));
  },
  steps: (laid, mount) =>
    weedlessSteps(
      laid,
      mount,
      'Leave the point bare, lying flat along the back, so that a finger drawn over it towards ' +
        'the tail does not catch.',
    ),
  obstacle: (_mount, plastic) =>
    MADE[plasticKindOf(plastic.kind).make].open
      ? { text: 'A tube has no back that a point could lie along.', remedies: [] }
      : undefined,
});
