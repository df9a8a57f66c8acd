import type { Melting } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';

/** Melting of a metal by its key; undefined for one that is not poured. */
export const meltingOf = (metal: string): Melting | undefined =>
  METALS.find(({ key }) => key === metal)?.melting;

/**
 * Heat to bring a metal from one temperature to another through its melting, kJ for each kg; °C. Between
 * solidus and liquidus the fusion is shared out evenly.
 */
export function heatTo({ liquid, solid, fusion, heat }: Melting, from: number, to: number): number {
  const upTo = (t: number) => {
    const melted = t >= liquid ? 1 : t <= solid ? 0 : (t - solid) / (liquid - solid);
    return heat[0] * Math.min(t, solid) + fusion * melted + heat[1] * Math.max(0, t - solid);
  };
  return upTo(to) - upTo(from);
}
