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

/**
 * Melting of the poured metals: elements after the CRC Handbook of Chemistry and Physics (melting points, enthalpies of fusion and molar heat
 * capacities from memory); alloys by their shares of the elements, liquidus after usual data sheets (from memory). A sintered metal is not
 * poured.
 */
const MELTING: Readonly<Record<string, Melting>> = {
  lead: { liquid: 327.5, solid: 327.5, fusion: 23.1, heat: [0.129, 0.148], pour: [360, 430], shrink: 0.01 },
  'lead-antimony': {
    liquid: 300,
    solid: 252,
    fusion: 29,
    heat: [0.132, 0.15],
    pour: [340, 410],
    shrink: 0.007,
  },
  'bismuth-tin': { liquid: 139, solid: 138, fusion: 56, heat: [0.167, 0.193], pour: [165, 220], shrink: 0 },
  bismuth: {
    liquid: 271.4,
    solid: 271.4,
    fusion: 53.3,
    heat: [0.122, 0.152],
    pour: [300, 350],
    shrink: -0.005,
  },
  tin: { liquid: 231.9, solid: 231.9, fusion: 60.2, heat: [0.227, 0.25], pour: [260, 320], shrink: 0.007 },
  zinc: { liquid: 419.5, solid: 419.5, fusion: 108, heat: [0.388, 0.48], pour: [440, 500], shrink: 0.012 },
};

/** Melting of a metal by its key; undefined for one that is not poured. */
export const meltingOf = (metal: string): Melting | undefined =>
  Object.hasOwn(MELTING, metal) ? MELTING[metal] : undefined;

/** Heat to bring a metal from one temperature to another through its melting, kJ for each kg; °C. Between solidus and liquidus the fusion is shared out evenly. */
export function heatTo({ liquid, solid, fusion, heat }: Melting, from: number, to: number): number {
  const upTo = (t: number) => {
    const melted = t >= liquid ? 1 : t <= solid ? 0 : (t - solid) / (liquid - solid);
    return heat[0] * Math.min(t, solid) + fusion * melted + heat[1] * Math.max(0, t - solid);
  };
  return upTo(to) - upTo(from);
}
