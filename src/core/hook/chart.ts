import { hookLabel, hookRank } from '../quantity/hook-size.ts';
import { styleShape } from './styles/index.ts';

/** Wire grades, fine to strong. */
export const GRADES = ['1X fine', 'standard', '1X strong', '2X strong', '3X strong'] as const;
/** How stout a hook’s wire is. */
export type Grade = (typeof GRADES)[number];

/** Measures of a hook, mm. */
export interface HookMeasures {
  /** clear gap between shank and point */
  readonly gap: number;
  /** straight shank, from the eye bend to the start of the round bend */
  readonly shank: number;
  /** wire diameter */
  readonly wire: number;
}

/** A size of the generic chart: mm. */
export interface ChartRow extends HookMeasures {
  readonly size: string;
}

/**
 * Generic jig hook chart: sizes as a workshop would measure them, from memory; makers differ by half a size
 * and more, so a measured hook always wins over the chart.
 */
export const HOOK_CHART: readonly ChartRow[] = [
  { size: '#8', gap: 4.8, shank: 12, wire: 0.55 },
  { size: '#6', gap: 5.8, shank: 14, wire: 0.62 },
  { size: '#4', gap: 6.8, shank: 17, wire: 0.7 },
  { size: '#2', gap: 8.3, shank: 20, wire: 0.8 },
  { size: '#1', gap: 9.2, shank: 22, wire: 0.85 },
  { size: '1/0', gap: 10.3, shank: 25, wire: 0.92 },
  { size: '2/0', gap: 11.6, shank: 28, wire: 1.0 },
  { size: '3/0', gap: 13.0, shank: 31, wire: 1.08 },
  { size: '4/0', gap: 14.5, shank: 35, wire: 1.17 },
  { size: '5/0', gap: 16.2, shank: 39, wire: 1.27 },
  { size: '6/0', gap: 18.0, shank: 43, wire: 1.37 },
  { size: '8/0', gap: 21.0, shank: 51, wire: 1.57 },
];

/**
 * How many chart rows the wire of a grade is taken away: "1X fine" is one size finer, "2X strong" two sizes
 * heavier.
 */
const GRADE_SHIFT: Readonly<Record<Grade, number>> = {
  '1X fine': -1,
  standard: 0,
  '1X strong': 1,
  '2X strong': 2,
  '3X strong': 3,
};

/**
 * Wire of one size over that of the next smaller: the mean ratio between neighbours, used beyond either end
 * of the chart.
 */
export const WIRE_STEP = (1.57 / 0.55) ** (1 / 11);

/** Row number in the chart of a size as typed (`5/0`, `#2`, `2`), or −1. */
export function chartIndex(size: string): number {
  const rank = hookRank(size);
  return rank === undefined ? -1 : HOOK_CHART.findIndex((row) => row.size === hookLabel(rank));
}

/** A hook as chosen: what of a document the chart asks for. */
interface Chosen {
  readonly size: string;
  readonly grade: Grade;
  readonly style?: string | undefined;
  readonly measured?: HookMeasures | undefined;
}

/**
 * Gap of the size a hook is sold by, mm, whatever its style makes of it; of a measured one its own; undefined
 * where the chart lacks the size.
 */
export const soldGap = ({ size, measured }: Pick<Chosen, 'size' | 'measured'>): number | undefined =>
  measured?.gap ?? HOOK_CHART[chartIndex(size)]?.gap;

/**
 * Measures of a hook from the chart, its grade and its style, or as measured; undefined when the chart lacks
 * the size.
 */
export function hookMeasures(spec: Chosen): HookMeasures | undefined {
  if (spec.measured) return spec.measured;
  const index = chartIndex(spec.size);
  const row = HOOK_CHART[index];
  if (!row) return undefined;
  const wanted = index + GRADE_SHIFT[spec.grade];
  const within = Math.min(HOOK_CHART.length - 1, Math.max(0, wanted));
  const wire = (HOOK_CHART[within]?.wire ?? row.wire) * WIRE_STEP ** (wanted - within);
  const shape = styleShape(spec.style);
  return { gap: row.gap * shape.gap, shank: row.shank * shape.shank, wire };
}
