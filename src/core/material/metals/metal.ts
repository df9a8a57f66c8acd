import type { Kind } from '../../kind/registry.ts';

/** What it takes to melt a metal. */
export interface Melting {
  /** all of it is liquid from here, °C */
  readonly liquid: number;
  /** it begins to soften here, °C */
  readonly solid: number;
  /** kJ/kg */
  readonly fusion: number;
  /** kJ/(kg K), solid and liquid */
  readonly heat: readonly [solid: number, liquid: number];
  /** poured at, °C: from cool to hot (common practice, no source) */
  readonly pour: readonly [low: number, high: number];
  /** lengths shrink by this share as it cools (common practice, no source) */
  readonly shrink: number;
}

/** A metal a head is made of. */
export interface Metal extends Kind {
  /** g/cm³ */
  readonly density: number;
  /** Typical range, g/cm³. */
  readonly densityRange: readonly [number, number];
  /** Poured into a mould, or pressed and sintered. */
  readonly making: 'poured' | 'sintered';
  /**
   * of one that is poured: elements after the CRC Handbook of Chemistry and Physics (melting points,
   * enthalpies of fusion and molar heat capacities from memory); alloys by their shares of the elements,
   * liquidus after usual data sheets (from memory)
   */
  readonly melting?: Melting;
  readonly source: string;
  readonly caution: string;
  /** whether lead is in it, with what that brings */
  readonly isLead?: boolean;
  /**
   * what a kilogram costs a small shop, in the shop's money; a starting value to be replaced (common
   * practice, no source)
   */
  readonly price: number;
}

/** What is said wherever lead is handled. */
export const LEAD_CAUTION =
  'Lead and its dust are poisonous, and lead tackle is banned or limited in many waters. ' +
  'Local rules decide, and they change.';
