import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { Rig } from '../assembly/rig.ts';
import { headMass, metalPart } from '../assembly/rig.ts';
import type { Design } from '../document/design.ts';
import type { Cut } from '../document/mould.ts';
import { bareHead, isPlain } from '../head/body.ts';
import { imported } from '../head/families/imported.ts';
import { importedSolid, packSolid } from '../head/imported.ts';
import type { MeshQuality } from '../head/loft.ts';
import { loft } from '../head/loft.ts';
import { bodySolid, meshOf, solidOf } from '../head/solid.ts';
import { findRoot } from '../numeric/root.ts';
import { cutterSolid } from './cutter.ts';

/** Fine enough for weights to a few thousandths of what a cut adds, coarse enough for a document. */
const QUALITY: MeshQuality = { rings: 60, corners: 64 };

/** A cavity before and after its cuts, cooled. */
export interface Recut {
  /** metal, g, and everything on the scale */
  readonly metal: number;
  readonly total: number;
  /** metal as it was made, g */
  readonly was: number;
  /** what it throws now, as a head with a solid of its own: sizes, rest and fall are judged from that */
  readonly design: Design;
}

/**
 * Metal inside an enlarged cavity with some cuts, over that without any, as a factor. The head is the bare
 * body: a collar is cast on it as before.
 */
function cutBody(kernel: ManifoldToplevel, rig: Rig, factor: number, cuts: readonly Cut[]) {
  const bare = bareHead(rig.head);
  const plain = isPlain(bare)
    ? solidOf(kernel, loft(bare.profile, undefined, QUALITY))
    : bodySolid(kernel, bare, QUALITY);
  const enlarged = plain.scale(factor);
  plain.delete();
  const before = enlarged.volume();
  let solid = enlarged;
  for (const cut of cuts) {
    const tool = cutterSolid(kernel, cut);
    const next = solid.add(tool);
    tool.delete();
    solid.delete();
    solid = next;
  }
  return { solid, added: (solid.volume() - before) / factor ** 3 };
}

/**
 * What a cavity throws after cuts, before any metal is cut: `rig` is the head it was laid out for, as built
 * from `design`, `factor` how much larger the cavity is. Volume that a cut adds where the hook's wire or the
 * collar already are is not counted twice to within the wire's share of it. Throws with a sentence where the
 * cuts leave a solid that is no head.
 */
export function recut(
  kernel: ManifoldToplevel,
  rig: Rig,
  design: Design,
  factor: number,
  cuts: readonly Cut[],
): Recut {
  const was = metalPart(rig).mass;
  const { solid, added } = cutBody(kernel, rig, factor, cuts);
  try {
    const metal = was + (rig.density * added) / 1000;
    if (cuts.length === 0) return { metal: was, total: headMass(rig), was, design };
    const cooled = solid.scale(1 / factor);
    const found = kept(design.name, cooled);
    cooled.delete();
    if (!found)
      throw new Error(
        'After these cuts the cavity is no single closed solid about the shank. Undo the last ' +
          'cut, or bring it nearer to the head.',
      );
    const { packed, read } = found;
    const { paint, metal: key, density, pieces } = design.head;
    return {
      metal,
      total: headMass(rig) + metal - was,
      was,
      design: {
        ...design,
        head: {
          family: imported.key,
          dimensions: { length: read.length, breadth: read.breadth, height: read.height },
          metal: key,
          solid: packed,
          ...(density === undefined ? {} : { density }),
          ...(paint === undefined ? {} : { paint }),
          ...(pieces === undefined ? {} : { pieces }),
        },
      },
    };
  } finally {
    solid.delete();
  }
}

/**
 * How far a surface may be moved to thin it out, mm, the least first: where cuts meet slivers are left, and a
 * drawn cutter leaves many facets.
 */
const THINNED = [0, 0.0005, 0.002, 0.01];

/**
 * Share of a solid's volume up to which pieces that come off it are crumbs of where surfaces meet, and left
 * away.
 */
const CRUMBS = 1e-4;

/**
 * A solid as a document keeps it, thinned out no more than it must be for that and without its crumbs;
 * undefined where it is no head at all.
 */
function kept(name: string, solid: Manifold) {
  const pieces = solid.decompose().sort((a, b) => b.volume() - a.volume());
  try {
    const [whole, ...crumbs] = pieces;
    if (!whole || crumbs.reduce((sum, one) => sum + one.volume(), 0) > CRUMBS * whole.volume())
      return undefined;
    for (const by of THINNED) {
      const thin = by === 0 ? whole : whole.simplify(by);
      // What a cutter takes behind the rear face is metal behind the head: the frame of a solid begins at its
      // rear.
      const packed = packSolid(name, meshOf(thin));
      if (by > 0) thin.delete();
      const read = importedSolid(packed);
      if (read) return { packed, read };
    }
    return undefined;
  } finally {
    for (const piece of pieces) piece.delete();
  }
}

/** A way to bring a cavity to a weight: one plunge of one cutter. */
export interface CutOffer {
  readonly cut: Cut;
  /** g of metal it comes to */
  readonly metal: number;
  /** g more for each tenth of a millimetre it goes too deep */
  readonly perTenth: number;
}

/** Deepest plunge looked for, as a multiple of the cutter's diameter, and how closely, mm. */
const DEEPEST = 3;
const CLOSE = 0.005;

/**
 * Which depth of each of some cutters brings a cavity to a weight of metal, with what is too deep costs:
 * plunges at the place and half of the given cut. Cutters that cannot reach it are left out. `deepest` is how
 * far the block allows, mm.
 */
export function cutsFor(
  kernel: ManifoldToplevel,
  rig: Rig,
  factor: number,
  before: readonly Cut[],
  wanted: number,
  cutters: readonly Cut[],
  deepest: number,
): CutOffer[] {
  const was = metalPart(rig).mass;
  const { solid: base, added: already } = cutBody(kernel, rig, factor, before);
  const start = base.volume();
  const weigh = (cut: Cut) => {
    const tool = cutterSolid(kernel, cut);
    const next = base.add(tool);
    const added = (next.volume() - start) / factor ** 3;
    tool.delete();
    next.delete();
    return was + (rig.density * (already + added)) / 1000;
  };
  try {
    return cutters.flatMap((cutter): CutOffer[] => {
      const most = Math.min(deepest, DEEPEST * cutter.diameter);
      const at = (depth: number): Cut => ({ ...cutter, depth });
      const off = (depth: number) => weigh(at(depth)) - wanted;
      // Where the cutter does not yet come out of the cavity the weight stands still: the root is looked for
      // from its least depth.
      const root = findRoot(off, CLOSE, most, CLOSE);
      if (!root.ok) return [];
      const depth = Math.round(root.x / CLOSE) * CLOSE;
      const metal = weigh(at(depth));
      return [{ cut: at(depth), metal, perTenth: weigh(at(depth + 0.1)) - metal }];
    });
  } finally {
    base.delete();
  }
}
