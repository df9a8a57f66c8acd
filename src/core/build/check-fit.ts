import { marked } from '../quantity/phrase.ts';
import type { Design, Problem } from '../document/design.ts';
import { keeperBody } from '../fitting/keepers/index.ts';
import { featuresOf, profileExtent } from '../head/body.ts';
import { completeDimensions } from '../head/family.ts';
import type { Family } from '../head/family.ts';
import { familyOf } from '../head/families/index.ts';
import type { Profile } from '../head/profile.ts';
import type { HookMeasures } from '../hook/chart.ts';
import { hookMeasures } from '../hook/chart.ts';
import { eyeRadius, hookPath, neckLength } from '../hook/path.ts';
import { radians } from '../numeric/vec.ts';

/** Least metal that must stand around the wire for a head to be a head at all, mm on each side (common practice, no source). */
const LEAST_WALL = 0.3;

interface Look {
  readonly design: Design;
  readonly family: Family;
  readonly dimensions: Readonly<Record<string, number>>;
  readonly profile: Profile;
  readonly measures: HookMeasures;
  /** x of the knee, mm */
  readonly knee: number;
}

const problem = (path: string, message: string): Problem => ({ path, message });
const mm = (value: number) => marked(value, 'size');

/** Whether hook, features, keeper and guard fit the head they are put in, each misfit with its remedy. Names must be known. */
export function checkFit(design: Design): Problem[] {
  const family = familyOf(design.head.family);
  const measures = hookMeasures(design.hook);
  if (!family || !measures) return [];
  const dimensions = completeDimensions(family, design.head.dimensions);
  const profile = family.profile(dimensions, design.head);
  const knee = profile.length * (1 - design.eye.setback);
  const look: Look = { design, family, dimensions, profile, measures, knee };
  return [...checkHook(look), ...checkFeatures(look), ...checkKeeper(look), ...checkGuard(look)];
}

function checkHook({ design, profile, measures, knee }: Look): Problem[] {
  const problems: Problem[] = [];
  const middle = profile.section(profile.length / 2);
  const room = 2 * Math.min(middle.b, middle.t, middle.d) - 2 * LEAST_WALL;
  if (measures.wire > room) {
    problems.push(problem('/hook/size', `Hook size: its wire of ${mm(measures.wire)} does not fit a head with ${mm(Math.max(0, room))} of room around the shank. Choose a smaller hook or a finer wire, or a larger head.`)); // prettier-ignore
  }
  if (design.hook.joint) return problems;
  const cast = castLength(design);
  if (knee - measures.shank > -1) {
    problems.push(problem('/hook/size', `Hook size: the shank of ${mm(measures.shank)} ends inside the head, ${mm(knee)} of which lie behind the eye. Choose a longer hook, a shorter head, or set the eye further back.`)); // prettier-ignore
  } else {
    const neck = neckLength(design.hook, measures);
    if (neck > 0 && knee - measures.shank > -cast - neck - 1) {
      problems.push(problem('/hook/style', `Hook style: the stepped shank needs ${mm(neck)} behind the head, and only ${mm(measures.shank - knee - cast)} is left. Choose a longer hook, a shorter keeper, or a straight shank.`)); // prettier-ignore
    }
  }
  return problems;
}

const castLength = ({ keeper }: Design): number =>
  keeper.kind === 'collar' || keeper.kind === 'barrel' ? keeper.length : 0;

function checkFeatures({ design, family, dimensions, profile, measures }: Look): Problem[] {
  const problems: Problem[] = [];
  const features = featuresOf(family, dimensions, design.head);
  const own = (key: string) => design.head.features && key in design.head.features;
  const path = (key: string, field: string) =>
    own(key) ? `/head/features/${key}/${field}` : '/head/dimensions';
  const { half, rise, drop } = profileExtent(profile);
  const clear = measures.wire / 2 + LEAST_WALL;
  const { sole, flats, channel, cheeks, fins, slot } = features;
  if (sole) {
    const ends = [0.15, 0.85].map(
      (share) => -drop * (1 - sole.cut) + Math.tan(radians(sole.tilt)) * profile.length * (share - 0.5),
    );
    const level = Math.max(...ends);
    if (level > -clear) {
      problems.push(problem(path('sole', 'cut'), `Sole: it comes within ${mm(Math.max(0, -level - measures.wire / 2))} of the hook’s wire. Cut less off, tilt it less, or hang more of the head below the shank.`)); // prettier-ignore
    }
  }
  if (flats) {
    const ridge = rise * (1 - flats.cut);
    const beside = ridge - Math.tan(radians(flats.slope)) * measures.wire;
    if (beside < clear) {
      problems.push(problem(path('flats', 'cut'), `Top flats: they leave ${mm(Math.max(0, beside - measures.wire / 2))} over the hook’s wire. Cut less off, slope them less, or make the head higher.`)); // prettier-ignore
    }
  }
  if (channel) {
    const left = drop * (1 - channel.depth);
    if (left < clear) {
      problems.push(problem(path('channel', 'depth'), `Belly channel: its roof leaves ${mm(Math.max(0, left - measures.wire / 2))} under the hook’s wire. Make it shallower, or hang more of the head below the shank.`)); // prettier-ignore
    }
    if (sole && sole.cut >= channel.depth) {
      problems.push(problem(path('channel', 'depth'), 'Belly channel: the sole takes it away whole. Make the channel deeper than the sole, or leave one of the two out.')); // prettier-ignore
    }
  }
  if (cheeks && half * (1 - cheeks.depth) < clear) {
    problems.push(problem(path('cheeks', 'depth'), `Hollow cheeks: they leave ${mm(Math.max(0, half * (1 - cheeks.depth) - measures.wire / 2))} beside the hook’s wire. Make them shallower, or the head broader.`)); // prettier-ignore
  }
  if (fins) {
    const [rear, front] = [fins.at - fins.length / 2, fins.at + fins.length / 2];
    if (rear < -1e-9 || front > 1 + 1e-9) {
      problems.push(problem(path('fins', 'at'), 'Fins: they stand out beyond the end of the head. Move them to the middle, or shorten them.')); // prettier-ignore
    }
    if (fins.thickness > Math.min(rise, drop)) {
      problems.push(problem(path('fins', 'thickness'), `Fins: at ${mm(fins.thickness)} they are thicker than half the head is high. Make them thinner, or the head higher.`)); // prettier-ignore
    }
  }
  if (slot) {
    if (slot.width < measures.wire) {
      problems.push(problem(path('slot', 'width'), `Hook slot: ${mm(slot.width)} does not take a wire of ${mm(measures.wire)}. Make it at least ${mm(measures.wire * 1.1)} wide.`)); // prettier-ignore
    }
    if (slot.width / 2 > half * 0.8) {
      problems.push(problem(path('slot', 'width'), `Hook slot: ${mm(slot.width)} would cut the head in two. Make it narrower, or the head broader.`)); // prettier-ignore
    }
    if (slot.open === 'above' && design.guard.kind !== 'none') {
      problems.push(problem(path('slot', 'open'), 'Hook slot: it is open where the guard stands. Open it below, or leave the guard out.')); // prettier-ignore
    }
  }
  if (design.eye.recess) {
    const across = eyeRadius(design.eye, measures.wire) + measures.wire / 2;
    if (across > half * 0.85) {
      problems.push(problem('/eye/recess', `Eye recess: a pocket for an eye ${mm(2 * across)} across would cut the head in two. Leave it out, make the eye smaller, or the head broader.`)); // prettier-ignore
    }
  }
  return problems;
}

function checkKeeper({ design, profile, measures, knee }: Look): Problem[] {
  const { keeper, hook } = design;
  if (hook.joint && keeper.kind !== 'none' && keeper.kind !== 'barbs') {
    return [problem('/keeper', 'Keeper: on a hinged head the plastic sits on the free hook, and a keeper on the head is in the way of its swing. Take none, or barbs on the shank.')]; // prettier-ignore
  }
  if (keeper.kind === 'collar' || keeper.kind === 'barrel')
    return checkCast({ keeper, profile, measures, knee });
  if (keeper.kind === 'screw' || keeper.kind === 'spring') {
    if (keeper.diameter - 2 * keeper.wire < measures.wire) {
      return [problem('/keeper/diameter', `Keeper diameter: ${mm(keeper.diameter)} does not go around the hook’s wire of ${mm(measures.wire)}. Make it at least ${mm(measures.wire + 2 * keeper.wire)}.`)]; // prettier-ignore
    }
    if (keeper.turns * keeper.wire > keeper.length) {
      return [problem('/keeper/turns', `Turns: ${keeper.turns} turns of ${mm(keeper.wire)} wire do not fit in ${mm(keeper.length)}. Take fewer, or lengthen it.`)]; // prettier-ignore
    }
  }
  const built = keeperBody(keeper, { profile, wire: measures.wire });
  const shankEnd = hook.joint ? -Infinity : knee - measures.shank;
  if (built && keeper.kind !== 'wire' && -built.insertion < shankEnd) {
    return [problem('/keeper/length', `Keeper: it reaches ${mm(built.insertion)} behind the head and runs into the hook’s bend. Shorten it, or take a longer hook.`)]; // prettier-ignore
  }
  return [];
}

function checkCast({
  keeper,
  profile,
  measures,
  knee,
}: Pick<Look, 'profile' | 'measures' | 'knee'> & {
  readonly keeper: Extract<Design['keeper'], { kind: 'collar' | 'barrel' }>;
}): Problem[] {
  const problems: Problem[] = [];
  const { diameter, length } = keeper;
  const what = keeper.kind === 'collar' ? 'Collar' : 'Barrel';
  const least = keeper.kind === 'barrel' ? diameter * Math.min(0.82, 1 - keeper.taper) : diameter;
  if (least < measures.wire + 2 * LEAST_WALL) {
    problems.push(problem('/keeper/diameter', `${what} diameter: ${mm(diameter)} leaves no metal around a wire of ${mm(measures.wire)}. Make it at least ${mm((measures.wire + 2 * LEAST_WALL) * (diameter / least))}, or take a finer wire.`)); // prettier-ignore
  }
  if (keeper.kind === 'collar' && keeper.barbs > 0 && keeper.barb > (3 * length) / keeper.barbs) {
    problems.push(problem('/keeper/barb', `Barb height: ${mm(keeper.barb)} is too steep for ${keeper.barbs} barbs on ${mm(length)}. Lower the barbs or lengthen the collar.`)); // prettier-ignore
  }
  const offered = 2 * Math.max(...[0, 0.2, 0.35, 0.5, 0.65].map((share) => {
    const { b, t, d } = profile.section(profile.length * share);
    return Math.min(b, t, d);
  })); // prettier-ignore
  if (diameter >= offered * 0.95) {
    problems.push(problem('/keeper/diameter', `${what} diameter: ${mm(diameter)} is as wide as the head, which offers ${mm(offered)}. Make it thinner or the head larger.`)); // prettier-ignore
  }
  const end = knee - measures.shank;
  if (end > -length - 0.5 && end <= -1) {
    problems.push(problem('/keeper/length', `${what} length: ${mm(length)} runs into the hook’s bend. Shorten it or take a longer hook.`)); // prettier-ignore
  }
  return problems;
}

function checkGuard({ design, profile, measures, knee }: Look): Problem[] {
  const { guard, hook, eye } = design;
  if (guard.kind === 'none') return [];
  if (hook.joint) {
    return [problem('/guard', 'Guard: on a hinged head the point swings away from a guard set in the head. Leave it out, or take a fixed hook.')]; // prettier-ignore
  }
  const x = profile.length * (1 - guard.setback);
  if (profile.section(x).t < measures.wire) {
    return [problem('/guard/setback', 'Guard place: there is no metal to set the guard in so near the end of the head. Move it towards the middle.')]; // prettier-ignore
  }
  const { tip } = hookPath(measures, hook, eye, { knee, legInside: 0, straight: castLength(design) });
  if (tip[2] <= profile.section(x).t) {
    return [problem('/guard', 'Guard: the head stands higher than the hook’s point, so there is nothing for it to guard. Take a larger hook, or a lower head.')]; // prettier-ignore
  }
  return [];
}
