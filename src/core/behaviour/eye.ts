import { sureBite } from '../hook/bite.ts';
import { degrees } from '../numeric/vec.ts';
import { marked } from '../quantity/phrase.ts';
import { behaviour } from './behaviour.ts';

/** Where the eye stands, and whether the point clears it. */
export const eye = behaviour({
  key: 'eye',
  needs: 'at once',
  readings: {
    'eye.angle': {
      name: 'Eye angle',
      quantity: 'angle',
      unit: '°',
      kind: 'measured',
      group: 'Hook',
      formula: '∠(leg, shank forward)',
      note: 'Between the shank’s forward line and the eye’s leg.',
    },
    'eye.x': {
      name: 'Eye, from rear face',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Hook',
      formula: 'x of the ring’s centre',
      note: 'Centre of the eye along the shank.',
    },
    'eye.z': {
      name: 'Eye, above shank',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Hook',
      formula: 'z of the ring’s centre',
      note: 'Centre of the eye above the shank line.',
    },
  },
  read({ hook }) {
    const { along, centre } = hook.eye;
    return {
      // The angle as typed, not as its cosine and sine round it.
      'eye.angle': Math.round(degrees(Math.atan2(along[2], along[0])) * 1e9) / 1e9,
      'eye.x': centre[0],
      'eye.z': centre[2],
    };
  },
  flags(_rig, value) {
    const bite = value('hook.biteAboveEye');
    const sure = sureBite(value('hook.gap'));
    if (bite < 0) {
      return [
        {
          level: 'stop',
          code: 'bite.below',
          path: '/eye',
          text:
            `The eye stands ${marked(-bite, 'size')} above the point: the line meets the fish before ` +
            'the hook does. Lean the eye forward or take a larger hook.',
        },
      ];
    }
    if (!(bite < sure)) return [];
    return [
      {
        level: 'care',
        code: 'bite.small',
        path: '/eye',
        text:
          `The point is only ${marked(bite, 'size')} above the eye; about ${marked(sure, 'size')} ` +
          'is needed for a sure bite (common practice).',
      },
    ];
  },
});
