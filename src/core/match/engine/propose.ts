import type { Design } from '../../document/design.ts';
import { starterDesign } from '../../document/starter.ts';
import { FAMILIES } from '../../head/families/index.ts';
import { HOOK_CHART } from '../../hook/chart.ts';
import { applyRemedy } from '../../judge/remedies.ts';
import { PLAIN_STYLE } from '../../hook/styles/index.ts';
import type { Answer, Answers } from './judge.ts';
import type { Matched, Matching } from './match.ts';
import { matchSettled } from './match.ts';
import { compareStandings } from './order.ts';
import { usualWindow } from './window.ts';

/** A head nobody has yet, and how it would stand. */
export interface Proposed {
  readonly design: Design;
  readonly matched: Matched;
}

/**
 * Gap of a hook over the height of the bait it is threaded with, where a search begins (common practice, no
 * source).
 */
const GAP = 1.45;
/** Shapes that are followed up, and rounds of changes for each. */
const FOLLOWED = 3;
const ROUNDS = 6;
/** An answer from which on nothing is tried. */
const ENOUGH = 0.9;
/** Keys of shapes that are drawn or brought in by a person. */
const GIVEN = new Set(['own', 'imported']);

/**
 * The best head that can be made for a brief: every shape is begun with the usual weight and a hook for the
 * bait, the best of them are then changed one thing at a time (weight, hook, wire, eye, keeper, guard, metal,
 * method) as long as a change makes it stand better. Tells after each head that was tried; ends early where
 * `isWanted` says so.
 */
export function proposeHead(
  matching: Matching,
  tell: (tried: number) => void = () => undefined,
  isWanted: () => boolean = () => true,
): Proposed | undefined {
  const { situation, plastics } = matching;
  const { least, most } = usualWindow(situation);
  const grams = Math.sqrt(least * most);
  const height = plastics[0]?.height ?? 10;
  const hook =
    HOOK_CHART.find(({ gap }) => gap >= GAP * height)?.size ??
    HOOK_CHART[HOOK_CHART.length - 1]?.size ??
    '4/0';
  let tried = 0;
  const stand = (design: Design): Proposed | undefined => {
    tell(++tried);
    const settled = matchSettled(matching, design);
    return settled.ok ? { design, matched: settled.matched } : undefined;
  };
  const better = (a: Proposed, b: Proposed) => compareStandings(a.matched.standing, b.matched.standing);
  const first: Proposed[] = [];
  for (const family of FAMILIES) {
    if (GIVEN.has(family.key) || !isWanted()) continue;
    const starter = starterDesign(family, 'Proposed');
    const style = starter.hook.style ?? PLAIN_STYLE;
    const design: Design = {
      ...starter,
      head: { ...starter.head, target: { grams, of: 'metal' } },
      hook: { ...starter.hook, ...(style === PLAIN_STYLE ? { size: hook } : {}) },
    };
    const found = stand(design);
    if (found) first.push(found);
  }
  let best: Proposed | undefined;
  for (const begun of first.sort(better).slice(0, FOLLOWED)) {
    const grown = improved(begun, matching, stand, isWanted);
    if (!best || better(grown, best) < 0) best = grown;
  }
  return best;
}

/** The answers that are worth mending, the weakest first, and whatever decides before what does not. */
export function weakest({ all }: Pick<Answers, 'all'>): Answer[] {
  return all
    .flatMap((answer) => {
      const { score = 1, isDecisive } = answer;
      return score < ENOUGH ? [{ answer, weight: score - Number(isDecisive) }] : [];
    })
    .sort((a, b) => a.weight - b.weight)
    .map(({ answer }) => answer);
}

function improved(
  begun: Proposed,
  { situation, plastics }: Matching,
  stand: (design: Design) => Proposed | undefined,
  isWanted: () => boolean,
): Proposed {
  const [plastic] = plastics;
  let now = begun;
  for (let round = 0; round < ROUNDS && isWanted() && plastic; round++) {
    const { answers, standing } = now.matched;
    const next = weakest(answers)
      .flatMap(({ question }) => question.changes?.(situation, answers.head).slice(0, 4) ?? [])
      .filter(({ of, path }) => of === 'design' && path !== '/head/family')
      .map((remedy) => applyRemedy({ design: now.design, plastic, method: 'threaded' }, remedy).design);
    let found: Proposed | undefined;
    for (const design of next) {
      if (!isWanted()) break;
      const one = stand(design);
      if (one && compareStandings(one.matched.standing, standing) < 0) {
        found = one;
        break;
      }
    }
    if (!found) break;
    now = found;
  }
  return now;
}
