import type { Metal } from '../material/metals/metal.ts';
import { marked } from '../quantity/phrase.ts';

/** A head that has air in it under this share of its body is called solid. */
const SOLID = 0.03;

/** How a metal agrees with what was measured. */
export interface MetalAgrees {
  readonly metal: Metal;
  readonly verdict: 'agrees' | 'nearly' | 'does not';
  /**
   * factor on the sizes that were not measured, at which all agrees; undefined where none does, or every size
   * was measured
   */
  readonly factor: number | undefined;
}

/** What was found of a head, as the sentences on it need it. */
interface Found {
  /** what the metal said may be, and is usually, g/cm³ */
  readonly span: readonly [number, number];
  readonly nominal: number;
  readonly density: number;
  readonly densities: readonly [number, number];
  readonly volume: number;
  readonly grams: number;
  readonly other: number;
  readonly isAll: boolean;
  readonly isNothing: boolean;
}

/**
 * What is said of a density that agrees with no metal as it is said to be: one that is sold at it too, which
 * it lies between, or that all are denser or lighter.
 */
function besideAll(all: readonly MetalAgrees[], density: number): string {
  const d = (value: number) => marked(value, 'density');
  const sold = all.find(
    ({ metal: { densityRange } }) => densityRange[0] <= density && density <= densityRange[1],
  )?.metal;
  if (sold)
    return (
      ` ${sold.name} is sold at ${d(sold.densityRange[0])} to ${d(sold.densityRange[1])}: of ` +
      'another density than the packet names it would agree.'
    );
  const lighter = all
    .map(({ metal }) => metal)
    .filter(({ densityRange }) => densityRange[1] < density)
    .reduce<Metal | undefined>((a, b) => (a && a.densityRange[1] >= b.densityRange[1] ? a : b), undefined);
  const denser = all
    .map(({ metal }) => metal)
    .filter(({ densityRange }) => densityRange[0] > density)
    .reduce<Metal | undefined>((a, b) => (a && a.densityRange[0] <= b.densityRange[0] ? a : b), undefined);
  if (lighter && denser)
    return (
      ` It lies between ${lighter.name.toLowerCase()}, at most ${d(lighter.densityRange[1])}, ` +
      `and ${denser.name.toLowerCase()}, at least ${d(denser.densityRange[0])}: no metal of the ` +
      'stores, so an alloy, a core of another metal, or a size misread.'
    );
  if (lighter) return ' No metal of the stores is so dense.';
  return denser ? ' No metal of the stores is so light.' : '';
}

/**
 * Returns what is said of a head that was measured: what its sizes and weight mean, whether that is the metal
 * it is said to be, and what else it may be. Quantities are marked.
 */
export function findingsInWords(
  said: MetalAgrees | undefined,
  all: readonly MetalAgrees[],
  { span, nominal, density, densities, volume, grams, other, isAll, isNothing }: Found,
): string[] {
  const out: string[] = [];
  const d = (value: number) => marked(value, 'density');
  const name = said?.metal.name.toLowerCase() ?? 'metal it is said to be';
  if (isNothing)
    return [
      `Nothing measured yet: as ${name} its weight alone makes it this large. Measure a size or ` +
        'two, and it is seen whether that adds up.',
    ];
  out.push(
    `${isAll ? 'At these sizes' : 'At these sizes and the shape’s usual proportions'} ` +
      `${marked(grams, 'mass')} means ${d(density)} (${d(densities[0])} to ${d(densities[1])}).`,
  );
  if (said?.verdict === 'agrees') {
    out.push(
      said.factor === undefined || Math.abs(Math.log(said.factor)) < 0.01
        ? `That is ${name}: it adds up.`
        : `That may be ${name}: it adds up where the sizes not measured are ${percent(said.factor)} ` +
            'of the usual proportions.',
    );
    if (nominal < densities[0] || nominal > densities[1])
      out.push(
        `It is sold as ${name} at ${d(span[0])} to ${d(span[1])}, but this is not the ` +
          `${d(nominal)} it is usually taken for: a head of that density and weight would be ` +
          'another size.',
      );
  } else if (said) {
    const [low, high] = span;
    const fits = all
      .filter(({ verdict }) => verdict === 'agrees')
      .map(({ metal }) => metal.name.toLowerCase());
    const rest = fits.length > 0 ? ` It would agree with ${fits.join(' or ')}.` : besideAll(all, density);
    if (density < low) {
      const air = volume - ((grams - other) / low) * 1000;
      out.push(
        air > SOLID * volume
          ? `That is not ${name}, which is ${d(low)} or more: another metal, or a hollow of ` +
              `${marked(air, 'volume')} in it.${rest}`
          : `That is a little light for ${name}: measure once more.${rest}`,
      );
    } else
      out.push(
        `That is denser than ${name}, which is ${d(high)} at most: a heavier metal, a size read ` +
          `too small, or a hook lighter than the chart’s.${rest}`,
      );
  }
  if (!isAll) out.push('Measure the sizes that were found to make this surer.');
  return out;
}

const percent = (factor: number): string => `${Math.round(100 * factor)}%`;
