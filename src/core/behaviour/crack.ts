import { itemAt } from '../numeric/at.ts';
import type { Rig } from '../assembly/rig.ts';
import { bareHead } from '../head/body.ts';
import { halve } from '../numeric/halve.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { degrees } from '../numeric/vec.ts';
import { viewsOf } from './views.ts';

/** Share of its length a nose must go into a crack to be held there (working value, no source). */
const ENTERED = 0.25;

/** Width of a head at a place along it, the lesser of breadth and height, mm. */
function widthsOf({ profile, head }: Rig): (x: number) => number {
  if (bareHead(head).shapes.length === 0)
    return (x) => {
      const { b, t, d } = profile.section(x);
      return Math.min(2 * b, t + d);
    };
  const { side, top } = viewsOf(head);
  // Each runs along one side to the nose and back along the other over the same places.
  const widths = top.slice(0, top.length / 2).map(([x, y], i): Vec2 => {
    const [[, up], [, down]] = [itemAt(side, i), itemAt(side, side.length - 1 - i)];
    return [x, Math.min(2 * y, up - down)];
  });
  return (x) => {
    const next = widths.findIndex(([at]) => at >= x);
    const [to, high] = widths[next] ?? [x, 0];
    const [from, low] = widths[next - 1] ?? [to, high];
    return low + ((high - low) * (x - from)) / (to - from || 1);
  };
}

/** Width the nose needs at a distance behind its tip, never less than nearer the tip, mm. */
const noseWidth = (length: number, widthAt: (x: number) => number) => (back: number) => {
  let widest = 0;
  const pieces = 24;
  for (let i = 0; i <= pieces; i++) widest = Math.max(widest, widthAt(length - (back * i) / pieces - 1e-6));
  return widest;
};

/**
 * The narrowest crack a nose enters, mm, and the angle its sides close at there, degrees; or where they close
 * to a crack of a given width, if it is wider than that; `share`: of how deep it must go to be held, were
 * that off. A crack that takes all of the head closes at 180°: it does not hold it.
 */
export function crackOf(rig: Rig, crack = 0, share = 1): { readonly width: number; readonly angle: number } {
  const { length } = rig.profile;
  const width = noseWidth(length, widthsOf(rig));
  let back = share * ENTERED * length;
  const narrowest = width(back);
  if (crack >= width(length)) return { width: narrowest, angle: 180 };
  if (crack > narrowest) {
    const [low, high] = halve(back, length, 20, (at) => width(at) < crack);
    back = (low + high) / 2;
  }
  const step = 0.02 * length;
  const [before, after] = [width(back - step), width(back + step)];
  return {
    width: narrowest,
    angle: 2 * degrees(Math.atan((after - before) / 2 / (2 * step))),
  };
}
