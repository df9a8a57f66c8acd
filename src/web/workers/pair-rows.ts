import type { Design } from '../../core/document/index.ts';
import type { Pairing } from '../../core/judge/index.ts';
import type { PairedAt, Service } from '../../core/match/index.ts';
import type { Metal } from '../../core/material/index.ts';
import type { Plastic } from '../../core/plastic/index.ts';
import type { MethodKey } from '../../core/rigging/index.ts';
import {
  bareHead,
  groundsOf,
  headsForPlastic,
  plasticsForHead,
  situationOf,
  worstAnswer,
} from '../../core/match/index.ts';
import type { Asking } from './match-rows.ts';

/**
 * A head with a plastic as plain data: how it goes on, what it serves best, and what is held against it
 * there.
 */
export interface PairRow {
  /** its place in the list that was given */
  readonly index: number;
  readonly method: MethodKey;
  readonly verdict: Pairing['verdict'];
  readonly why: readonly string[];
  /** the use it serves best, in words */
  readonly use: string;
  readonly service: Service;
  /** what decides against it there, or asks for care */
  readonly against: string;
}

function pairRow({ index, pairing, use, service, brief, matched: { answers } }: PairedAt): PairRow {
  const worst = service === 'serves' ? undefined : worstAnswer(answers);
  return {
    index,
    method: pairing.method,
    verdict: pairing.verdict,
    why: pairing.why,
    use,
    service,
    against: worst ? (groundsOf(worst, situationOf(brief), answers.head)[0]?.text ?? '') : '',
  };
}

/** How several plastics go on a design, best first; empty when the design cannot be built. */
export function pairings(
  design: Design,
  plastics: readonly Plastic[],
  rules: Asking['rules'],
  metals: readonly Metal[] | undefined,
): PairRow[] {
  const head = bareHead(design, metals);
  return head ? plasticsForHead(head, plastics, rules).map(pairRow) : [];
}

/** How a plastic goes on each of some designs, best first. */
export const heads = (
  designs: readonly Design[],
  plastic: Plastic,
  rules: Asking['rules'],
  metals: readonly Metal[] | undefined,
): PairRow[] => headsForPlastic(designs, plastic, rules, metals).map(pairRow);
