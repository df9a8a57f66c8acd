import { marked } from '../quantity/phrase.ts';
import type { Flag } from './behaviour.ts';
import { behaviour } from './behaviour.ts';
import { fishingOf, hookSet } from './fishing.ts';
import { guardForce } from './guard-force.ts';

/**
 * Share of the point's height by which a guard may pass behind the point and still cover it (working limit,
 * common practice, no source).
 */
const BEHIND = 0.35;

/** Share of the hook-set from which on a guard is told to be too stiff (working limit). */
const STIFF = 0.6;

/** Where the guard stands against the point, and what it takes to lay it down. */
export const guard = behaviour({
  key: 'guard',
  needs: 'at once',
  readings: {
    'guard.overPoint': {
      name: 'Ends over the point',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Guard',
      formula: 'z_end − z_point',
      note: 'How far the fibre ends stand above (+) or stop below (−) the point.',
    },
    'guard.pastPoint': {
      name: 'Guard reach',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Guard',
      formula: 'x_point − x where z = z_point',
      note: 'Where the fibres cross the height of the point: behind it (+) or short of it (−).',
    },
    'guard.force': {
      name: 'Force to lay it down',
      quantity: 'pull',
      unit: 'N',
      kind: 'model',
      group: 'Guard',
      formula: 'n · k E I r / L², k by the elastica',
      note:
        'Each strand a cantilever from the head, bent by the elastica (Bisshopp & Drucker 1945) ' +
        'until the point stands clear by a quarter of the gap (working value); of fanned strands ' +
        'those within the {10 mm} of a jaw (working value). Fibres of a bundle, fixed at the root, ' +
        'rub on each other: r is the root of how much stiffer one rod would be (working value), ' +
        'less where they are fanned apart; the span reaches from strands that slide freely to one ' +
        'rod. A loop has two legs; a fork is as stiff as its stem and arms in a row, bent a ' +
        'little. Nylon 2.8 GPa, from 2 to 4; steel 193 GPa (from memory).',
      compared: true,
    },
    'guard.share': {
      name: 'Guard’s share of the hook-set',
      quantity: 'share',
      unit: '1',
      kind: 'model',
      group: 'Guard',
      formula: 'F_guard / F_set',
      note:
        'What laying the guard down takes of the pull that a sweep of the rod brings to the hook ' +
        'through that line, at most all of it.',
      compared: true,
    },
    'guard.opening': {
      name: 'Opening to the point',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Guard',
      formula: '|end − point|',
      note:
        'From the guard’s ends to the point: a stem thicker than this is turned away, a thinner ' +
        'one can slip in between.',
    },
  },
  read(rig, around) {
    const { guard: placed, hook } = rig;
    const laid = guardForce(rig);
    if (!placed || !laid)
      return { 'guard.overPoint': placed?.overPoint, 'guard.pastPoint': placed?.pastPoint };
    const set = hookSet(fishingOf(around));
    const share = (force: number) => Math.min(1, force / set);
    return {
      'guard.overPoint': placed.overPoint,
      'guard.pastPoint': placed.pastPoint,
      'guard.force': { value: laid.force, range: laid.forces },
      'guard.share': {
        value: share(laid.force),
        range: [share(laid.forces[0]), share(laid.forces[1])],
      },
      'guard.opening': Math.hypot(placed.end[0] - hook.tip[0], placed.end[2] - hook.tip[2]),
    };
  },
  flags({ guard: placed, hook }, value, around) {
    if (!placed) return [];
    const flags: Flag[] = [];
    const { stem } = fishingOf(around);
    if (around.fishing?.stem !== undefined && value('guard.opening') > stem) {
      flags.push({
        level: 'care',
        code: 'guard.stem',
        path: '/guard',
        text:
          `A stem of ${marked(stem, 'size')} slips in between guard and point. Bring the guard’s ` +
          'end nearer to the point.',
        brief: 'stems slip behind the guard',
      });
    }
    const care = (code: string, path: string, text: string) =>
      flags.push({ level: 'care', code, path, text });
    const share = value('guard.share');
    if (share > STIFF)
      care(
        'guard.stiff',
        '/guard',
        `Laying the guard down takes ${share >= 1 ? 'all' : `${Math.round(100 * share)}%`} of the ` +
          `hook-set (${marked(value('guard.force'), 'pull')}): the point stays covered. Thinner or ` +
          'fewer strands, a longer or a leaner guard, or a larger hook.',
      );
    if (placed.overPoint < -1) {
      const below = marked(-placed.overPoint, 'size');
      care(
        'guard.short',
        '/guard/length',
        `The guard ends ${below} below the point. Lengthen the fibres or lean the guard further back.`,
      );
    }
    if (placed.pastPoint > BEHIND * hook.pointHeight) {
      care(
        'guard.behind',
        '/guard',
        'The guard crosses well behind the point and leaves it bare. Set its base back, or lean it up more.',
      );
    }
    if (placed.pastPoint < -hook.pointHeight) {
      care(
        'guard.front',
        '/guard',
        'The guard passes far in front of the point. Lean it back more, or set its base back.',
      );
    }
    return flags;
  },
});
