import { WIRE_STEP } from '../hook/chart.ts';
import { headMass, metalPart } from '../assembly/rig.ts';
import { waterDensity } from '../material/water.ts';
import { behaviour } from './behaviour.ts';
import { submerged } from '../assembly/submerged.ts';

/** What head, hook and fittings weigh, in the hand and in the water, and where the weight sits. */
export const weight = behaviour({
  key: 'weight',
  needs: 'at once',
  readings: {
    'mass.metal': {
      name: 'Metal',
      quantity: 'mass',
      unit: 'g',
      kind: 'geometry',
      group: 'Weight',
      formula: 'm = ρ V',
      note: 'Cast volume × density of the metal.',
      compared: true,
    },
    'mass.total': {
      name: 'Total weight',
      quantity: 'mass',
      unit: 'g',
      kind: 'geometry',
      group: 'Weight',
      formula: 'Σ m_i',
      note:
        'Metal, hook, joint, keeper, guard and paint together: what a scale shows. No plastic. ' +
        'The span is the hook’s where its wire comes from the chart.',
      compared: true,
      decides: true,
    },
    'mass.hook': {
      name: 'Hook',
      quantity: 'mass',
      unit: 'g',
      kind: 'geometry',
      group: 'Weight',
      formula: 'ρ (π d²/4 · L + 2π² R r²)',
      note:
        'Wire length × section × 7.85 g/cm³, eye ring as a torus, tapered point. Of a measured ' +
        'hook as near as its measures; from the chart the span is one size of wire either way.',
    },
    'mass.keeper': {
      name: 'Keeper',
      quantity: 'mass',
      unit: 'g',
      kind: 'geometry',
      group: 'Weight',
      formula: 'ρ π d²/4 · L',
      note: 'Wire keeper; a cast collar counts as metal.',
    },
    'mass.guard': {
      name: 'Guard',
      quantity: 'mass',
      unit: 'g',
      kind: 'geometry',
      group: 'Weight',
      formula: 'ρ n π d²/4 · L',
      note: 'Fibres or wires, free and set in, × the density of what they are made of (densities from memory).',
    },
    'mass.joint': {
      name: 'Joint',
      quantity: 'mass',
      unit: 'g',
      kind: 'geometry',
      group: 'Weight',
      formula: 'ρ Σ V_i',
      note: 'Of a hinged head: wire through the head with its eye and loop, and the ring or clip.',
    },
    'mass.paint': {
      name: 'Paint',
      quantity: 'mass',
      unit: 'g',
      kind: 'geometry',
      group: 'Weight',
      formula: 'ρ t S',
      note:
        'Surface with collar and features × thickness × density of the cured paint; the surface ' +
        'of a worked head within 1.5%.',
    },
    'mass.submerged': {
      name: 'Submerged weight',
      quantity: 'force',
      unit: 'gf',
      kind: 'geometry',
      group: 'Weight',
      formula: 'W = Σ (m_i − ρ_w V_i)',
      note: 'Sum of mass less displaced water of every part, in gram-force, in the chosen water. Below zero it floats.',
      compared: true,
    },
    'mass.centreX': {
      name: 'Centre, from rear face',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Head',
      formula: 'Σ m_i x_i / Σ m_i',
      note: 'Centre of mass along the shank; positive towards the nose.',
      compared: true,
    },
    'mass.centreZ': {
      name: 'Centre, above shank',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Head',
      formula: 'Σ m_i z_i / Σ m_i',
      note: 'Centre of mass above (+) or below (−) the shank line.',
    },
    'mass.rollInertia': {
      name: 'Roll inertia',
      quantity: 'number',
      unit: 'g·mm²',
      kind: 'geometry',
      group: 'Head',
      formula: 'ρ ∫ (y² + z²) dV',
      note:
        'Of the metal alone, wire and holes taken out, about the shank’s direction through its ' +
        'own centre; by the quadrature that gives the volume.',
      compared: true,
    },
  },
  read(rig, { water }) {
    const massOf = (wanted: string) => rig.parts.find(({ name }) => name === wanted)?.mass;
    const total = headMass(rig);
    const own = rig.parts.filter(({ name }) => name !== 'plastic');
    const centre = (axis: 0 | 2) =>
      own.reduce((sum, part) => sum + part.mass * part.centroid[axis], 0) / total;
    const wire = massOf('hook') ?? 0;
    // A wire of the next size up or down: makers differ by as much from the chart.
    const spread = rig.isHookMeasured ? undefined : ([WIRE_STEP ** -2, WIRE_STEP ** 2] as const);
    return {
      'mass.metal': metalPart(rig).mass,
      'mass.total': spread
        ? { value: total, range: [total + wire * (spread[0] - 1), total + wire * (spread[1] - 1)] }
        : total,
      'mass.hook': spread
        ? { value: wire, range: [wire * spread[0], wire * spread[1]], kind: 'practice' }
        : wire,
      'mass.keeper': massOf('keeper'),
      'mass.guard': massOf('guard'),
      'mass.joint': massOf('joint'),
      'mass.paint': massOf('paint'),
      'mass.submerged': submerged(rig, waterDensity(water)).weight,
      'mass.centreX': centre(0),
      'mass.centreZ': centre(2),
      'mass.rollInertia': (rig.roll * rig.density) / 1000,
    };
  },
  flags(_rig, value) {
    if (!(value('mass.submerged') <= 0)) return [];
    return [
      {
        level: 'stop',
        code: 'floats',
        path: '/head',
        text: 'It floats in this water: there is no fall and no bottom contact.',
        brief: 'it floats',
      },
    ];
  },
});
