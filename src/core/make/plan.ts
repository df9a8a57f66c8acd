import { marked } from '../quantity/phrase.ts';
import type { Melting } from '../material/metals/metal.ts';
import { heatTo } from './melting.ts';

/** What heats the pot: its power, and the share of it that reaches the metal (common practice, no source). */
export const HEATERS = [
  { key: 'pot', name: 'electric pot', watts: 500, share: 0.65 },
  { key: 'ladle', name: 'small electric ladle', watts: 250, share: 0.55 },
  { key: 'gas', name: 'gas burner under a pan', watts: 2500, share: 0.3 },
  { key: 'plate', name: 'hot plate under a pan', watts: 1500, share: 0.35 },
] as const;

/** What a batch is to be poured with. */
export interface PourInputs {
  readonly melting: Melting;
  /** metal of one shot: every cavity’s head, and all sprues and vents, g */
  readonly castPerShot: number;
  readonly spruePerShot: number;
  readonly heads: number;
  readonly cavities: number;
  /** share of pieces expected to be rejects */
  readonly rejects: number;
  /** share of the melt that dross and spills take */
  readonly loss: number;
  readonly watts: number;
  readonly efficiency: number;
  /** what the pot holds, g */
  readonly pot: number;
  /** °C */
  readonly room: number;
  readonly at: number;
  /** from one shot to the next, s */
  readonly perShot: number;
}

/** What has to be melted and poured for a number of sound heads. */
export interface PourPlan {
  readonly shots: number;
  /** heads expected to be sound: as many as are wanted, and what the last shot gives besides */
  readonly sound: number;
  /** metal that must be liquid in all, g: sprues of earlier shots go back into it */
  readonly melted: number;
  /** metal used up: heads and loss, g */
  readonly used: number;
  /**
   * bought or taken from the bin to begin with: everything used, and what the last sprues and the floor of
   * the pot hold, g
   */
  readonly wanted: number;
  /** kJ that reach the metal, and kWh drawn */
  readonly heat: number;
  readonly energy: number;
  /** s from cold until the first pot can be poured, and in all */
  readonly firstMelt: number;
  readonly whole: number;
  readonly pots: number;
}

/**
 * Share of a full pot that stays in it: the last of it cannot be ladled or run out (common practice, no
 * source).
 */
const HEEL = 0.1;

/** Metal, heat and time of a batch. All numbers above 0 but for rejects and loss (0 to below 1). */
export function pourPlan(inputs: PourInputs): PourPlan {
  const { melting, castPerShot, spruePerShot, heads, cavities, rejects, loss, pot, room, at } = inputs;
  const shots = Math.ceil(heads / (1 - rejects) / cavities);
  const perShot = castPerShot + spruePerShot;
  const melted = (shots * perShot) / (1 - loss);
  const thrownBack = shots * (spruePerShot + rejects * castPerShot);
  const used = melted - thrownBack;
  const heel = HEEL * pot;
  // To begin with there must be enough for the first pot, or for everything, whichever is less; what comes
  // back is melted again.
  const wanted = used + Math.min(thrownBack, Math.max(perShot, pot)) + heel;
  const perKilogram = heatTo(melting, room, at);
  const heat = ((melted + heel) / 1000) * perKilogram;
  const power = (inputs.watts * inputs.efficiency) / 1000;
  const pots = Math.max(1, Math.ceil(melted / (pot * (1 - HEEL))));
  const first = Math.min(pot, melted + heel);
  const firstMelt = ((first / 1000) * perKilogram) / power;
  // Pots after the first melt while nothing is poured; each shot takes its time.
  const laterMelts = Math.max(0, heat / power - firstMelt);
  return {
    shots,
    sound: shots * cavities * (1 - rejects),
    melted,
    used,
    wanted,
    heat,
    energy: heat / inputs.efficiency / 3600,
    firstMelt,
    whole: firstMelt + laterMelts + shots * inputs.perShot,
    pots,
  };
}

/** A step of the work, with what to mind at it. */
export interface WorkStep {
  readonly key: string;
  /** quantities in it are marked */
  readonly name: string;
  /** s it takes; undefined for what is done when it is done */
  readonly seconds: number | undefined;
  readonly caution: string;
}

/**
 * The order of work of a batch: from laying out to the cured head. Cautions are the usual ones; local rules
 * and makers' instructions decide.
 */
export function workSteps(
  plan: PourPlan,
  metal: { readonly name: string; readonly isLead: boolean },
  cure: { readonly celsius: number; readonly minutes: number } | undefined,
): WorkStep[] {
  const lead = metal.isLead;
  return [
    {
      key: 'dry',
      name: 'Lay out hooks and wires; dry mould, ladle and metal',
      seconds: undefined,
      caution:
        'A drop of water under molten metal bursts into steam and throws it: all must be dry and warm.',
    },
    {
      key: 'air',
      name: 'Air, goggles, gloves, long sleeves',
      seconds: undefined,
      caution: lead
        ? 'Lead fume and dust poison, children first: pour outdoors or under a hood, never where food is, wash hands.'
        : 'Fumes and splashes: move air away from your face, keep others out.',
    },
    {
      key: 'melt',
      name: `Melt the first pot of ${metal.name}`,
      seconds: plan.firstMelt,
      caution: 'Add metal dry and slowly; watch the thermometer, not the glow.',
    },
    {
      key: 'warm',
      name: 'Warm the mould: three shots that go back into the pot',
      seconds: undefined,
      caution: 'A cold mould throws light, wrinkled heads.',
    },
    {
      key: 'pour',
      name: `Pour ${plan.shots} shots`,
      seconds: Math.max(0, plan.whole - plan.firstMelt),
      caution: 'Hot mould, hot sprues: grip with pliers. Hooks pierce gloves.',
    },
    {
      key: 'trim',
      name: 'Nip sprues, look each over, weigh samples of every cavity',
      seconds: undefined,
      caution: lead
        ? 'Do not file or sand lead dry: its dust is the worst of it. Wipe up wet.'
        : 'Wear goggles when nipping.',
    },
    ...(cure
      ? [
          {
            key: 'paint',
            name: 'Heat heads, dip in powder, hang apart',
            seconds: undefined,
            caution: 'Powder in the air can burn: no open flame beside it; a mask against the dust.',
          },
          {
            key: 'cure',
            name: `Cure ${cure.minutes} min from when the heads themselves are at ${marked(cure.celsius, 'temperature')}`,
            seconds: cure.minutes * 60,
            caution:
              'An oven for paint never sees food again; fumes go outdoors. The maker’s schedule decides.',
          },
        ]
      : []),
    {
      key: 'clean',
      name: 'Let all cool, skim and bin dross, wash',
      seconds: undefined,
      caution: lead
        ? 'Dross and wipes with lead are hazardous waste: local rules say where they go.'
        : 'Dross and dust go where local rules say.',
    },
  ];
}
