import type { QuantityKind } from '../quantity/units.ts';
import type { Kind } from '../kind/registry.ts';
import type { Complaint } from './features/shape.ts';
import type { FeatureSpec } from './features/index.ts';
import type { Mesh } from './mesh.ts';
import type { Profile, Section } from './profile.ts';
import type { HeadSpec, SolidSpec, Station } from './schema.ts';

/** One named dimension of a family. Sizes are in mm and scale with the head; shares and exponents do not. */
export interface DimensionSpec {
  readonly key: string;
  readonly name: string;
  readonly kind: Extract<QuantityKind, 'size' | 'share' | 'number' | 'angle'>;
  readonly min: number;
  readonly max: number;
  readonly initial: number;
  /** True for lengths, which grow and shrink when the head is scaled. */
  readonly scales: boolean;
  readonly note: string;
}

/** Sizes of a head by their keys, mm, degrees or shares. */
export type Dimensions = Readonly<Record<string, number>>;

/**
 * What a document holds of a shape besides dimensions: the stations of an own profile, or a solid from
 * outside.
 */
export interface Given {
  readonly stations?: readonly Station[] | undefined;
  readonly solid?: SolidSpec | undefined;
}

/** What a new head of a family begins with besides its shape. */
export interface FamilyStart {
  readonly grams?: number;
  readonly hook?: { readonly size?: string; readonly style?: string };
  readonly eye?: {
    readonly angle?: number;
    readonly plane?: 'in line' | 'crosswise';
    readonly setback?: number;
  };
  /** keys of a keeper and a guard */
  readonly keeper?: string;
  readonly guard?: string;
  /** what the document holds of the shape besides dimensions */
  readonly stations?: readonly Station[];
}

/** Where families stand in a menu: by the work they are for. */
export const FAMILY_GROUPS = ['bottom', 'cover', 'swimming', 'vertical', 'inside the bait', 'own'] as const;
/** A group of families in menus. */
export type FamilyGroup = (typeof FAMILY_GROUPS)[number];

/** A family of head shapes: a few named dimensions and the rule that makes stations of them. */
export interface Family extends Kind {
  readonly group: FamilyGroup;
  /** One line: what it is for. */
  readonly purpose: string;
  /** One line: what it is bad at. */
  readonly badAt: string;
  readonly dimensions: readonly DimensionSpec[];
  /** Stations for dimensions that are all present and within range. */
  readonly profile: (dimensions: Dimensions, given?: Given) => Profile;
  /** Cuts and joins that belong to the family and follow its dimensions. */
  readonly features?: (dimensions: Dimensions) => FeatureSpec;
  readonly start?: FamilyStart;
  /** True where the metal lies inside the plastic, whose nose then sits at the eye. */
  readonly within?: boolean;
  /** True for a sphere, whose drag is known better than any other's. */
  readonly isSphere?: boolean;
  /** True where the head is meant to stand out sideways over the body of the plastic. */
  readonly isBroad?: boolean;
  /** True where the shape is drawn by stations of the document, pulled on the plate. */
  readonly hasStations?: boolean;
  /** True where the shape comes whole from a file: there is nothing to begin a drawing with. */
  readonly fromFile?: boolean;
  /** Of a shape from a file: its sizes as it came, for what the document does not name. */
  readonly own?: (given: Given) => Dimensions;
  /** Of a shape from a file: its mesh at the present size, mm. */
  readonly mesh?: (dimensions: Dimensions, given: Given) => Mesh | undefined;
  /**
   * What the document must hold for this family and does not, each with the remedy; the field is a pointer
   * below the head.
   */
  readonly check?: (head: Pick<HeadSpec, 'stations' | 'solid' | 'features'>) => Complaint[];
}

/** Value of a dimension, or the family's initial value when the document does not name it. */
export function dimension(family: Family, dimensions: Dimensions, key: string): number {
  const given = dimensions[key];
  if (given !== undefined) return given;
  return family.dimensions.find((spec) => spec.key === key)?.initial ?? 0;
}

/**
 * All of a family's dimensions: where the document is silent those of the shape it holds, or initial values;
 * and nothing the family lacks. `given` is what the document holds of the shape besides.
 */
export function completeDimensions(
  family: Family,
  dimensions: Dimensions,
  given: Given = {},
): Record<string, number> {
  const named = { ...family.own?.(given), ...dimensions };
  return Object.fromEntries(family.dimensions.map(({ key }) => [key, dimension(family, named, key)]));
}

/** The share of the height that lies below the shank, common to families that are not round. */
export const BELLY: DimensionSpec = {
  key: 'belly',
  name: 'Below the shank',
  kind: 'share',
  min: 0.3,
  max: 0.7,
  initial: 0.5,
  scales: false,
  note: 'Share of the height that hangs below the shank. More of it lowers the centre and steadies the head.',
};

/** Returns a size of a family in mm: its least, first and greatest. */
export const size = (
  key: string,
  name: string,
  [min, initial, max]: readonly [number, number, number],
  note: string,
): DimensionSpec => ({ key, name, kind: 'size', min, max, initial, scales: true, note });

/**
 * A dimension that is a plain number, an angle or a share of another and keeps its value when the head is
 * scaled.
 */
export const proportion = (
  key: string,
  name: string,
  kind: 'share' | 'number' | 'angle',
  [min, initial, max]: readonly [number, number, number],
  note: string,
): DimensionSpec => ({ key, name, kind, min, max, initial, scales: false, note });

/**
 * Length, breadth and height of a head that is not round, each with its least, first and greatest value in
 * mm.
 */
export function threeSizes(
  length: readonly [number, number, number],
  breadth: readonly [number, number, number],
  height: readonly [number, number, number],
): DimensionSpec[] {
  return [
    size('length', 'Length', length, 'Along the shank, rear face to nose.'),
    size('breadth', 'Breadth', breadth, 'Across the shank at its widest.'),
    size('height', 'Height', height, 'Belly to crown at its highest.'),
  ];
}

/** Returns the share of the length at which a head is broadest. */
export const SHOULDER = (least: number, first: number, most: number): DimensionSpec =>
  proportion(
    'shoulder',
    'Shoulder',
    'share',
    [least, first, most],
    'Where the head is fullest, as a share of its length from the rear.',
  );

/** Returns how blunt a nose is, from 0 for a point. */
export const BLUNTNESS = (least: number, first: number, most: number): DimensionSpec =>
  proportion(
    'bluntness',
    'Bluntness of nose',
    'share',
    [least, first, most],
    '0 is a cone to the nose, 1 a rounded bullet nose.',
  );

/**
 * Section of a body whose breadth, rise and drop swell together. `swell` 0..1; breadth and height of the
 * whole, mm.
 */
export function swollen(
  swell: number,
  { breadth = 0, height = 0, belly = 0.5 }: Dimensions,
  nt = 2,
  nb = nt,
): Section {
  return { b: (breadth / 2) * swell, t: height * (1 - belly) * swell, d: height * belly * swell, nt, nb };
}
