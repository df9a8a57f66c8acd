import type { Batch, Weighing } from '../../../core/document/index.ts';

/** Which piece of a cavity comes next. */
export const nextPiece = ({ weighings }: Batch, cavity: number): number =>
  1 + weighings.reduce((most, one) => (one.cavity === cavity ? Math.max(most, one.piece) : most), 0);

/** The batch with one more weighing: of the next piece of its cavity, or again of the piece weighed last. */
export function withWeight(
  batch: Batch,
  { cavity, grams, by, isAgain }: Omit<Weighing, 'piece'> & { readonly isAgain: boolean },
): Batch {
  const next = nextPiece(batch, cavity);
  const piece = isAgain ? Math.max(1, next - 1) : next;
  return { ...batch, weighings: [...batch.weighings, { cavity, piece, grams, by }] };
}

/** Lightest piece that is laid on the simulated pan, g. */
const LEAST = 0.05;

/**
 * Weight of a piece as a cavity of this batch might throw it, g: round what it has thrown so far, or what is
 * wanted.
 */
export function pieceLike({ weighings, wanted }: Batch, cavity: number, random = Math.random): number {
  const own = weighings.filter((one) => one.cavity === cavity).map(({ grams }) => grams);
  const mean = own.length > 0 ? own.reduce((sum, grams) => sum + grams, 0) / own.length : wanted.target;
  return Math.max(LEAST, mean + (wanted.room / 5) * (random() + random() + random() - 1.5));
}
