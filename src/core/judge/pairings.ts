import type { ReadingId } from '../behaviour/registry.ts';
import { laidValues } from '../behaviour/fit.ts';
import { hook } from '../behaviour/hook.ts';
import type { Bait, Rig } from '../assembly/rig.ts';
import type { Plastic } from '../plastic/schema.ts';
import { hasRoom, measureOnHead } from '../rigging/lay.ts';
import type { MethodKind } from '../rigging/method.ts';
import type { MethodKey } from '../rigging/methods/index.ts';
import { METHODS, methodOf } from '../rigging/methods/index.ts';
import { PLAIN_WATER } from './evaluate.ts';
import { fitChecks } from './checks.ts';
import type { FitCheck, Verdict } from './verdict.ts';
import { worst } from './verdict.ts';

/**
 * How a plastic goes on a head by one method, for a list: the verdict and what stands in the way of a better
 * one.
 */
export interface Pairing {
  readonly method: MethodKey;
  readonly verdict: Verdict;
  /** why it cannot be used at all, or what is not good about it, worst first, in words */
  readonly why: readonly string[];
  /** every check that was asked, for who judges further */
  readonly checks: readonly FitCheck[];
  /** how far its checks lie within their good spans, 0 to 1: orders equal verdicts, and says nothing else */
  readonly margin: number;
  /** whether bait and method are made for each other, as usual as any, or seldom put together */
  readonly meant: 'made' | 'usual' | 'seldom';
}

const ORDERED: readonly Pairing['meant'][] = ['made', 'usual', 'seldom'];

/**
 * A head inside a bait that has room for it first; a bait held by its nose alone, or of a sort that is not
 * put on so, last.
 */
function meantFor(plastic: Plastic, { within, isApart, suits }: MethodKind): Pairing['meant'] {
  if (within) return hasRoom(plastic) ? 'made' : 'seldom';
  return isApart || suits?.(plastic) === false ? 'seldom' : 'usual';
}

const ORDER: Readonly<Record<Verdict, number>> = { good: 0, tight: 1, bad: 2 };

const aboveEye = new WeakMap<Rig, number>();

/** Height of the point over the eye of a built head, mm: the same for every plastic. */
function biteAboveEye(rig: Rig): number {
  let known = aboveEye.get(rig);
  if (known === undefined) {
    const value = hook.read(rig, PLAIN_WATER)['hook.biteAboveEye'];
    known = typeof value === 'number' ? value : NaN;
    aboveEye.set(rig, known);
  }
  return known;
}

/**
 * Judges one way of putting a plastic on a built head, from how it lies alone, so that thousands are quick.
 */
export function pairingOf(rig: Rig, { plastic, method: key }: Bait): Pairing {
  const method = methodOf(key);
  const obstacle = method.obstacle?.(rig, plastic);
  if (obstacle)
    return { method: key, verdict: 'bad', why: [obstacle.text], checks: [], margin: 0, meant: 'seldom' };
  const laid = measureOnHead(rig, plastic, method);
  const values: Partial<Record<ReadingId, number | undefined>> = {
    ...laidValues(laid),
    'hook.biteAboveEye': biteAboveEye(rig),
  };
  const checks = fitChecks(rig, { plastic, method: key, laid }, (id) => values[id] ?? NaN);
  const wrong = checks
    .filter(({ verdict }) => verdict !== 'good')
    .sort((a, b) => ORDER[b.verdict] - ORDER[a.verdict]);
  return {
    method: key,
    verdict: worst(checks.map(({ verdict }) => verdict)),
    why: wrong.map(({ name, says }) => `${name}: ${says}`),
    meant: meantFor(plastic, method),
    checks,
    margin: checks.reduce((sum, check) => sum + inside(check), 0) / checks.length,
  };
}

/**
 * How well within its good span a value lies: 1 in the middle of it, or well beyond its only end, 0 at its
 * end or outside.
 */
function inside({ value, good: [low, high] }: FitCheck): number {
  if (!(value >= low && value <= high)) return 0;
  if (!Number.isFinite(high)) return Math.min(1, (value - low) / (Math.abs(low) || 1));
  const half = (high - low) / 2;
  return half > 0 ? Math.min(value - low, high - value) / half : 1;
}

const place = ({ meant }: Pairing): number => ORDERED.indexOf(meant);

/**
 * Better first: what fits at all, what is made for each other, the verdict, the fewest things wrong, then
 * what lies further within its limits.
 */
export const byFit = (a: Pairing, b: Pairing): number =>
  Number(a.verdict === 'bad') - Number(b.verdict === 'bad') ||
  place(a) - place(b) ||
  ORDER[a.verdict] - ORDER[b.verdict] ||
  a.why.length - b.why.length ||
  b.margin - a.margin;

/** The best way of putting a plastic on a built head. */
export function bestPairing(rig: Rig, plastic: Plastic): Pairing {
  const [best] = METHODS.map(({ key }) => pairingOf(rig, { plastic, method: key })).sort(byFit);
  if (!best) throw new Error('There is no method of rigging, which is a mistake of the program.');
  return best;
}
