import type { Design } from '../document/design.ts';
import { hookRank } from '../quantity/hook-size.ts';
import type { QuantityKind, UnitSystem } from '../quantity/units.ts';
import { formatQuantity } from '../quantity/format.ts';
import type { Readings, ReadingId } from '../judge/readings.ts';
import { READINGS } from '../judge/readings.ts';
import type { Brief } from '../document/brief.ts';

export type Fact = string | number;
export type Facts = Readonly<Record<string, Fact>>;

/** What a brief says, as facts. */
export function briefFacts(brief: Brief): Facts {
  return {
    'water.kind': brief.water.kind,
    'water.temperature': brief.water.temperature,
    'water.depth': brief.water.depth,
    'water.current': brief.water.current,
    'water.clarity': brief.water.clarity,
    'bottom.kind': brief.bottom.kind,
    'bottom.slope': brief.bottom.slope,
    cover: brief.cover,
    retrieve: brief.retrieve,
    'line.material': brief.line.material,
    'line.test': brief.line.test,
    'bait.kind': brief.bait.kind,
    'bait.length': brief.bait.length,
    mood: brief.mood,
  };
}

/** What a design is and reads, as facts; every reading stands under its own id. */
export function designFacts(design: Design, readings: Readings): Facts {
  const facts: Record<string, Fact> = {
    family: design.head.family,
    metal: design.head.metal,
    'hook.rank': hookRank(design.hook.size) ?? 0,
    'hook.size': design.hook.size,
    'hook.grade': design.hook.grade,
    'hook.style': design.hook.style ?? 'round bend',
    joint: design.hook.joint?.kind ?? 'none',
    'eye.plane': design.eye.plane,
    'eye.setback': design.eye.setback,
    keeper: design.keeper.kind,
    guard: design.guard.kind,
    'guard.trim': design.guard.kind !== 'fibre' ? 'none' : design.guard.trimmed ? 'trimmed' : 'as bought',
  };
  for (const id of Object.keys(readings) as ReadingId[]) facts[id] = readings[id]?.value ?? NaN;
  return facts;
}

const BRIEF_QUANTITIES: Readonly<Record<string, QuantityKind>> = {
  'water.temperature': 'temperature',
  'water.depth': 'depth',
  'water.current': 'speed',
  'bottom.slope': 'angle',
  'line.test': 'lineTest',
  'bait.length': 'size',
};

/** A fact in the reader's units. */
export function factText(name: string, fact: Fact | undefined, system: UnitSystem): string {
  if (fact === undefined) return '–';
  if (typeof fact === 'string') return fact;
  const quantity =
    BRIEF_QUANTITIES[name] ?? (READINGS as Record<string, { quantity: QuantityKind }>)[name]?.quantity;
  return quantity ? formatQuantity(fact, quantity, system) : String(fact);
}
