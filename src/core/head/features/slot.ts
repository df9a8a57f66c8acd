import { choice, size } from '../../kind/field.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Complaint, DrawnEdge } from './shape.ts';
import { box, endsOf, FAR, featureKind, meetings } from './shape.ts';

/**
 * A slot along the whole head that takes the hook's shank: `width` mm wide, from the far side of the wire out
 * through belly or crown.
 */
export const slot = featureKind({
  key: 'slot',
  name: 'Hook slot',
  does: 'A slot that takes the shank: for metals that are not poured around it.',
  fields: {
    open: choice('Slot open', ['below', 'above']),
    width: size('Slot width', [0.3, 1.4, 6], { step: 0.05 }),
  },
  shape({ open, width }, { profile, wire }) {
    const below = open === 'below';
    const w = width / 2;
    const floor = wire / 2;
    return {
      of: 'slot',
      path: '/head/features/slot',
      sign: -1,
      from: -FAR,
      to: FAR,
      // Where the head becomes wider than the slot, and where it begins to stand beyond the wire's far side.
      breaks: [
        ...endsOf((x) => profile.section(x).b - w, profile.length),
        ...endsOf((x) => (below ? profile.section(x).t : profile.section(x).d) - floor, profile.length),
      ],
      edges: (x) => [
        ...meetings(
          profile.section(x),
          () => (below ? floor : FAR),
          () => (below ? -FAR : -floor),
          w,
        ),
        w,
      ],
      span: (_x, y) => (Math.abs(y) >= w ? undefined : below ? [-FAR, floor] : [-floor, FAR]),
      solid: (kernel) => {
        const [lower, upper] = below ? [-FAR, floor] : [-floor, FAR];
        return box(kernel, [-FAR, -w, lower], [FAR, w, upper]);
      },
      undercut:
        'The slot lies across the way the mould opens: put a strip of its width into the mould, ' +
        'or saw it after pouring.',
      staysOpen: true,
      detail: { name: 'The slot', isMany: false, size: width, path: '/head/features/slot' },
      drawn: () => {
        const line = (z: number, hidden: boolean): DrawnEdge => ({
          path: [
            [0, z],
            [profile.length, z],
          ],
          hidden,
        });
        return { side: [line(below ? floor : -floor, true)], top: [line(w, below), line(-w, below)] };
      },
    };
  },
  check({ open, width }, { half, wire, isGuarded }) {
    const problems: Complaint[] = [];
    const say = (field: string, message: string) =>
      problems.push({ field, message: `Hook slot: ${message}` });
    const wide = marked(width, 'size');
    if (width < wire)
      say(
        'width',
        `${wide} does not take a wire of ${marked(wire, 'size')}. Make it at least ${marked(wire * 1.1, 'size')} wide.`,
      );
    if (width / 2 > half * 0.8)
      say('width', `${wide} would cut the head in two. Make it narrower, or the head broader.`);
    if (open === 'above' && isGuarded)
      say('open', 'it is open where the guard stands. Open it below, or leave the guard out.');
    return problems;
  },
});
