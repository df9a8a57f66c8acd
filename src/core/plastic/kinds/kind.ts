import type { Kind } from '../../kind/registry.ts';

/** Share of length from the nose, then half-height and half-breadth as shares of the greatest. */
export type PlasticStation = readonly [at: number, height: number, breadth: number];

/** Spans of a value in stored units: within `good` it is good, within `tight` tight, beyond bad. */
export interface Limits {
  readonly good: readonly [number, number];
  readonly tight: readonly [number, number];
}

/** What a section of a body looks like: which of its sides are flat. */
export const SECTIONS = ['round', 'flat-backed', 'flat-bellied'] as const;
/** The form of a plastic’s section. */
export type SectionShape = (typeof SECTIONS)[number];

/** How a body is made: full, cut open along the belly, closed around a room, or open behind. */
export const MAKES = ['solid', 'slit', 'hollow', 'tube'] as const;
/** How a plastic is made. */
export type Make = (typeof MAKES)[number];

/** What a make of body has: a wall around a room, room for a head to lie in, an end that is open behind. */
export const MADE: Readonly<
  Record<Make, { readonly wall?: true; readonly room?: true; readonly open?: true }>
> = {
  solid: {},
  slit: { room: true },
  hollow: { room: true, wall: true },
  tube: { room: true, wall: true, open: true },
};

/** How its tail or its limbs move. */
export const ACTIONS = ['kick', 'curl', 'flap', 'quiver', 'glide', 'spiral'] as const;
/** What a plastic does in the water. */
export type Action = (typeof ACTIONS)[number];

/**
 * Something that stands out of a body, on both sides where it is a pair. Shares of length, greatest breadth
 * and greatest height.
 */
export interface Limb {
  readonly name: string;
  /** share of the length at which it leaves the body */
  readonly at: number;
  /** share of the length it is long */
  readonly length: number;
  /** a face shows its breadth to one side; a stick is round */
  readonly of: 'face' | 'stick';
  /** whether a face stands upright, as a curled tail does, or lies level, as a claw does */
  readonly stands: 'upright' | 'level';
  /** share of the body’s height (upright) or breadth (level) that it is broad where it is broadest */
  readonly breadth: number;
  /** share of the body’s height that it is thick */
  readonly thick: number;
  /** off the body’s axis, degrees: to the side for a pair, else upward */
  readonly off: number;
  readonly isPair: boolean;
  /** whether its end curls over, as a grub’s does */
  readonly curls?: boolean;
}

/** A usual size for the reference store. */
export interface UsualSizes {
  /** inches, as packets name them */
  readonly inches: readonly number[];
  /** greatest breadth and height over the length */
  readonly breadth: number;
  readonly height: number;
  /** g/cm³ */
  readonly density: number;
  readonly toughness: 'soft' | 'standard' | 'stretchy';
}

/** Weights that go with a kind of plastic whatever else would be usual (common practice, no source). */
export interface UsualWeights {
  /** ways of fishing it is said of; absent: any on the bottom */
  readonly retrieves?: readonly string[];
  /**
   * depth, m, rising, with the least and the most weight of the head that is usual there, g; between them it
   * glides
   */
  readonly steps: readonly (readonly [depth: number, least: number, most: number])[];
  /** what they are usual for, in words */
  readonly says: string;
}

/**
 * A kind of soft plastic: a loft of sections with what stands out of it, and where a bare hook should come
 * out. One file each.
 */
export interface PlasticKind<K extends string = string> extends Kind {
  readonly key: K;
  readonly does: string;
  readonly stations: readonly PlasticStation[];
  readonly section: SectionShape;
  readonly make: Make;
  /** thickness of a hollow body’s wall, as a share of its greatest height; 0 of a solid one */
  readonly wall: number;
  /** share of the length where the moving tail or the claws begin */
  readonly tail: number;
  readonly limbs: readonly Limb[];
  readonly action: Action;
  /**
   * how freely it moves in cold and in warm water, 0 dead to 1 (index by feel of the trade, common practice,
   * no source)
   */
  readonly moves: { readonly cold: number; readonly warm: number };
  /** where a bare hook should come out, as a share of the body */
  readonly exit: Limits;
  readonly usual: UsualSizes;
  readonly weights?: readonly UsualWeights[];
  /** ways of fishing it is made for, where it is of little use in others, and what is to be said then */
  readonly madeFor?: { readonly retrieves: readonly string[]; readonly says: string };
  /** true where a document draws its own stations */
  readonly isOwn?: boolean;
}

/** What most kinds are: round, solid, without limbs. */
const PLAIN = { section: 'round', make: 'solid', wall: 0, limbs: [] } as const;

/** Returns a kind of plastic, with the plain case for whatever it does not say. */
export const plasticKind = <const K extends string>(
  kind: Omit<PlasticKind<K>, keyof typeof PLAIN> & Partial<Pick<PlasticKind<K>, keyof typeof PLAIN>>,
): PlasticKind<K> => ({ ...PLAIN, ...kind });
