import { extent } from '../head/extent.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { plasticSection, plasticVolume, tailStart } from '../plastic/body.ts';
import type { Plastic } from '../plastic/schema.ts';
import type { LaidPlastic, MethodKind, Mount } from './method.ts';

/** Places along a laid body at which it is drawn and asked. */
const STATIONS = 72;
/** How far behind the seat head and body are measured against each other, mm. */
const BEHIND_SEAT = 6;
/** Length of nose a head without a cast collar is taken to need, mm. */
const PLAIN_SEAT = 3;

/** Lays a plastic on a head by a method. `cut` mm are taken off the nose first. */
export function layOnHead(mount: Mount, plastic: Plastic, method: MethodKind, cut = 0): LaidPlastic {
  const { hook, collar, measures, family } = mount;
  const seat = seatOf(mount);
  const length = plastic.length - cut;
  const section = (fromNose: number) => plasticSection(plastic, fromNose + cut);
  const tipFromNose = Math.max(0, seat - hook.tip[0]);
  const { rise, exit, freeGap, filling, bend } = method.lay({ hook, seat, tipFromNose, section });

  // What head and body are measured against each other at: just behind the seat, or amid the metal that lies in the bait.
  const isWithin = family.within === true;
  const amid = isWithin && !hook.hinge ? seat - mount.profile.length / 2 : BEHIND_SEAT;
  const behind = section(Math.min(amid, length * (isWithin ? 0.5 : 0.1)));
  const nose = section(Math.min(-(collar?.from ?? -PLAIN_SEAT), length * 0.1) / 2);
  const sizes = extent(mount.head);
  const crest = collar
    ? Math.max(collar.radius(-1e-6), ...collar.breaks.map((x) => collar.radius(x - 1e-6)))
    : 0;
  return {
    seatAt: seat,
    cut,
    exit,
    exitShare: exit / length,
    freeGap,
    fill: (2 * filling) / measures.gap,
    tailRoom: tailStart(plastic) - cut - exit,
    shoulderHeight: sizes.height / (2 * behind.halfHeight),
    shoulderBreadth: sizes.breadth / (2 * behind.halfBreadth),
    crest,
    seat: crest / Math.min(nose.halfHeight, nose.halfBreadth),
    bend,
    body: Array.from({ length: STATIONS + 1 }, (_, i) => {
      const fromNose = (length * i) / STATIONS;
      return { at: [seat - fromNose, rise(fromNose)] as Vec2, ...section(fromNose) };
    }),
    volume: plasticVolume(plastic) * (length / plastic.length),
    length,
  };
}

/** x at which the plastic's nose sits: at the rear face; with the metal inside the bait at the eye; with a free hook at the hook's own eye. */
export function seatOf({ family, hook }: Pick<Mount, 'family' | 'hook'>): number {
  if (hook.hinge) return hook.hinge.hookEye.centre[0] - hook.hinge.hookEye.radius;
  return family.within ? hook.knee[0] : 0;
}
