import { marked } from '../../quantity/phrase.ts';
import { FREE_GAP } from '../limits.ts';
import { layBare, threadSteps, toDesign } from '../laying.ts';
import { methodKind } from '../method.ts';

/** Tough, stretchy plastic pushed over a cast barrel, or over a weight on the shank. */
export const barrelled = methodKind({
  key: 'barrelled',
  name: 'over a barrel or belly weight',
  does: 'Threaded, the nose stretched over a cast barrel or a weight on the shank.',
  point: 'bare',
  exitName: 'Hook comes out at',
  gapName: 'Free gap over the plastic',
  freeGap: FREE_GAP.bare,
  suits: ({ toughness }) => toughness === 'stretchy',
  wants: 'a cast barrel or a weight on the shank, and tough plastic',
  obstacle: ({ keeping, family, hook }) =>
    (keeping.closesBehind || family.within === true) && !hook.hinge
      ? undefined
      : {
          text: 'There is no barrel and no weight on the shank for the plastic to close behind.',
          remedies: hook.hinge
            ? []
            : [
                toDesign(
                  '/keeper',
                  { kind: 'barrel', length: 9, diameter: 4, taper: 0.35 },
                  'Give it a cast barrel',
                ),
              ],
        },
  lay: (ground) => layBare(ground, () => 0, 0),
  steps: (laid, mount) => [
    'Wet hook and nose: tough plastic slides on wet, and tears dry.',
    ...threadSteps(laid, mount).map((step) =>
      step.startsWith('Push the nose ')
        ? `Work the nose over the bulge, ${marked(mount.keeper?.insertion || mount.profile.length, 'size')} ` +
          'deep, until it closes behind it.'
        : step,
    ),
  ],
});
