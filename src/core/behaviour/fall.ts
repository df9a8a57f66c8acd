import { submerged } from '../assembly/submerged.ts';
import { GRAVITY, waterDensity } from '../material/water.ts';
import type { Flag } from './behaviour.ts';
import { about, behaviour } from './behaviour.ts';
import { fishingOf, lineFacts } from './fishing.ts';
import { oncePer } from './once.ts';
import { pendulum } from './pendulum.ts';
import type { Fall } from './terminal-fall.ts';
import { fall } from './terminal-fall.ts';

/** Terminal fall on a slack line. */
export const falling = behaviour({
  key: 'fall',
  needs: 'at once',
  readings: {
    'fall.speed': {
      name: 'Fall',
      quantity: 'speed',
      unit: 'm/s',
      kind: 'model',
      group: 'In the water',
      formula: 'W g = ½ ρ v² Σ Cd A',
      note:
        'Terminal fall on a slack line. Submerged weight = drag. Ball: Brown & Lawler 2003, into ' +
        'which near-balls pass without a step; other heads: Hölzer & Sommerfeld 2008 in the ' +
        'attitude of motion; slender ones a quarter of the way from that to Hoerner’s law for ' +
        'streamlined bodies (1965), with a span from Ganser 1993 to his. Paint adds its size. ' +
        'Hook, keeper and guard by the cross-flow principle (Hoerner 1965). A hinged head falls ' +
        'as two bodies, each in its own balance about the hinge. A plastic, where one is rigged, ' +
        'by the same principle as wire. No line, vertical path. Where drops were timed for this ' +
        'design its drag is what they say, and so is the span.',
      compared: true,
      decides: true,
    },
    'fall.attitude': {
      name: 'Nose down in the fall',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'In the water',
      formula: 'ψ where M_drag(ψ) + M_broadside(ψ) = 0',
      note:
        'Pitch at which drag about the effective centre and the moment by which the water turns a ' +
        'body broadside balance, and turning away is opposed: the first met from level. The ' +
        'latter is that of potential flow (Munk 1924), with the added masses of the ellipsoid of ' +
        'equal second moments (Lamb 1932), three quarters of it, as the flow parts from the back; ' +
        'a bait’s as of a slender body. The span is half to all of it, with a centre of drag 3% ' +
        'of the length away (working values). The path is taken as vertical. Of a hinged head: ' +
        'the head’s own, about its hinge.',
      compared: true,
    },
    'fall.noseFirst': {
      name: 'Nose down, cast nose first',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'In the water',
      formula: 'ψ where M_drag(ψ) + M_broadside(ψ) = 0, met from 90°',
      note:
        'The steady pitch that a head settles to which enters the water nose first. Where it ' +
        'differs from the fall from level, how it lands decides. Its span is that of the fall’s ' +
        'pitch.',
    },
    'fall.hookPitch': {
      name: 'Free hook in the fall',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'In the water',
      formula: 'ψ₂ where M₂(ψ₂) = 0 about the hinge',
      note:
        'Nose-down pitch of a free hook’s shank as it falls: its own drag and weight balance ' +
        'about the hinge, with the plastic on it. It swings at most 110° off the head (working ' +
        'value). Its span is that of the fall’s pitch.',
    },
    'fall.timeToDepth': {
      name: 'Time to depth',
      quantity: 'time',
      unit: 's',
      kind: 'model',
      group: 'In the water',
      formula: 'x = v²/a · ln cosh (a t / v)',
      note:
        'Fall from rest to the given depth, with run-up; the water that moves along is that of ' +
        'the ellipsoid of equal second moments in its attitude.',
      compared: true,
    },
    'fall.swingBack': {
      name: 'Swings back on a tight line',
      quantity: 'depth',
      unit: 'm',
      kind: 'geometry',
      group: 'In the water',
      formula: 'L (cos α₁ − cos α₂)',
      note:
        'Dropped at the surface on a tight line it comes down on an arc about the rod’s tip: how ' +
        'far nearer to the rod it touches the bottom, as beside a post. Absent where the line out ' +
        'is too short, and where a line that floats carries the head.',
    },
    'fall.swingTime': {
      name: 'Time down on a tight line',
      quantity: 'time',
      unit: 's',
      kind: 'model',
      group: 'In the water',
      formula: '∫ dα / ω, ω² = M_weight(α) / (M_drag / ω²)',
      note:
        'Moments about the rod’s tip: weight of head and line against the drag of both, the ' +
        'line’s square to it over what of it is in the water (Hoerner 1965, cross-flow). The line ' +
        'taken as straight; no run-up.',
    },
  },
  read(rig, around) {
    const { speed, speeds, attitude, attitudes, noseFirst, hookPitch, timeTo } = fallen(rig, around);
    if (speed === 0) return { 'fall.speed': { value: 0, range: [0, 0] } };
    const swayed = (pitch: number) =>
      about(
        pitch,
        attitudes.map((end) => pitch + end - attitude),
      );
    const { depth } = around;
    const fishing = fishingOf(around);
    const rho = waterDensity(around.water);
    const { diameter, density } = lineFacts(fishing);
    const line = {
      diameter,
      density,
      waterDensity: rho,
      weight: (submerged(rig, rho).weight / 1000) * GRAVITY,
    };
    const swung = (v: number) => pendulum(fishing.lineOut, fishing.rodHeight, depth, v, line);
    const tight = swung(speed);
    // What is on the hook was not there when the drag was measured.
    const kind = rig.drag && !rig.bait ? ('measured' as const) : undefined;
    return {
      'fall.speed': { value: speed, range: speeds, kind },
      'fall.attitude': { value: attitude, range: attitudes },
      'fall.noseFirst': swayed(noseFirst),
      'fall.hookPitch': hookPitch === undefined ? undefined : swayed(hookPitch),
      'fall.timeToDepth': {
        value: timeTo(depth),
        range: [timeTo(depth, speeds[1]), timeTo(depth, speeds[0])],
        kind,
      },
      'fall.swingBack': tight?.back,
      'fall.swingTime': tight && {
        value: tight.time,
        range: [swung(speeds[1])?.time ?? tight.time, swung(speeds[0])?.time ?? tight.time],
      },
    };
  },
  flags(rig, _value, around) {
    const { speed, attitudes, others } = fallen(rig, around);
    const flags: Flag[] = [];
    if (rig.drag)
      flags.push({
        level: 'note',
        code: 'fall.measured',
        path: '/drag',
        text:
          'Drag: fall and retrieve follow what was measured on the water, ' +
          `${rig.drag.factor.toFixed(2)} times what is reckoned (${rig.drag.low.toFixed(2)} to ` +
          `${rig.drag.high.toFixed(2)}).`,
        brief: 'drag measured',
      });
    if (speed > 0 && others.length > 0) {
      const ways = others.map(pitchInWords).join(' or ');
      flags.push({
        level: 'note',
        code: 'falls two ways',
        path: '/head',
        text: `Fall: it can also keep falling ${ways}. Which way it takes depends on how it enters the water.`,
        brief: `falls two ways, also ${ways}`,
      });
    }
    if (speed > 0 && attitudes[0] < 0 && attitudes[1] > 0) {
      flags.push({
        level: 'note',
        code: 'falls near level',
        path: '/head',
        text:
          'Fall: its weight sits so near the middle of its drag that it may fall nose down or nose ' +
          'up. A little weight moved decides it.',
        brief: 'may fall nose down or up',
      });
    }
    return flags;
  },
});

/** The fall of a rig in its surroundings, found once for all that asks for it. */
export const fallen = oncePer((rig, around): Fall => fall(rig, around.water));

/** A nose-down pitch, degrees from −180 to 180, in words. */
export const pitchInWords = (pitch: number): string => {
  const isOnItsBack = Math.abs(pitch) > 90;
  const tilt = Math.round(isOnItsBack ? 180 - Math.abs(pitch) : Math.abs(pitch));
  return `${isOnItsBack ? 'on its back, ' : ''}nose ${pitch < 0 ? 'up' : 'down'} by ${tilt}°`;
};
