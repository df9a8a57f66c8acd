import type { CollarSpec, WireKeeperSpec } from '../design.ts';
import type { Profile } from '../head/profile.ts';
import { sectionRadius } from '../head/profile.ts';
import type { Revolve } from '../head/revolve.ts';
import { findRoot } from '../numeric/root.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { radians } from '../numeric/vec.ts';

/**
 * A cast collar as a body of revolution: a plain core with barbs that rise towards the head, so that the plastic slides
 * on from behind and cannot slide off. `to` is where the collar has wholly entered the head.
 * Returns undefined when the head is nowhere wide enough to take the core.
 */
export function collarRevolve(spec: CollarSpec, profile: Profile): Revolve | undefined {
  const core = spec.diameter / 2;
  const crest = core + spec.barb;
  const to = entryOf(profile, core);
  if (to === undefined) return undefined;
  const pitch = spec.barbs > 0 ? spec.length / spec.barbs : spec.length;
  const ramp = pitch * 0.6;
  const starts = Array.from({ length: spec.barbs }, (_, i) => -spec.length + i * pitch);
  const breaks = [...starts.flatMap((start) => [start, start + ramp]), 0].filter((x) => x > -spec.length);
  return {
    from: -spec.length,
    to,
    breaks,
    radius: (x) => {
      if (x < -spec.length || x > to) return 0;
      for (const start of starts) {
        if (x >= start && x < start + ramp) return core + ((crest - core) * (x - start)) / ramp;
      }
      return core;
    },
  };
}

/** How far in from the rear face a round bar of radius r on the shank line has entered the head all round. */
function entryOf(profile: Profile, r: number): number | undefined {
  const slack = (x: number) => {
    const section = profile.section(x);
    let least = Infinity;
    for (let k = 0; k < 16; k++) {
      const turn = (Math.PI * k) / 8;
      least = Math.min(least, sectionRadius(section, Math.cos(turn), Math.sin(turn)));
    }
    return least - r;
  };
  const steps = 60;
  for (let i = 1; i < steps; i++) {
    const [a, b] = [((i - 1) / steps) * profile.length, (i / steps) * profile.length];
    if (slack(b) <= 0) continue;
    const root = findRoot(slack, a, b, 1e-9);
    return root.ok ? Math.max(root.x, 1e-6) : Math.max(a, 1e-6);
  }
  return undefined;
}

/** How deep a keeper wire is anchored in the metal, mm (generic, from memory). */
const ANCHOR = 3;

/** Centre line of a wire keeper: anchored in the head beside the shank, out of the rear face, flaring off, with a hooked end. */
export function wireKeeperPath(spec: WireKeeperSpec, hookWire: number): Vec3[] {
  const z = -(hookWire + spec.wire) / 2 - 0.15;
  const slope = radians(spec.flare);
  const end: Vec3 = [-spec.length * Math.cos(slope), 0, z - spec.length * Math.sin(slope)];
  // The last bit turns back towards the head, the barb that holds the plastic.
  const hooked: Vec3 = [end[0] + 1.2, 0, end[2] - 0.9];
  const path: Vec3[] = [];
  const pieces = 12;
  for (let i = 0; i <= pieces; i++) path.push([ANCHOR * (1 - i / pieces), 0, z]);
  for (let i = 1; i <= pieces; i++) path.push([(end[0] * i) / pieces, 0, z + ((end[2] - z) * i) / pieces]);
  path.push(hooked);
  return path;
}
