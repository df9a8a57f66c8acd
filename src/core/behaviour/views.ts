import type { HeadBody } from '../head/body.ts';
import { bareHead } from '../head/body.ts';
import type { HeadOutlines } from '../head/outline.ts';
import { bodyOutlines, sideAndTop } from '../head/outline.ts';
import { seenAlong } from './outline.ts';

/**
 * Stations along a head at which its outlines are looked at: twice as many move no figure by more than one in
 * two hundred.
 */
const STATIONS = 96;

/** Closed outlines from the side, forward and up, and from above, forward and to the left, mm. */
type Views = Pick<HeadOutlines, 'side' | 'top'>;

const views = new WeakMap<HeadBody, Views>();

/** Views of the bare metal: its columns' reach, or the corners of a solid from outside that is not worked. */
export function viewsOf(head: HeadBody): Views {
  let known = views.get(head);
  if (!known) {
    const bare = bareHead(head);
    const { mesh, shapes, profile } = bare;
    known =
      mesh && shapes.length === 0
        ? { side: seenAlong(mesh.positions, 0, 2), top: seenAlong(mesh.positions, 0, 1) }
        : shapes.length === 0
          ? sideAndTop(profile, STATIONS)
          : whereMetal(bodyOutlines(bare, STATIONS));
    views.set(head, known);
  }
  return known;
}

/**
 * Views without the places along a head where a cut has left nothing. Each view runs along one side to the
 * nose and back along the other.
 */
function whereMetal({ side, top }: Views): Views {
  const last = side.length - 1;
  const isMetal = side.map(([, z], i) => z !== 0 || side[last - i]?.[1] !== 0);
  return { side: side.filter((_, i) => isMetal[i]), top: top.filter((_, i) => isMetal[i]) };
}
