import { share } from '../../kind/field.ts';
import type { Vec2 } from '../../numeric/vec.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Complaint } from './shape.ts';
import { alongShank, drawnAlong, endsOf, FAR, featureKind, meetings } from './shape.ts';

/**
 * Share of the breadth from which on a channel is wide enough, and depth in half-widths up to which it is
 * shallow enough, for the few corners of a quick surface.
 */
const NARROW = 0.25;
const STEEP = 1.25;

/**
 * A round-roofed channel along the belly, open below: `width` of the breadth, `depth` of the greatest drop.
 */
export const channel = featureKind({
  key: 'channel',
  name: 'Belly channel',
  does: 'A channel along the belly that steadies it.',
  fields: {
    width: share('Channel width', [0.02, 0.35, 0.9], { note: 'Share of the breadth.' }),
    depth: share('Channel depth', [0.02, 0.3, 0.9], { note: 'Share of the drop.' }),
  },
  shape({ width, depth }, { profile, half, drop }) {
    const w = width * half;
    const h = depth * drop;
    const roof = (y: number) => -drop + h * Math.sqrt(Math.max(0, 1 - (y / w) ** 2));
    /** Where the roof comes out of the section's sides, which a wide channel does before its own edge. */
    const ways = (x: number) => meetings(profile.section(x), roof, roof, w);
    return {
      of: 'channel',
      path: '/head/features/channel',
      sign: -1,
      grows: true,
      from: -FAR,
      to: FAR,
      breaks: [
        ...endsOf((x) => profile.section(x).b - w, profile.length),
        ...endsOf((x) => ways(x).length, profile.length),
      ],
      edges: (x) => [w, ...ways(x)],
      span: (_x, y) => (Math.abs(y) < w ? [-FAR, roof(y)] : undefined),
      // A narrow or steep one goes between the corners of a surface.
      ...(width > NARROW && h < STEEP * w
        ? { face: (_x, y, z) => (Math.abs(y) < w && z < roof(y) ? ([y, roof(y)] as const) : undefined) }
        : {}),
      solid: (kernel, corners) => {
        const arcs = Math.ceil(corners / 2);
        // The roof's polygon is stretched so that it takes away the area of the half ellipse.
        const stretch = Math.PI / 2 / ((arcs * Math.sin(Math.PI / arcs)) / 2);
        const arc = Array.from({ length: arcs + 1 }, (_, i): [number, number] => {
          const turn = (Math.PI * i) / arcs;
          return [w * Math.cos(turn), -drop + h * stretch * Math.sin(turn)];
        });
        return alongShank(
          kernel,
          [...arc, [-w, -FAR], [w, -FAR]],
          -profile.length - 1,
          2 * profile.length + 1,
        );
      },
      undercut:
        'The channel lies across the way the mould opens: core it with a loose piece, or mill it after pouring.',
      detail: { name: 'The channel', isMany: false, size: 2 * w, path: '/head/features/channel' },
      drawn: () => {
        const top = roof(0);
        const under = drawnAlong(profile.length).filter((x) => profile.section(x).d > -top);
        const run = [under[0] ?? 0, under.at(-1) ?? 0];
        const line = (z: number) => ({ path: run.map((x): Vec2 => [x, z]), hidden: true });
        return { side: [line(top)], top: [line(w), line(-w)] };
      },
    };
  },
  check({ depth }, { drop, wire, clear, others }) {
    const problems: Complaint[] = [];
    const left = drop * (1 - depth);
    if (left < clear) {
      const over = marked(Math.max(0, left - wire / 2), 'size');
      problems.push({
        field: 'depth',
        message:
          `Belly channel: its roof leaves ${over} under the hook’s wire. Make it shallower, or hang ` +
          'more of the head below the shank.',
      });
    }
    const under = others['sole'];
    if (under && 'cut' in under && Number(under.cut) >= depth) {
      problems.push({
        field: 'depth',
        message:
          'Belly channel: the sole takes it away whole. Make the channel deeper than the sole, or ' +
          'leave one of the two out.',
      });
    }
    return problems;
  },
});
