import { useMemo } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import { WATERS } from '../../../core/document/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { SALINITY } from '../../../core/material/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useFew, useRack } from '../../data/queries.ts';
import { useAddress } from '../../parts/address.ts';

/** Heads of the Rack tried for a plastic at most. */
const HEADS = 40;
/** Weight of a head whose own is not known, g. */
const USUAL = 10;

/** The heads of the Rack nearest to one in weight: of a large Rack not all can be tried at once. */
export function useNear(id: string) {
  const { data } = useRack();
  const near = useMemo(() => {
    const cards = (data?.cards ?? []).filter(({ archived, grams }) => !archived && grams !== null);
    const own = cards.find((card) => card.id === id)?.grams ?? USUAL;
    const off = (grams: number | null) => Math.abs(Math.log((grams ?? own) / own));
    return cards
      .toSorted((a, b) => off(a.grams) - off(b.grams))
      .slice(0, HEADS)
      .map((card) => card.id);
  }, [data, id]);
  return useFew(near).rows;
}

/** What the address says of a rig: plastic, method, water, turn, and how much the bait is cut short. */
export function useRigAddress(plastics: readonly Kept<Plastic>[], metals: readonly Metal[]) {
  const { search } = useAddress();
  const chosen = plastics.find(({ id }) => id === search.get('plastic')) ?? plastics[0];
  const method = METHODS.find(({ key }) => key === search.get('method'))?.key ?? 'threaded';
  const water = WATERS.find((candidate) => candidate === search.get('water')) ?? 'fresh';
  const turn = Math.round(Number(search.get('turn') ?? 0)) % 360 || 0;
  const cut = Math.max(0, Number(search.get('cut') ?? 0) || 0);
  const plastic = useMemo(
    () => chosen && (cut > 0 ? { ...chosen.document, cut } : chosen.document),
    [chosen, cut],
  );
  const surroundings = useMemo<Surroundings>(
    () => ({
      ...PLAIN_WATER,
      water: { ...PLAIN_WATER.water, salinity: SALINITY[water] },
      metals,
      isShort: true,
    }),
    [water, metals],
  );
  return { chosen, plastic, method, water, turn, cut, surroundings };
}
