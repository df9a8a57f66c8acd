import { numberAt } from '../numeric/at.ts';
import { halve } from '../numeric/halve.ts';
import type { Family } from './family.ts';
import type { Spans } from './columns.ts';
import { applyShapes, sectionSpans } from './columns.ts';
import type { FeatureSpec } from './features/index.ts';
import { featureShapes } from './features/index.ts';
import { collarShape } from './features/collar.ts';
import type { Shape } from './features/shape.ts';
import { meshColumns } from './imported.ts';
import type { Mesh } from './mesh.ts';
import type { Profile, Section } from './profile.ts';
import { EMPTY_SECTION, sectionHolds } from './profile.ts';
import type { HeadSpec } from './schema.ts';
import type { Revolve } from './revolve.ts';

/**
 * The metal's shape before wire and holes are taken out: a loft (or a solid from outside) with shapes joined
 * and cut.
 */
export interface HeadBody {
  readonly profile: Profile;
  /** in working order */
  readonly shapes: readonly Shape[];
  readonly collar: Revolve | undefined;
  /** of a solid from outside, at its present size */
  readonly mesh: Mesh | undefined;
  readonly spans: (x: number, y: number) => Spans;
  readonly holds: (x: number, y: number, z: number) => boolean;
}

/** Greatest half-breadth, rise and drop over a profile's length, mm. */
export function profileExtent(profile: Profile): {
  half: number;
  rise: number;
  drop: number;
  height: number;
} {
  let [half, rise, drop, height] = [0, 0, 0, 0];
  const look = (x: number) => {
    const { b, t, d } = profile.section(x);
    half = Math.max(half, b);
    rise = Math.max(rise, t);
    drop = Math.max(drop, d);
    height = Math.max(height, t + d);
  };
  for (const x of profile.breaks) look(x);
  // Even, so that the middle, where round bodies are fullest, is one of the places.
  for (let i = 1; i < 64; i++) look((profile.length * i) / 64);
  return { half, rise, drop, height };
}

/** Features of a head: the family's own, with those of the document in their place. */
export function featuresOf(
  family: Family,
  dimensions: Readonly<Record<string, number>>,
  head: Pick<HeadSpec, 'features'>,
): FeatureSpec {
  return { ...family.features?.(dimensions), ...head.features };
}

const meshes = new WeakMap<Mesh, (x: number, y: number) => number[]>();
/**
 * Builds the body of a head. `wire` is the hook's; `after` are shapes worked last, such as the pocket of a
 * recessed eye.
 */
export function headBody(
  family: Family,
  head: HeadSpec,
  dimensions: Readonly<Record<string, number>>,
  {
    collar,
    wire,
    after = [],
  }: { readonly collar?: Revolve | undefined; readonly wire: number; readonly after?: readonly Shape[] },
): HeadBody {
  const profile = family.profile(dimensions, head);
  const mesh = family.mesh?.(dimensions, head);
  const ground = { profile, wire, ...profileExtent(profile) };
  const made = featureShapes(featuresOf(family, dimensions, head), ground);
  // What must stay open is cut last: a slot and the eye's pocket also go through fins and collar.
  const shapes = [
    ...made.filter(({ staysOpen }) => !staysOpen),
    ...(collar ? [collarShape(collar)] : []),
    ...made.filter(({ staysOpen }) => staysOpen),
    ...after,
  ];
  return bodyOf({ profile, shapes, collar, mesh });
}

/** A body with what is asked of it: its columns, and whether a point lies in it. */
function bodyOf(made: Pick<HeadBody, 'profile' | 'shapes' | 'collar' | 'mesh'>): HeadBody {
  const { profile, shapes, mesh } = made;
  const columns = mesh && columnsOf(mesh);
  // Place after place is asked for at one x: its section is kept.
  let [at, kept] = [NaN, EMPTY_SECTION];
  const sectionAt = (x: number): Section => {
    if (x !== at) [at, kept] = [x, profile.section(x)];
    return kept;
  };
  return {
    ...made,
    spans: (x, y) => {
      const out: Spans = [];
      if (columns) out.push(...columns(x, y));
      else sectionSpans(sectionAt(x), y, out);
      applyShapes(shapes, x, y, out);
      return out;
    },
    holds: (x, y, z) => {
      let inside = columns ? isWithin(columns(x, y), z) : x >= 0 && sectionHolds(sectionAt(x), y, z);
      for (const shape of shapes) {
        const span = shape.span(x, y);
        if (span && z >= span[0] && z <= span[1]) inside = shape.sign > 0;
      }
      return inside;
    },
  };
}

/** Columns of an imported solid, made once. */
export function columnsOf(mesh: Mesh) {
  let columns = meshes.get(mesh);
  if (!columns) {
    columns = meshColumns(mesh);
    meshes.set(mesh, columns);
  }
  return columns;
}

/** Whether a column [lower, upper, lower, upper, …] holds z. */
export const isWithin = (spans: readonly number[], z: number): boolean => {
  for (let i = 0; i < spans.length; i += 2)
    if (z >= numberAt(spans, i) && z <= numberAt(spans, i + 1)) return true;
  return false;
};

/** Whether a body is a plain loft, perhaps with a collar: then closed forms over its sections serve. */
export const isPlain = ({ shapes, mesh }: HeadBody): boolean =>
  !mesh && shapes.every(({ isCollar }) => isCollar);

/** Half-widths looked at between the middle and the widest there can be. */
const ACROSS = 16;

/** Share of a body's reach beside which it is asked for, to be told whether something is there. */
const HAIR = 1e-9;

/** No farther out than this is there anything of a drawn body at x, mm. */
export function mostAside({ profile, shapes }: Pick<HeadBody, 'profile' | 'shapes'>, x: number): number {
  const joined = shapes.filter(({ sign, from, to }) => sign > 0 && x >= from && x <= to);
  return Math.max(profile.section(x).b, ...joined.map(({ edges }) => edges(x).at(-1) ?? 0));
}

/**
 * How far out a body reaches to the side at x, mm, looked for up to `widest`; 0 where there is none of it.
 */
export function reachAt(
  { spans, profile, shapes, mesh }: Pick<HeadBody, 'spans' | 'profile' | 'shapes' | 'mesh'>,
  x: number,
  widest: number,
): number {
  if (!mesh) {
    // Mostly nothing is cut off its side.
    const most = mostAside({ profile, shapes }, x);
    if (most <= widest && spans(x, most * (1 - HAIR)).length > 0) return most;
  }
  let last = -1;
  for (let j = ACROSS; j >= 0 && last < 0; j--) if (spans(x, (widest * j) / ACROSS).length > 0) last = j;
  if (last < 0) return 0;
  const next = Math.min(widest, (widest * (last + 1)) / ACROSS);
  const [reach] = halve((widest * last) / ACROSS, next, 16, (y) => spans(x, y).length > 0);
  return reach;
}

/** The widest a body can be: its stations, or what is joined to them. */
export const widestOf = ({ profile, shapes }: Pick<HeadBody, 'profile' | 'shapes'>): number =>
  Math.max(
    profileExtent(profile).half,
    ...shapes
      .filter(({ sign, isCollar }) => sign > 0 && !isCollar)
      .flatMap(({ edges, breaks }) => breaks.flatMap((x) => edges(x + 1e-6))),
  );

const bareHeads = new WeakMap<HeadBody, HeadBody>();

/** A body without its collar: what drag sees as a body, the collar being a stick to it. */
export function bareHead(head: HeadBody): HeadBody {
  if (!head.collar) return head;
  let bare = bareHeads.get(head);
  if (!bare) {
    const { profile, mesh } = head;
    const shapes = head.shapes.filter(({ isCollar }) => !isCollar);
    bare = bodyOf({ profile, mesh, collar: undefined, shapes });
    bareHeads.set(head, bare);
  }
  return bare;
}
