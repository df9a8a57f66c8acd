import type { Brief } from '../../../core/document/index.ts';
import { SITUATIONS } from '../../../core/match/index.ts';
import type { UnitSystem } from '../../../core/quantity/index.ts';
import { roundIn } from '../../../core/quantity/index.ts';

/** A brief to begin from: mild fresh water over a clean bottom. */
const STARTER: Brief = {
  format: 'fern-anvil/brief',
  version: 2,
  name: 'New brief',
  water: { kind: 'fresh', depth: 3 },
  bottom: { kinds: ['gravel'] },
  cover: { kinds: [] },
  fishing: { retrieve: 'hop' },
  line: { material: 'fluorocarbon', test: 4.5 },
  bait: { kind: 'paddle-tail', length: 100 },
};

/** Returns a brief with every size that a template gives round in the reader’s units. */
export function roundedBrief(brief: Brief, system: UnitSystem): Brief {
  const { water, fishing, line, leader, bait } = brief;
  const round = (value: number | undefined, kind: Parameters<typeof roundIn>[1]) =>
    value === undefined ? undefined : roundIn(value, kind, system);
  const { temperature, current, sight } = water;
  const { speed, cast } = fishing;
  return {
    ...brief,
    water: {
      ...water,
      depth: roundIn(water.depth, 'depth', system),
      ...(temperature === undefined ? {} : { temperature: round(temperature, 'temperature') }),
      ...(current === undefined ? {} : { current: round(current, 'speed') }),
      ...(sight === undefined ? {} : { sight: round(sight, 'depth') }),
    },
    fishing: {
      ...fishing,
      ...(speed === undefined ? {} : { speed: round(speed, 'speed') }),
      ...(cast === undefined ? {} : { cast: round(cast, 'depth') }),
    },
    line: { ...line, test: roundIn(line.test, 'lineTest', system) },
    ...(leader ? { leader: { ...leader, test: roundIn(leader.test, 'lineTest', system) } } : {}),
    bait: { ...bait, length: roundIn(bait.length, 'size', system) },
  };
}

/** Returns the brief that “New brief” begins with. */
export const starterBrief = (system: UnitSystem): Brief => roundedBrief(STARTER, system);

/** Returns a brief from a known situation of the trade by its key; the starter where there is none such. */
export const briefFrom = (key: string, system: UnitSystem): Brief =>
  roundedBrief(SITUATIONS.find((one) => one.key === key)?.brief ?? STARTER, system);
