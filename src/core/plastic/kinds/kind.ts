import type { Kind } from '../../kind/registry.ts';

/** Share of length from the nose, then half-height and half-breadth as shares of the greatest. */
export type PlasticStation = readonly [at: number, height: number, breadth: number];

/** Spans of a value in stored units: within `good` it is good, within `tight` tight, beyond bad. */
export interface Limits {
  readonly good: readonly [number, number];
  readonly tight: readonly [number, number];
}

/** A kind of soft plastic: a loft of elliptic sections, and where a bare hook should come out of it. One file each. */
export interface PlasticKind<K extends string = string> extends Kind {
  readonly key: K;
  readonly does: string;
  readonly stations: readonly PlasticStation[];
  /** share of the length where the moving tail or the claws begin */
  readonly tail: number;
  /** where a bare hook should come out, as a share of the body */
  readonly exit: Limits;
}

export const plasticKind = <const K extends string>(kind: PlasticKind<K>): PlasticKind<K> => kind;
