import { totalMass } from '../assembly/rig.ts';
import { waterDensity } from '../material/water.ts';
import { behaviour } from './behaviour.ts';
import type { RiggedBait } from '../assembly/rig.ts';
import { submerged } from '../assembly/submerged.ts';
import { LASTS, SEAT, TORN } from '../rigging/limits.ts';
import type { LaidMeasures } from '../rigging/method.ts';
import { methodOf } from '../rigging/methods/index.ts';

/** How a plastic lies on the head. Absent without one. */
export const fit = behaviour({
  key: 'fit',
  needs: 'at once',
  readings: {
    'rig.exit': {
      name: 'Hook comes out at',
      quantity: 'share',
      unit: '1',
      kind: 'geometry',
      group: 'Rig',
      formula: 'exit / length of the body',
      note:
        'Distance from the nose at which the hook leaves the body, or a buried point lies, as a ' +
        'share of the rigged body.',
    },
    'rig.exitAt': {
      name: 'Hook comes out, from the nose',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Rig',
      formula: 'where the bend rises through the back',
      note:
        'Along the body from its nose. The body’s axis follows the shank, or is laid over the ' +
        'point where that is buried.',
    },
    'rig.freeGap': {
      name: 'Free gap',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Rig',
      formula: 'point height − wire/2 − highest of the back',
      note: 'Clear room between plastic and bare point, or for the body to drop off a buried one.',
    },
    'rig.fill': {
      name: 'Gap filled',
      quantity: 'share',
      unit: '1',
      kind: 'geometry',
      group: 'Rig',
      formula: 'body height / gap',
      note: 'Height of the body where it fills the gap, over the gap of the hook.',
    },
    'rig.tailRoom': {
      name: 'Body behind the hook',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Rig',
      formula: 'start of the tail − exit',
      note: 'Body left between hook and moving tail or claws; below zero the hook reaches into them.',
    },
    'rig.shoulderHeight': {
      name: 'Head height over body height',
      quantity: 'number',
      unit: '1',
      kind: 'geometry',
      group: 'Rig',
      formula: 'height of the head / height of the body',
      note: 'Just behind the seat, or amid the metal that lies in the bait.',
      decimals: 2,
    },
    'rig.shoulderBreadth': {
      name: 'Head breadth over body breadth',
      quantity: 'number',
      unit: '1',
      kind: 'geometry',
      group: 'Rig',
      formula: 'breadth of the head / breadth of the body',
      note: 'Just behind the seat, or amid the metal that lies in the bait.',
      decimals: 2,
    },
    'rig.seat': {
      name: 'Collar over nose',
      quantity: 'share',
      unit: '1',
      kind: 'geometry',
      group: 'Rig',
      formula: 'widest of the collar / least thickness of the nose',
      note: 'How much of the nose a cast collar fills.',
    },
    'rig.bend': {
      name: 'Body bent by',
      quantity: 'angle',
      unit: '°',
      kind: 'geometry',
      group: 'Rig',
      formula: 'atan2(lift off the shank, way to the point)',
      note: 'How far the body is lifted off the shank on its way to the point, or bent on purpose.',
    },
    'rig.bite': {
      name: 'Bite with the plastic on',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Rig',
      formula: 'z_point − highest of eye and bait before it',
      note:
        'Height of the point over what stands before it: the eye, and a bait with a bare point; ' +
        'one that covers the point gives way. Below zero the bait stands higher than the point.',
    },
    'rig.reach': {
      name: 'Nose to point',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Rig',
      formula: 'x_nose − x_point',
      note: 'From the nose of the plastic back to the point: a screw that stands the bait off shortens it by as much.',
    },
    'rig.cover': {
      name: 'Plastic over the point',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Rig',
      formula: 'z_back − (z_point + wire/2)',
      note: 'How deep the point lies. Below zero it stands clear of the back.',
    },
    'rig.lasts': {
      name: 'Fish per bait',
      quantity: 'number',
      unit: '1',
      kind: 'index',
      group: 'Rig',
      formula: 'by toughness × way of rigging × strain at the nose',
      note:
        'Soft 2, standard 4, stretchy 12, each for a bare point and an easy seat; six tenths ' +
        'where the point is torn out through the back, less where the keeper strains the nose ' +
        '(common practice, no source). Only its order means anything.',
      decimals: 1,
    },
    'rig.mass': {
      name: 'Head and plastic',
      quantity: 'mass',
      unit: 'g',
      kind: 'geometry',
      group: 'Rig',
      formula: 'Σ m_i',
      note:
        'Everything that is thrown. The plastic’s volume from its form (common practice, no ' +
        'source) × its density, or as it was weighed.',
    },
    'rig.submerged': {
      name: 'Rigged, in the water',
      quantity: 'force',
      unit: 'gf',
      kind: 'geometry',
      group: 'Rig',
      formula: 'W = Σ (m_i − ρ_w V_i)',
      note: 'Submerged weight with the plastic on, in gram-force. Below zero it floats.',
    },
  },
  read(rig, { water }) {
    const { bait } = rig;
    if (!bait) return {};
    const { laid } = bait;
    return {
      ...laidValues(laid),
      'rig.lasts': lasts(bait),
      'rig.mass': totalMass(rig),
      'rig.submerged': submerged(rig, waterDensity(water)).weight,
    };
  },
});

/** Readings that follow from how a plastic lies alone. */
export function laidValues(laid: LaidMeasures) {
  const present = (value: number) => (Number.isFinite(value) ? value : undefined);
  return {
    'rig.exit': present(laid.exitShare),
    'rig.exitAt': present(laid.exit),
    'rig.freeGap': present(laid.freeGap),
    'rig.fill': present(laid.fill),
    'rig.tailRoom': present(laid.tailRoom),
    'rig.shoulderHeight': present(laid.shoulderHeight),
    'rig.shoulderBreadth': present(laid.shoulderBreadth),
    'rig.seat': laid.seat > 0 ? present(laid.seat) : undefined,
    'rig.bend': laid.bend,
    'rig.bite': laid.bite,
    'rig.reach': laid.reach,
    'rig.cover': laid.cover,
  };
}

/** Fish per bait as it is rigged, as an index. */
function lasts({ plastic, method, laid }: RiggedBait): number {
  const [easy] = SEAT[plastic.toughness].most;
  const strained = laid.seat > easy ? easy / laid.seat : 1;
  return LASTS[plastic.toughness] * strained * (methodOf(method).point === 'bare' ? 1 : TORN);
}
