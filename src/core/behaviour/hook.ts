import { behaviour } from './behaviour.ts';

/** Measures of the hook where it is, and of its wire in the metal. */
export const hook = behaviour({
  key: 'hook',
  needs: 'at once',
  readings: {
    'hook.gap': {
      name: 'Gap',
      quantity: 'size',
      unit: 'mm',
      kind: 'practice',
      group: 'Hook',
      formula: 'point height − shank level − wire',
      note:
        'Clear distance from shank to point, from the chart (common practice, from memory), or as ' +
        'the shop measured it; less than it where the style turns the point in.',
      compared: true,
    },
    'hook.throat': {
      name: 'Throat',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Hook',
      formula: 'x_point − x_bend − wire/2',
      note: 'From the point back to the inside of the bend.',
      compared: true,
    },
    'hook.wire': {
      name: 'Wire',
      quantity: 'size',
      unit: 'mm',
      kind: 'practice',
      group: 'Hook',
      formula: 'd',
      note:
        'Wire diameter of size and grade, from the chart (common practice, from memory), or as ' +
        'the shop measured it.',
      compared: true,
    },
    'hook.biteAboveEye': {
      name: 'Bite above the eye',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Hook',
      formula: 'z_point − z_eye top',
      note:
        'Height of the point over the highest metal of the eye, square to the shank. About ' +
        '{1/4 in} gives a sure bite (common practice, no source).',
      compared: true,
    },
    'hook.pointDirection': {
      name: 'Point turned out',
      quantity: 'angle',
      unit: '°',
      kind: 'geometry',
      group: 'Hook',
      formula: '∠(point leg, shank)',
      note:
        'Angle between point and shank; below zero the point is turned in to the eye (from the ' +
        'style, from memory).',
    },
    'hook.shankOutside': {
      name: 'Shank outside',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Hook',
      formula: '−x of the bend’s rear',
      note: 'From the rear face to the rearmost of the bend.',
      compared: true,
    },
    'hook.wireInside': {
      name: 'Wire in the metal',
      quantity: 'volume',
      unit: 'mm³',
      kind: 'geometry',
      group: 'Hook',
      formula: '∫ wire ∩ metal',
      note: 'Volume of hook wire that metal surrounds.',
    },
  },
  read({ hook: path, measures, wireInside, isHookMeasured }) {
    const kind = isHookMeasured ? 'measured' : undefined;
    return {
      'hook.gap': { value: path.tip[2] - path.shankLevel - path.wire, kind },
      'hook.throat': path.tip[0] - path.bendRear[0] - path.wire / 2,
      'hook.wire': { value: measures.wire, kind },
      'hook.biteAboveEye': path.pointHeight - path.eye.top,
      'hook.pointDirection': path.pointLean,
      'hook.shankOutside': -path.bendRear[0],
      'hook.wireInside': wireInside,
    };
  },
});
