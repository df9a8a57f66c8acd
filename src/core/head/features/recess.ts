import type { Vec2, Vec3 } from '../../numeric/vec.ts';
import type { Profile } from '../profile.ts';
import type { Shape } from './shape.ts';

/** A round pocket about the eye's ring, for an eye that is set into the head of this profile. `radius` mm. */
export function recess([x0, , z0]: Vec3, radius: number, profile: Profile): Shape {
  const half = (x: number) => Math.sqrt(Math.max(0, radius ** 2 - (x - x0) ** 2));
  return {
    of: 'recess',
    path: '/eye/recess',
    sign: -1,
    from: x0 - radius,
    to: x0 + radius,
    breaks: [x0 - radius, x0, x0 + radius],
    edges: (x) => [half(x)],
    span: (x, y) => {
      const h2 = half(x) ** 2 - y * y;
      if (h2 <= 0) return undefined;
      const h = Math.sqrt(h2);
      return [z0 - h, z0 + h];
    },
    solid: (kernel, corners) => {
      const ball = kernel.Manifold.sphere(radius, corners);
      const stretch = Math.cbrt(((4 / 3) * Math.PI * radius ** 3) / ball.volume());
      const round = ball.scale([stretch, stretch, stretch]);
      const placed = round.translate([x0, 0, z0]);
      ball.delete();
      round.delete();
      return placed;
    },
    undercut:
      'The pocket around the eye needs a small core in the mould, or a round-nosed cutter after pouring.',
    drawn: () => {
      const circle = Array.from({ length: 49 }, (_, i): Vec2 => {
        const turn = (2 * Math.PI * i) / 48;
        return [x0 + radius * Math.cos(turn), z0 + radius * Math.sin(turn)];
      });
      return { side: [{ path: circle.filter(([x, z]) => profile.section(x).t > z), hidden: true }] };
    },
  };
}
