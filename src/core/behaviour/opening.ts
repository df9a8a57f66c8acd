import { about, behaviour } from './behaviour.ts';
import { fishingOf, lineFacts } from './fishing.ts';
import { openingLoads, pulledHook, yieldLoad } from './hook-opening.ts';

/** Yield strength of hardened hook wire, N/mm² (usual range of spring steels, from memory). */
export const WIRE_YIELD = { usual: 1750, least: 1500, most: 2000 };

/** What a hook bears before it begins to yield, and before it is open for good. */
export const opening = behaviour({
  key: 'opening',
  needs: 'a moment later',
  readings: {
    'hook.yieldLoad': {
      name: 'Begins to yield at',
      quantity: 'pull',
      unit: 'N',
      kind: 'model',
      group: 'Hook',
      formula: 'σ_y / max [cos τ/A + h (r_n − r_i)/(A e r_i)]',
      note:
        'Pull along the line from the eye to the rear of the bend at which the first fibre of the ' +
        'wire yields, somewhere from the head to there: curved bar of round section (Winkler & ' +
        'Bach; Roark), every section with its own lever h. Up to this it springs back whole. ' +
        'Hardened wire of 1750 N/mm², from 1500 to 2000 (from memory).',
    },
    'hook.openingLoad': {
      name: 'Opens for good at',
      quantity: 'pull',
      unit: 'N',
      kind: 'model',
      group: 'Hook',
      formula: 'P where gap for good = 1.05 gap',
      note:
        'Pull along the line from the eye to the rear of the bend after which the gap stays wider ' +
        'by 5%: the wire out of the metal bends elastically, then plastically (round section, ' +
        'plastic moment σ d³/6), as far as it will, held where it leaves the head and pulled ' +
        'where the load sat at first. A ring that slides along the bend as it opens, and a point ' +
        'caught in bone, open it sooner; so does a jerk. Wire of 1750 N/mm², from 1500 to 2000 ' +
        '(from memory), hardening by a hundredth of its stiffness (working value).',
      compared: true,
      decides: true,
    },
    'hook.openingShare': {
      name: 'Opens, over the line’s test',
      quantity: 'number',
      unit: '1',
      decimals: 2,
      kind: 'model',
      group: 'Hook',
      formula: 'F_open / test',
      note:
        'Below 1 the hook opens before the line breaks: it comes free of a snag, and gives before ' +
        'a strong fish on a locked drag. The span is that of the wire.',
      compared: true,
    },
    'hook.brakeShare': {
      name: 'Opens, over the drag setting',
      quantity: 'number',
      unit: '1',
      decimals: 2,
      kind: 'model',
      group: 'Hook',
      formula: 'F_open / (drag setting · test)',
      note: 'Below 1 a fish opens the hook before the drag slips. The span is that of the wire.',
    },
  },
  read(rig, around) {
    const fishing = fishingOf(around);
    const hook = pulledHook(rig);
    const [usual, least, most] = openingLoads(hook, [
      WIRE_YIELD.usual,
      WIRE_YIELD.least,
      WIRE_YIELD.most,
    ]) as [number, number, number];
    const { strength: test } = lineFacts(fishing);
    const yields = yieldLoad(hook, WIRE_YIELD.usual);
    // Of a bend that metal or collar swallows there is nothing left to open.
    const told = (value: number, ends: readonly number[]) =>
      Number.isFinite(value) ? about(value, ends) : undefined;
    const opens = (by: number) => told(usual / by, [least / by, most / by]);
    return {
      'hook.yieldLoad': told(
        yields,
        [WIRE_YIELD.least, WIRE_YIELD.most].map((strength) => (yields * strength) / WIRE_YIELD.usual),
      ),
      'hook.openingLoad': opens(1),
      'hook.openingShare': opens(test),
      'hook.brakeShare': opens(fishing.brake * test),
    };
  },
});
