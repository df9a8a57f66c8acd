import type { QuantityKind } from '../quantity/units.ts';
import type { Profile } from './profile.ts';

/** One named dimension of a family. Sizes are in mm and scale with the head; shares and exponents do not. */
export interface DimensionSpec {
  readonly key: string;
  readonly name: string;
  readonly kind: Extract<QuantityKind, 'size' | 'share' | 'number'>;
  readonly min: number;
  readonly max: number;
  readonly initial: number;
  /** True for lengths, which grow and shrink when the head is scaled. */
  readonly scales: boolean;
  readonly note: string;
}

export type Dimensions = Readonly<Record<string, number>>;

/** A family of head shapes: a few named dimensions and the rule that makes stations of them. */
export interface Family {
  readonly key: string;
  readonly name: string;
  /** One line: what it is for. */
  readonly purpose: string;
  /** One line: what it is bad at. */
  readonly badAt: string;
  readonly dimensions: readonly DimensionSpec[];
  /** Stations for dimensions that are all present and within range. */
  readonly profile: (dimensions: Dimensions) => Profile;
}

/** Value of a dimension, or the family's initial value when the document does not name it. */
export function dimension(family: Family, dimensions: Dimensions, key: string): number {
  const given = dimensions[key];
  if (given !== undefined) return given;
  return family.dimensions.find((spec) => spec.key === key)?.initial ?? 0;
}

/** All of a family's dimensions, with initial values where the document is silent and nothing the family lacks. */
export function completeDimensions(family: Family, dimensions: Dimensions): Record<string, number> {
  return Object.fromEntries(family.dimensions.map(({ key }) => [key, dimension(family, dimensions, key)]));
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

export const size = (
  key: string,
  name: string,
  [min, initial, max]: readonly [number, number, number],
  note: string,
): DimensionSpec => ({ key, name, kind: 'size', min, max, initial, scales: true, note });

/** A dimension that is a plain number or a share of another and keeps its value when the head is scaled. */
export const proportion = (
  key: string,
  name: string,
  kind: 'share' | 'number',
  [min, initial, max]: readonly [number, number, number],
  note: string,
): DimensionSpec => ({ key, name, kind, min, max, initial, scales: false, note });
