import { marked } from '../quantity/phrase.ts';
import type { Flag } from './behaviour.ts';
import { behaviour } from './behaviour.ts';

/** Share of the point's height by which a guard may pass behind the point and still cover it (working limit, common practice, no source). */
const BEHIND = 0.35;

/** Where the guard stands against the point. */
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
  },
  read({ guard: placed }) {
    return { 'guard.overPoint': placed?.overPoint, 'guard.pastPoint': placed?.pastPoint };
  },
  flags({ guard: placed, hook }) {
    if (!placed) return [];
    const flags: Flag[] = [];
    const care = (code: string, path: string, text: string) =>
      flags.push({ level: 'care', code, path, text });
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
