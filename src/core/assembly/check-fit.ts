import { isGuarded } from '../fitting/guards/index.ts';
import { LEAST_WALL } from '../hook/bite.ts';
import type { Problem } from '../document/problem.ts';
import { marked } from '../quantity/phrase.ts';
import type { Design } from '../document/design.ts';
import { FEATURES } from '../head/features/index.ts';
import { keeperOf } from '../fitting/keepers/index.ts';
import { featuresOf, profileExtent } from '../head/body.ts';
import { completeDimensions } from '../head/family.ts';
import type { Family } from '../head/family.ts';
import type { Profile } from '../head/profile.ts';
import type { HookMeasures } from '../hook/chart.ts';
import { eyeRadius, hookPath, neckLength } from '../hook/path.ts';
import type { Known } from './known.ts';

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

/** Whether hook, features, keeper and guard fit the head they are put in, each misfit with its remedy. */
export function checkFit(design: Design, { family, measures }: Known): Problem[] {
  const dimensions = completeDimensions(family, design.head.dimensions, design.head);
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
    problems.push(
      problem(
        '/hook/size',
        `Hook size: its wire of ${mm(measures.wire)} does not fit a head with ${mm(Math.max(0, room))} ` +
          'of room around the shank. Choose a smaller hook or a finer wire, or a larger head.',
      ),
    );
  }
  if (design.hook.joint) return problems;
  const cast = castLength(design);
  if (knee - measures.shank > -1) {
    problems.push(
      problem(
        '/hook/size',
        `Hook size: the shank of ${mm(measures.shank)} ends inside the head, ${mm(knee)} of which ` +
          'lie behind the eye. Choose a longer hook, a shorter head, or set the eye further back.',
      ),
    );
  } else {
    const neck = neckLength(design.hook, measures);
    if (neck > 0 && knee - measures.shank > -cast - neck - 1) {
      problems.push(
        problem(
          '/hook/style',
          `Hook style: the stepped shank needs ${mm(neck)} behind the head, and only ` +
            `${mm(measures.shank - knee - cast)} is left. Choose a longer hook, a shorter keeper, or ` +
            'a straight shank.',
        ),
      );
    }
  }
  return problems;
}

/** How far something cast with the head reaches along the shank behind it, mm. */
const castLength = ({ keeper }: Design): number => keeperOf(keeper.kind).castLength?.(keeper) ?? 0;

function checkFeatures({ design, family, dimensions, profile, measures }: Look): Problem[] {
  const features = featuresOf(family, dimensions, design.head);
  const { half, rise, drop } = profileExtent(profile);
  const ground = {
    profile,
    half,
    rise,
    drop,
    wire: measures.wire,
    clear: measures.wire / 2 + LEAST_WALL,
    others: features,
    isGuarded: isGuarded(design.guard),
  };
  const problems = FEATURES.flatMap((kind): Problem[] => {
    const given = features[kind.key];
    if (!given) return [];
    // What belongs to the family is mended by its dimensions.
    const isOwn = design.head.features !== undefined && kind.key in design.head.features;
    return kind
      .check(given, ground)
      .map(({ field, message }) =>
        problem(isOwn ? `/head/features/${kind.key}/${field}` : '/head/dimensions', message),
      );
  });
  if (design.eye.recess) {
    const across = eyeRadius(design.eye, measures.wire) + measures.wire / 2;
    if (across > half * 0.85) {
      problems.push(
        problem(
          '/eye/recess',
          `Eye recess: a pocket for an eye ${mm(2 * across)} across would cut the head in two. ` +
            'Remove it, make the eye smaller, or the head broader.',
        ),
      );
    }
  }
  return problems;
}

function checkKeeper({ design, profile, measures, knee }: Look): Problem[] {
  const { keeper, hook } = design;
  const kind = keeperOf(keeper.kind);
  if (hook.joint && !kind.swings) {
    return [
      problem(
        '/keeper',
        'Keeper: on a hinged head the plastic sits on the free hook, and a keeper on the head is ' +
          'in the way of its swing. Take none, or barbs on the shank.',
      ),
    ];
  }
  const shankEnd = hook.joint ? -Infinity : knee - measures.shank;
  return kind
    .check(keeper, { profile, wire: measures.wire, shankEnd })
    .map(({ field, message }) => problem(`/keeper/${field}`, message));
}

function checkGuard({ design, profile, measures, knee }: Look): Problem[] {
  const { guard, hook, eye } = design;
  if (!isGuarded(guard)) return [];
  if (hook.joint) {
    return [
      problem(
        '/guard',
        'Guard: on a hinged head the point swings away from a guard set in the head. Remove the ' +
          'guard, or take a fixed hook.',
      ),
    ];
  }
  const x = profile.length * (1 - guard.setback);
  if (profile.section(x).t < measures.wire) {
    return [
      problem(
        '/guard/setback',
        'Guard place: there is no metal to set the guard in so near the end of the head. Move it towards the middle.',
      ),
    ];
  }
  const { tip } = hookPath(measures, hook, eye, { knee, legInside: 0, straight: castLength(design) });
  if (tip[2] <= profile.section(x).t) {
    return [
      problem(
        '/guard',
        'Guard: the head stands higher than the hook’s point, so there is nothing for it to ' +
          'guard. Take a larger hook, or a lower head.',
      ),
    ];
  }
  return [];
}
