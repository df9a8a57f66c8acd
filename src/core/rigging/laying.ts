import { itemAt } from '../numeric/at.ts';
import { marked } from '../quantity/phrase.ts';
import type { HookPath } from '../hook/path.ts';
import { halve } from '../numeric/halve.ts';
import { degrees } from '../numeric/vec.ts';
import { COVERED_AT, FREE_GAP, START, STRAIGHT } from './limits.ts';
import type { Laying, LaidMeasures, MethodGround, Mount, Remedy } from './method.ts';

/**
 * How far from the nose the hook's wire, behind where its bend begins, first rises above a height that goes
 * along the body, mm: on the straight piece of its centre line that crosses it. NaN where it never does.
 */
function crossing(hook: HookPath, seat: number, height: (fromNose: number) => number): number {
  const isOver = (x: number, z: number) => z > height(seat - x);
  const { centre, bendStart } = hook;
  const i = centre.findIndex(([x, , z]) => x < bendStart[0] && isOver(x, z));
  if (i < 0) return NaN;
  const [to, from] = [itemAt(centre, i), centre[i - 1] ?? itemAt(centre, i)];
  const at = (share: number) =>
    [to[0] + share * (from[0] - to[0]), to[2] + share * (from[2] - to[2])] as const;
  // Where the bend begins above that height already, it is there.
  if (isOver(from[0], from[2])) return seat - to[0];
  const [share] = halve(0, 1, 30, (part) => isOver(...at(part)));
  return seat - at(share)[0];
}

/**
 * How a body lies whose axis is given and whose point stands clear: the hook comes out where its bend rises
 * through the back.
 */
export function layBare(
  { hook, seat, tipFromNose, section }: MethodGround,
  rise: (fromNose: number) => number,
  bend: number,
): Laying {
  const exit = crossing(hook, seat, (at) => rise(at) + section(at).halfHeight);
  // The highest of the back anywhere under the point leg is what the fish must squeeze past.
  const to = Number.isNaN(exit) ? tipFromNose : Math.max(exit, tipFromNose);
  let back = 0;
  let filling = 0;
  for (let i = 0; i <= 8; i++) {
    const at = tipFromNose + ((to - tipFromNose) * i) / 8;
    const { halfHeight } = section(at);
    back = Math.max(back, rise(at) + halfHeight);
    filling = Math.max(filling, halfHeight);
  }
  const freeGap = hook.pointHeight - hook.wire / 2 - back;
  return { rise, exit, freeGap, filling, bend, cover: -freeGap, start: 0, entry: NaN };
}

/**
 * How a body lies whose back is brought to the point: up from the seat in an S-curve, level behind the point.
 * `cover` mm lie over the point.
 */
export function layOver({ hook, seat, tipFromNose, section }: MethodGround, cover: number): Laying {
  const tip = Math.max(tipFromNose, 1);
  const level = hook.pointHeight + cover + hook.wire / 2 - section(tip).halfHeight;
  const rise = (fromNose: number) => {
    const u = Math.min(1, Math.max(0, fromNose / tip));
    return level * u * u * (3 - 2 * u);
  };
  const filling = section(tipFromNose).halfHeight;
  const lift = rise(tipFromNose) - filling - hook.wire / 2;
  // Below the belly until the bend turns up through it.
  const entry = crossing(hook, seat, (at) => rise(at) - section(at).halfHeight);
  return {
    rise,
    exit: tipFromNose > 0 && filling > 0 ? tipFromNose : NaN,
    // Pressed down on the shank, so much room is left under the point.
    freeGap: lift - cover - hook.wire,
    filling,
    // The nose gives way to a body that lies on the shank: what lifts it off bends it.
    bend: degrees(Math.atan2(lift, Math.max(tipFromNose, 1e-9))),
    cover,
    start: START.usual,
    entry,
  };
}

const mm = (value: number): string => marked(value, 'size');

/** How a covered point is judged and what its checks are called, whatever covers it. */
export const COVERED = {
  exitName: 'Point lies at',
  gapName: 'Room for the body to drop',
  exit: COVERED_AT,
  freeGap: FREE_GAP.covered,
  straight: STRAIGHT,
} as const;

/** First steps of any rigging: what is cut off, and how much nose is needed. */
export const cutStep = ({ cut }: LaidMeasures): string[] =>
  cut > 0 ? [`Cut ${mm(cut)} off the nose, square.`] : [];

/** Whether a keeper holds a nose; none at all does not. */
const keeps = ({ keeper }: Mount): boolean => keeper !== undefined && keeper.insertion > 0;

/** How a nose is seated on what holds it. */
export function seatStep({ standOff }: LaidMeasures, mount: Mount): string {
  const { keeping, keeper, hook } = mount;
  const { name, isTurnedOn } = keeping;
  if (isTurnedOn)
    return `Turn the nose on to the ${name} until it is all in; it stands ${mm(standOff)} off the head.`;
  const stop = hook.hinge ? 'the eye of the hook' : 'the head';
  if (!keeper || !keeps(mount))
    return `Push the nose up against ${stop}. Nothing holds it there: a drop of glue made for baits does.`;
  return `Push the nose over the ${name}, ${mm(keeper.insertion)} deep, until it meets ${stop}.`;
}

/** The steps of a threaded body. */
export const threadSteps = (laid: LaidMeasures, mount: Mount): string[] => [
  ...cutStep(laid),
  'Lay the bait along the hook, head to eye, and mark where the bend comes: light side down, seam level.',
  Number.isNaN(laid.exit)
    ? 'The hook does not come out of this body.'
    : `Point in at the middle of the nose; thread it on and bring it out of the back at ${mm(laid.exit)}.`,
  seatStep(laid, mount),
  'Sight along it: a body that is not straight spins.',
];

/** The steps of a body with its point covered; `last` says how the point is hidden. */
export const weedlessSteps = (laid: LaidMeasures, mount: Mount, last: string): string[] => [
  ...cutStep(laid),
  `Point into the nose ${mm(laid.start)}, and out below.`,
  keeps(mount)
    ? `Slide the nose up the shank and past the keeper, and turn the hook round so that the point looks at the belly.`
    : `Slide the nose up the shank to the head, and turn the hook round so that the point looks at the belly.`,
  Number.isNaN(laid.entry)
    ? `Lay the body against the bend and push the hook in at the belly under the point, ${mm(laid.exit)} from the nose.`
    : `In again at the belly, ${mm(laid.entry)} from the nose; out of the back at ${mm(laid.exit)}.`,
  last,
  'Sight along it: pulled short it bends and spins, pushed together it bunches.',
];

/** A change of method, as a button says it. */
export const toMethod = (value: string, says: string): Remedy => ({ of: 'method', path: '', value, says });
/** A change of a field of the design. */
export const toDesign = (path: string, value: unknown, says: string): Remedy => ({
  of: 'design',
  path,
  value,
  says,
});
