import { marked } from '../quantity/phrase.ts';
import type { Assembly } from '../build/assemble.ts';
import type { Design } from '../document/design.ts';
import type { Flag } from '../judge/evaluate.ts';
import { featuresOf, isPlain, profileExtent } from '../head/body.ts';
import type { HeadBody } from '../head/body.ts';
import { sectionRadius } from '../head/profile.ts';
import type { FeatureKey } from '../head/features/shape.ts';

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
 * Least metal around the hook's wire where it lies on the shank's line, mm: rays from the wire outward to where the metal ends. Rays that
 * start in a slot are left out, since a slot is meant to be open.
 */
export function wireWall({ head, hook, profile }: Pick<Assembly, 'head' | 'hook' | 'profile'>): number {
  const r = hook.wire / 2;
  let least = Infinity;
  for (const share of ALONG) {
    const x = share * profile.length;
    if (x > hook.knee[0]) continue;
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
      for (let halving = 0; halving < 9; halving++) {
        const mid = (low + high) / 2;
        if (holds(mid)) low = mid;
        else high = mid;
      }
      least = Math.min(least, low - r);
    }
  }
  return Number.isFinite(least) ? least : 0;
}

function inSlot({ shapes }: HeadBody, x: number, y: number, z: number): boolean {
  return shapes.some((shape) => {
    if (shape.feature !== 'slot') return false;
    const span = shape.span(x, y);
    return span !== undefined && z >= span[0] && z <= span[1];
  });
}

/** Places looked at for an undercut: along, through and across the head. */
const LOOK = { along: 16, through: 14, across: 10 };

/** A place where a mould half would not come off. */
export interface Undercut {
  readonly feature: FeatureKey | 'body';
  /** share of the looked-at places that are caught */
  readonly share: number;
}

/**
 * Undercuts against a mould in two halves that part on the plane of the shank and hook and draw off to left and right: along each line square to
 * that plane the metal must run from the plane outward without a gap. What makes the gap is named by the shape that cuts there.
 */
export function undercuts({ head, profile }: Pick<Assembly, 'head' | 'profile'>): Undercut[] {
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
  const caught = new Map<FeatureKey | 'body', number>();
  let looked = 0;
  for (let i = 0; i < LOOK.along; i++) {
    const x = from + ((profile.length - from) * (i + 0.5)) / LOOK.along;
    for (let k = 0; k < LOOK.through; k++) {
      const z = -drop + ((rise + drop) * (k + 0.5)) / LOOK.through;
      let gapAt: number | undefined;
      let isCaught = false;
      for (let j = 0; j < LOOK.across && !isCaught; j++) {
        const y = (reach * (j + 0.25)) / LOOK.across;
        const inside = head.holds(x, y, z);
        if (!inside) gapAt ??= y;
        else if (gapAt !== undefined) isCaught = true;
      }
      looked++;
      if (!isCaught || gapAt === undefined) continue;
      const y = gapAt;
      const by = head.shapes.find((shape) => {
        if (shape.sign > 0 || x < shape.from || x > shape.to) return false;
        const span = shape.span(x, y);
        return span !== undefined && z >= span[0] && z <= span[1];
      });
      const feature = by?.feature ?? 'body';
      caught.set(feature, (caught.get(feature) ?? 0) + 1);
    }
  }
  return [...caught].map(([feature, count]) => ({ feature, share: count / looked }));
}

/** Smallest details of a design, named, mm. */
function details(design: Design, assembly: Assembly): { name: string; size: number; path: string }[] {
  const features = featuresOf(assembly.family, assembly.dimensions, design.head);
  const { half } = profileExtent(assembly.profile);
  const out: { name: string; size: number; path: string }[] = [];
  if (features.fins)
    out.push({ name: 'The fins', size: features.fins.thickness, path: '/head/features/fins' });
  if (features.channel)
    out.push({
      name: 'The channel',
      size: 2 * half * features.channel.width,
      path: '/head/features/channel',
    });
  if (features.slot) out.push({ name: 'The slot', size: features.slot.width, path: '/head/features/slot' });
  if (design.keeper.kind === 'collar' && design.keeper.barbs > 0 && design.keeper.barb > 0)
    out.push({ name: 'The collar’s barbs', size: design.keeper.barb, path: '/keeper/barb' });
  return out;
}

/** What making the head in its metal asks for: wall, undercuts, smallest detail, cast parts. */
export function makingFlags(design: Design, assembly: Assembly, wall: number): Flag[] {
  const flags: Flag[] = [];
  const add = (level: Flag['level'], path: string, text: string) => flags.push({ level, path, text });
  const { metal, collar } = assembly;
  const sintered = metal.making === 'sintered';
  const slotted = assembly.head.shapes.some(({ feature }) => feature === 'slot');
  if (sintered) {
    if (collar) {
      const what = design.keeper.kind === 'barrel' ? 'barrel' : 'collar';
      add('stop', '/keeper', `${metal.name} is pressed and sintered: it cannot carry a cast ${what}. Take a wire keeper, or a poured metal.`); // prettier-ignore
    }
    if (wall < SINTERED_WALL) {
      add('stop', '/hook/size', `Only ${marked(wall, 'size')} of metal stands around the ${slotted ? 'slot' : 'bore'}; ${metal.name.toLowerCase()} wants ${marked(SINTERED_WALL, 'size')}. Take finer wire or a larger head.`); // prettier-ignore
    }
    add('note', '/head/metal', slotted
      ? 'Pressed with a slot: the hook is laid in and glued, and the glue must fill the slot.'
      : 'Pressed with a bore for the shank: the eye’s bend must pass through it, or be bent after. A hook slot makes that easier.'); // prettier-ignore
    if (design.head.pieces === 2) {
      add('care', '/head/pieces', 'Two glued pieces: check the joint of every head by hand before it is packed (common practice).'); // prettier-ignore
    }
  } else {
    if (wall < POURED_WALL) {
      add('care', '/hook/size', `Only ${marked(wall, 'size')} of metal stands around the wire; below ${marked(POURED_WALL, 'size')} a pour may not close over it (common practice). Take finer wire or a larger head.`); // prettier-ignore
    }
    for (const { feature } of undercuts(assembly)) {
      const shape = assembly.head.shapes.find((candidate) => candidate.feature === feature);
      add('care', feature === 'body' || feature === 'collar' ? '/head' : feature === 'recess' ? '/eye/recess' : `/head/features/${feature}`, // prettier-ignore
        `Undercut: a mould that parts on the plane of the hook will not come off here. ${shape?.undercut ?? 'Change the shape so that its sides only fall away from that plane.'}`); // prettier-ignore
    }
  }
  const least = DETAIL[metal.making];
  for (const { name, size, path } of details(design, assembly)) {
    if (size < least) {
      add('care', path, `${name} measure${name.endsWith('s') ? '' : 's'} ${marked(size, 'size')}: under ${marked(least, 'size')} ${sintered ? 'pressing does not show it' : 'a mould may not fill'} (common practice). Make it larger.`); // prettier-ignore
    }
  }
  return flags;
}
