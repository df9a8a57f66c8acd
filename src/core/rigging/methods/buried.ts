import { degrees } from '../../numeric/vec.ts';
import { methodKind } from '../method.ts';

/** Skin left over a buried point, mm (common practice, no source). */
const SKIN = 0.8;

/** Weedless: the hook takes a little nose, leaves by the belly, and the body is laid so that its back just covers the point. */
export const buried = methodKind({
  key: 'buried',
  name: 'weedless, point buried',
  does: 'The nose on the shank, the point buried in the back.',
  point: 'buried',
  exitName: 'Point lies at',
  gapName: 'Room for the body to drop',
  // The point lies further forward than a bare hook comes out, since it points back to the head (working limits).
  exit: { good: [0.12, 0.5], tight: [0.07, 0.6] },
  freeGap: { good: 0.3, tight: 0.15 },
  straight: { good: [-8, 25], tight: [-16, 38] },
  lay({ hook, seat, tipFromNose, section }) {
    // Up from the seat in an S-curve, level behind the point.
    const tip = Math.max(seat - hook.tip[0], 1);
    const level = hook.pointHeight + SKIN + hook.wire / 2 - section(tip).halfHeight;
    const rise = (fromNose: number) => {
      const u = Math.min(1, Math.max(0, fromNose / tip));
      return level * u * u * (3 - 2 * u);
    };
    const filling = section(tipFromNose).halfHeight;
    return {
      rise,
      exit: tipFromNose > 0 && filling > 0 ? tipFromNose : NaN,
      freeGap: rise(tipFromNose) - filling - hook.wire / 2,
      filling,
      bend: degrees(Math.atan2(rise(tipFromNose), Math.max(tipFromNose, 1e-9))),
    };
  },
});
