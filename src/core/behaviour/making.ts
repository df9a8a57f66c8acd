import { numberAt } from '../numeric/at.ts';
import type { Shape } from '../head/features/shape.ts';
import { marked } from '../quantity/phrase.ts';
import type { Rig } from '../assembly/rig.ts';
import { halve } from '../numeric/halve.ts';
import type { Flag } from './behaviour.ts';
import { behaviour } from './behaviour.ts';
import { isPlain, isWithin, profileExtent } from '../head/body.ts';
import type { HeadBody } from '../head/body.ts';
import { sectionRadius } from '../head/profile.ts';

/** Wall that a pressed and sintered head needs around its bore or slot, mm (common practice, no source). */
export const SINTERED_WALL = 0.6;
/** Wall of poured metal that fills and holds, mm (common practice, no source). */
const POURED_WALL = 0.5;
/** Smallest detail a hand-poured mould fills, and a pressed part shows, mm (common practice, no source). */
const DETAIL = { poured: 0.5, sintered: 0.3 } as const;

/** Directions about the shank in which a wall is measured. */
const AROUND = 16;
/** Places along the head at which it is measured, from rear to nose; the ends round off and are left out. */
const ALONG = [0.25, 0.35, 0.45, 0.55, 0.65, 0.75];

/**
 * Least metal around the hook's wire where it lies on the shank's line, mm: rays from the wire outward to
 * where the metal ends. Rays that start in a slot are left out, since a slot is meant to be open.
 */
export function wireWall({ head, hook, profile }: Pick<Rig, 'head' | 'hook' | 'profile'>): number {
  const r = hook.wire / 2;
  let least = Infinity;
  for (const share of ALONG) {
    const x = share * profile.length;
    // The knee itself counts, whichever way its place was rounded.
    if (x > hook.knee[0] + 1e-9 * profile.length) continue;
    const section = profile.section(x);
    const { b, t, d } = section;
    const far = 2 * Math.max(b, t, d);
    for (let k = 0; k < AROUND; k++) {
      const turn = (2 * Math.PI * k) / AROUND;
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      if (isPlain(head)) {
        least = Math.min(least, sectionRadius(section, c, s) - r);
        continue;
      }
      const holds = (reach: number) => head.holds(x, c * reach, s * reach);
      if (!holds(r * 1.02)) {
        if (!inSlot(head, x, c * r * 1.02, s * r * 1.02)) least = 0;
        continue;
      }
      let [low, high] = [r * 1.02, r * 1.02];
      // Out in steps first: a hollow may lie between the wire and the far side.
      while (high < far && holds(high)) {
        low = high;
        high += far / 14;
      }
      const [last] = halve(low, high, 9, holds);
      least = Math.min(least, last - r);
    }
  }
  return Number.isFinite(least) ? least : 0;
}

function inSlot({ shapes }: HeadBody, x: number, y: number, z: number): boolean {
  return shapes.some((shape) => {
    if (!shape.staysOpen) return false;
    const span = shape.span(x, y);
    return span !== undefined && z >= span[0] && z <= span[1];
  });
}

/** Places looked at for an undercut: along, through and across the head. */
const LOOK = { along: 16, through: 14, across: 10 };

/** A place where a mould half would not come off. */
export interface Undercut {
  /** what cuts there; the body itself where undefined */
  readonly shape: Shape | undefined;
  /** share of the looked-at places that are caught */
  readonly share: number;
}

/**
 * Undercuts against a mould in two halves that part on the plane of the shank and hook and draw off to left
 * and right: along each line square to that plane the metal must run from the plane outward without a gap.
 * What makes the gap is named by the shape that cuts there.
 */
export function undercuts({ head, profile }: Pick<Rig, 'head' | 'profile'>): Undercut[] {
  // A plain loft only falls away from that plane.
  if (isPlain(head)) return [];
  const { half, rise, drop } = profileExtent(profile);
  const joined = head.shapes.filter(({ sign }) => sign > 0);
  const reach = Math.max(
    half,
    ...joined.map((shape) =>
      Number.isFinite(shape.from) ? Math.max(0, ...shape.breaks.flatMap((x) => shape.edges(x))) : 0,
    ),
  );
  const from = Math.min(0, ...joined.map((shape) => shape.from));
  const ys = Array.from({ length: LOOK.across }, (_, j) => (reach * (j + 0.25)) / LOOK.across);
  const caught = new Map<Shape | undefined, number>();
  let looked = 0;
  for (let i = 0; i < LOOK.along; i++) {
    const x = from + ((profile.length - from) * (i + 0.5)) / LOOK.along;
    const columns = ys.map((y) => head.spans(x, y));
    for (let k = 0; k < LOOK.through; k++) {
      const z = -drop + ((rise + drop) * (k + 0.5)) / LOOK.through;
      const gap = columns.findIndex((column) => !isWithin(column, z));
      const isCaught = gap >= 0 && columns.some((column, j) => j > gap && isWithin(column, z));
      looked++;
      if (!isCaught) continue;
      const y = numberAt(ys, gap);
      const by = head.shapes.find((shape) => {
        const span = shape.span(x, y);
        return shape.sign < 0 && span !== undefined && z >= span[0] && z <= span[1];
      });
      caught.set(by, (caught.get(by) ?? 0) + 1);
    }
  }
  return [...caught].map(([shape, count]) => ({ shape, share: count / looked }));
}

/** What making the head in its metal asks for: wall, undercuts, smallest detail, cast parts. */
function makingFlags(rig: Rig, wall: number): Flag[] {
  const { metal } = rig;
  const flags: Flag[] = metal.making === 'sintered' ? sinteredFlags(rig, wall) : pouredFlags(rig, wall);
  const least = DETAIL[metal.making];
  for (const { name, isMany, size, path } of rig.details) {
    if (size >= least) continue;
    const why = metal.making === 'sintered' ? 'pressing does not show it' : 'a mould may not fill';
    flags.push({
      level: 'care',
      code: 'making.detail',
      path,
      text:
        `${name} measure${isMany ? '' : 's'} ${marked(size, 'size')}: under ${marked(least, 'size')} ` +
        `${why} (common practice). Make it larger.`,
    });
  }
  if (metal.isLead)
    flags.push({ level: 'note', code: 'metal.lead', path: '/head/metal', text: metal.caution });
  return flags;
}

function sinteredFlags({ metal, collar, castName, head, pieces }: Rig, wall: number): Flag[] {
  const flags: Flag[] = [];
  const isSlotted = head.shapes.some(({ staysOpen }) => staysOpen);
  if (collar) {
    flags.push({
      level: 'stop',
      code: 'making.cast',
      path: '/keeper',
      text:
        `${metal.name} is pressed and sintered: it cannot carry a cast ${castName}. Take a wire ` +
        'keeper, or a poured metal.',
      brief: `no cast ${castName} in a sintered metal`,
    });
  }
  if (wall < SINTERED_WALL) {
    flags.push({
      level: 'stop',
      code: 'making.wall',
      path: '/hook/size',
      text:
        `Only ${marked(wall, 'size')} of metal stands around the ${isSlotted ? 'slot' : 'bore'}; ` +
        `${metal.name.toLowerCase()} wants ${marked(SINTERED_WALL, 'size')}. Take finer wire or a ` +
        'larger head.',
      brief: `wall of ${marked(wall, 'size')} is too thin`,
    });
  }
  flags.push({
    level: 'note',
    code: 'making.pressed',
    path: '/head/metal',
    text: isSlotted
      ? 'Pressed with a slot: the hook is laid in and glued, and the glue must fill the slot.'
      : 'Pressed with a bore for the shank: the eye’s bend must pass through it, or be bent ' +
        'after. A hook slot makes that easier.',
  });
  if (pieces === 2) {
    flags.push({
      level: 'care',
      code: 'making.glued',
      path: '/head/pieces',
      text: 'Two glued pieces: check the joint of every head by hand before it is packed (common practice).',
    });
  }
  return flags;
}

function pouredFlags(rig: Rig, wall: number): Flag[] {
  const flags: Flag[] = [];
  if (wall < POURED_WALL) {
    flags.push({
      level: 'care',
      code: 'making.wall',
      path: '/hook/size',
      text:
        `Only ${marked(wall, 'size')} of metal stands around the wire; below ` +
        `${marked(POURED_WALL, 'size')} a pour may not close over it (common practice). Take ` +
        'finer wire or a larger head.',
    });
  }
  for (const { shape } of undercuts(rig)) {
    const remedy = shape?.undercut ?? 'Change the shape so that its sides only fall away from that plane.';
    flags.push({
      level: 'care',
      code: 'making.undercut',
      path: shape?.path ?? '/head',
      text: `Undercut: a mould that parts on the plane of the hook will not come off here. ${remedy}`,
    });
  }
  return flags;
}

/** What making asks of the head: metal around the wire, and what mould or press can do. */
export const making = behaviour({
  key: 'making',
  needs: 'at once',
  readings: {
    'hook.wall': {
      name: 'Wall around the wire',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Hook',
      formula: 'min (surface − wire)',
      note:
        'Least metal beside the shank over the middle half of the head’s length, all round; a ' +
        'slot is left out. Sintered metals want {0.6 mm} (common practice, no source).',
    },
  },
  read(rig) {
    return { 'hook.wall': wireWall(rig) };
  },
  flags(rig, value) {
    return makingFlags(rig, value('hook.wall'));
  },
});
