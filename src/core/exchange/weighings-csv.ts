import Papa from 'papaparse';
import type { Weighing } from '../document/batch.ts';
import type { Problem } from '../document/problem.ts';
import { readTable } from './table-in.ts';

/** A row of a table of weights: a weighing, or what is wrong with it. */
export interface WeighingRow {
  readonly line: number;
  readonly weighing: Weighing | undefined;
  readonly problems: readonly Problem[];
}

const COLUMNS = { cavity: 'text', piece: 'text', weight: 'mass' } as const;

/**
 * Reads a table of weights: cavity, weight (g where no unit stands with it or in the heading) and, where
 * pieces were weighed more than once, piece; without it each row is the next piece of its cavity. `cavities`
 * there are. Throws a sentence when the heading lacks a column.
 */
export function readWeighingsCsv(text: string, cavities: number): WeighingRow[] {
  const next = new Map<number, number>();
  return readTable(text, ['cavity', 'weight'], COLUMNS).rows.map(({ line, cell, quantity }): WeighingRow => {
    const problems: Problem[] = [];
    const cavity = Number(cell('cavity'));
    if (!Number.isInteger(cavity) || cavity < 1 || cavity > cavities)
      problems.push({
        path: '/cavity',
        message: `Cavity: “${cell('cavity').slice(0, 12)}” is not one of 1 to ${cavities}.`,
      });
    const given = cell('piece');
    const piece = given === '' ? (next.get(cavity) ?? 0) + 1 : Number(given);
    if (!Number.isInteger(piece) || piece < 1 || piece > 100_000)
      problems.push({ path: '/piece', message: `Piece: “${given.slice(0, 12)}” is no whole number from 1.` });
    else next.set(cavity, Math.max(next.get(cavity) ?? 0, piece));
    const weight = quantity('weight');
    if (!weight.ok) problems.push({ path: '/weight', message: `Weight: ${weight.message}` });
    else if (!(weight.value >= 0.01 && weight.value <= 2000))
      problems.push({ path: '/weight', message: `Weight: ${weight.value} g is outside 0.01 to 2000 g.` });
    return {
      line,
      problems,
      weighing:
        problems.length > 0 || !weight.ok ? undefined : { cavity, piece, grams: weight.value, by: 'file' },
    };
  });
}

/** Weighings as such a table. */
export const writeWeighingsCsv = (weighings: readonly Weighing[]): string =>
  `${Papa.unparse([['cavity', 'piece', 'weight (g)', 'by'], ...weighings.map(({ cavity, piece, grams, by }) => [cavity, piece, grams, by])], { newline: '\r\n' })}\r\n`;
