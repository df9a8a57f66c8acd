import type { HeadBody } from './body.ts';
import { profileExtent, reachAt, widestOf } from './body.ts';

/** Greatest sizes of a head, mm. */
export interface Extent {
  readonly breadth: number;
  readonly height: number;
  /** above and below the shank line */
  readonly rise: number;
  readonly drop: number;
}

/** Greatest sizes of a body over its length, fins and flats included, mm; the height is from its lowest to its highest, wherever they are. */
export function extent(head: HeadBody): Extent {
  const { profile } = head;
  const { half, rise, drop } = profileExtent(profile);
  if (head.shapes.every(({ keepsExtent }) => keepsExtent))
    return { breadth: 2 * half, height: rise + drop, rise, drop };
  // What cuts leave of it: read from the columns, on the ridge and off it.
  let [top, bottom, wide] = [0, 0, 0];
  const widest = widestOf(head);
  const places = [
    ...profile.breaks,
    ...Array.from({ length: 47 }, (_, i) => (profile.length * (i + 1)) / 48),
  ];
  for (const at of places) {
    const x = Math.min(profile.length * (1 - 1e-6), Math.max(profile.length * 1e-6, at));
    let [up, down] = [0, 0];
    for (let j = 0; j < 10; j++) {
      const spans = head.spans(x, (half * j) / 10);
      up = Math.max(up, spans.at(-1) ?? 0);
      down = Math.max(down, -(spans[0] ?? 0));
    }
    top = Math.max(top, up);
    wide = Math.max(wide, reachAt(head, x, widest));
    bottom = Math.max(bottom, down);
  }
  return { breadth: 2 * wide, height: top + bottom, rise: top, drop: bottom };
}
