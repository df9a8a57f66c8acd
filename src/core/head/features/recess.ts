import type { Vec2, Vec3 } from '../../numeric/vec.ts';
import type { Profile } from '../profile.ts';
import type { Shape } from './shape.ts';
import { endsOf, meetings } from './shape.ts';

/** A round pocket about the eye's ring, for an eye that is set into the head of this profile. `radius` mm. */
export function recess([x0, , z0]: Vec3, radius: number, profile: Profile): Shape {
  const half = (x: number) => Math.sqrt(Math.max(0, radius ** 2 - (x - x0) ** 2));
  const reach = (x: number, y: number) => Math.sqrt(Math.max(0, half(x) ** 2 - y * y));
  /**
   * Where floor or roof of the pocket comes out of the section's edge, which neither of the two knows of by
   * itself.
   */
  const ways = (x: number): number[] => {
    const section = profile.section(x);
    const out = half(x);
    return ([-1, 1] as const).flatMap((way) => {
      const wall = (y: number) => z0 + way * reach(x, y);
      return meetings(section, wall, wall, out);
    });
  };
  return {
    of: 'recess',
    path: '/eye/recess',
    sign: -1,
    from: x0 - radius,
    to: x0 + radius,
    breaks: [
      x0 - radius,
      x0,
      x0 + radius,
      ...endsOf((x) => ways(x).length, profile.length),
      ...endsOf((x) => profile.section(x).t - (z0 - half(x)), profile.length),
    ],
    edges: (x) => [...ways(x), half(x)],
    span: (x, y) => {
      const h = reach(x, y);
      return h > 0 ? [z0 - h, z0 + h] : undefined;
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
