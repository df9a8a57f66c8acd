import type { Kind } from '../../kind/registry.ts';

/** A metal a head is made of. */
export interface Metal extends Kind {
  /** g/cm³ */
  readonly density: number;
  /** Span met with in practice, g/cm³. */
  readonly densityRange: readonly [number, number];
  /** Poured into a mould, or pressed and sintered. */
  readonly making: 'poured' | 'sintered';
  readonly source: string;
  readonly caution: string;
  /** whether lead is in it, with what that brings */
  readonly isLead?: boolean;
  /** what a kilogram costs a small shop, in the shop's money; a starting value to be replaced (common practice, no source) */
  readonly price: number;
}

export const LEAD_CAUTION =
  'Lead and its dust are poisonous, and lead tackle is banned or limited in many waters. Local rules decide, and they change.';
