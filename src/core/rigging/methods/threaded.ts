import { methodKind } from '../method.ts';

/** The body's axis follows the shank to the bend, and the hook comes out where its bend rises through the back; the point is bare. */
export const threaded = methodKind({
  key: 'threaded',
  name: 'threaded',
  does: 'Threaded on the shank, the point bare.',
  point: 'bare',
  exitName: 'Hook comes out at',
  gapName: 'Free gap over the plastic',
  freeGap: { good: 0.5, tight: 0.35 },
  lay({ hook, seat, tipFromNose, section }) {
    const out = hook.centre.find(([x, , z]) => x < hook.bendStart[0] && z > section(seat - x).halfHeight);
    const exit = out ? seat - out[0] : NaN;
    // The highest of the back anywhere under the point leg is what the fish must squeeze past.
    const to = out ? Math.max(exit, tipFromNose) : tipFromNose;
    let back = 0;
    for (let i = 0; i <= 8; i++)
      back = Math.max(back, section(tipFromNose + ((to - tipFromNose) * i) / 8).halfHeight);
    return {
      rise: () => 0,
      exit,
      freeGap: hook.pointHeight - hook.wire / 2 - back,
      filling: back,
      bend: 0,
    };
  },
});
