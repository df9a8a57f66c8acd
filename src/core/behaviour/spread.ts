import type { Vec3 } from '../numeric/vec.ts';

/** Unit vectors evenly about the sphere (Fibonacci spiral). */
export function spread(count: number): Vec3[] {
  const turn = Math.PI * (3 - Math.sqrt(5));
  return Array.from({ length: count }, (_, k): Vec3 => {
    const z = 1 - (2 * k + 1) / count;
    const r = Math.sqrt(1 - z * z);
    return [r * Math.cos(k * turn), r * Math.sin(k * turn), z];
  });
}
