import type { Serving } from './programme.ts';

/** Briefs by how the heads on the wall serve them. */
export interface Coverage {
  /** by brief: the best service any taken head gives, and how many give it well */
  readonly briefs: readonly { readonly best: Serving; readonly well: number; readonly served: number }[];
  /** briefs nobody serves, served with care only, and served well by more than one */
  readonly missed: readonly number[];
  readonly care: readonly number[];
  readonly doubled: readonly number[];
}

/** How the taken heads cover the briefs; `serves` by brief, by head. */
export function coverageOf(serves: readonly (readonly Serving[])[], taken: readonly number[]): Coverage {
  const briefs = serves.map((row) => {
    const services = taken.map((i) => row[i] ?? 0);
    return {
      best: services.reduce<Serving>((most, service) => (service > most ? service : most), 0),
      well: services.filter((service) => service === 2).length,
      served: services.filter((service) => service > 0).length,
    };
  });
  const where = (is: (brief: (typeof briefs)[number]) => boolean) =>
    briefs.flatMap((brief, b) => (is(brief) ? [b] : []));
  return {
    briefs,
    missed: where(({ best }) => best === 0),
    care: where(({ best }) => best === 1),
    doubled: where(({ well }) => well > 1),
  };
}

/** What a head on the wall is worth there. */
export interface Worth {
  readonly head: number;
  /** briefs that would be served worse without it */
  readonly lost: readonly number[];
  /** of those, the ones nobody would serve any more */
  readonly gone: readonly number[];
}

/** What dropping each of the taken heads would lose. */
export function worthOf(serves: readonly (readonly Serving[])[], taken: readonly number[]): Worth[] {
  const now = coverageOf(serves, taken).briefs;
  return taken.map((head) => {
    const without = coverageOf(
      serves,
      taken.filter((other) => other !== head),
    ).briefs;
    const lost = now.flatMap(({ best }, b) => (without[b] && without[b].best < best ? [b] : []));
    return { head, lost, gone: lost.filter((b) => without[b]?.best === 0) };
  });
}

/** A step of building a wall up. */
export interface Added {
  readonly head: number;
  /** briefs it is the first to serve well, or at all */
  readonly adds: readonly number[];
}

/**
 * The taken heads in the order each adds the most, and what it adds to those before it: well before at all,
 * ties in the order given.
 */
export function addedBy(serves: readonly (readonly Serving[])[], taken: readonly number[]): Added[] {
  const left = [...taken];
  const best: Serving[] = serves.map(() => 0);
  const order: Added[] = [];
  while (left.length > 0) {
    const gains = left.map((head) => {
      const adds = serves.flatMap((row, b) => ((row[head] ?? 0) > (best[b] ?? 0) ? [b] : []));
      const worth = adds.reduce((sum, b) => sum + (serves[b]?.[head] === 2 ? 2 : 1), 0);
      return { head, adds, worth };
    });
    const next = gains.reduce((most, gain) => (gain.worth > most.worth ? gain : most));
    order.push({ head: next.head, adds: next.adds });
    for (const b of next.adds) best[b] = serves[b]?.[next.head] ?? 0;
    left.splice(left.indexOf(next.head), 1);
  }
  return order;
}
