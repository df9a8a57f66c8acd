/** What goes into a head, in the shop's own money; times in s. */
export interface CostInputs {
  /** g of metal that stays in the head, and is lost with it */
  readonly metal: number;
  readonly lost: number;
  /** a kilogram */
  readonly metalPrice: number;
  readonly hook: number;
  readonly wire: number;
  readonly guard: number;
  readonly paint: number;
  /** kWh for each sound head, with what rejects took, and what one costs */
  readonly energy: number;
  readonly energyPrice: number;
  /** s of hands for each sound head, with what rejects took, and what an hour costs */
  readonly time: number;
  readonly wage: number;
  /** share of rejects: the metal is melted again, hook and wire are lost; heat and work are counted above */
  readonly rejects: number;
}

/** What a head’s cost is made of. */
export const COST_PARTS = ['metal', 'hook', 'wire', 'guard', 'paint', 'energy', 'time', 'rejects'] as const;
/** One part of a head’s cost. */
export type CostPart = (typeof COST_PARTS)[number];

/** What a sound head costs, in the shop’s money. */
export interface Costing {
  readonly parts: Readonly<Record<CostPart, number>>;
  readonly total: number;
}

/**
 * What one sound head costs, part by part: all bills of a batch over its sound heads. A reject gives its
 * metal back and loses hook and wire; the heat and the time it took are in those of the batch already.
 */
export function costOf(inputs: CostInputs): Costing {
  const { rejects } = inputs;
  const own = {
    metal: ((inputs.metal + inputs.lost) / 1000) * inputs.metalPrice,
    hook: inputs.hook,
    wire: inputs.wire,
    guard: inputs.guard,
    paint: inputs.paint,
    energy: inputs.energy * inputs.energyPrice,
    time: (inputs.time / 3600) * inputs.wage,
  };
  // A reject is found before it is painted or guarded.
  const wasted = own.hook + own.wire;
  const parts = { ...own, rejects: (wasted * rejects) / (1 - rejects) };
  return { parts, total: Object.values(parts).reduce((sum, value) => sum + value, 0) };
}

/** What heads lost on the water cost in an hour, and that against the price of one. */
export const lossPerHour = (lost: number, hours: number, price: number): number => (lost / hours) * price;
