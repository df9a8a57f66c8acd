import type { HeadBody } from './body.ts';
import { bareHead, isPlain } from './body.ts';
import type { MeshQuality } from './loft.ts';
import { loft } from './loft.ts';
import { massProperties } from './mesh.ts';
import type { Profile } from './profile.ts';
import { sectionRadius } from './profile.ts';
import type { Revolve } from './revolve.ts';
import { revolveSurface } from './revolve.ts';
import { bodySolid, ROUGH, surfaceMesh } from './solid.ts';
import { solids } from './kernel.ts';

/** Surface of a head, wire and holes still filled, mm². */
export interface Surface {
  /** with collar and features */
  readonly area: number;
  /** without the collar */
  readonly bare: number;
}

/** Fineness at which a worked body's area is within 0.1% once it is set right by what the same facets lose of the plain loft. */
const FINE_WORKED: MeshQuality = { rings: 48, corners: 64, round: 96 };

const rough = new WeakMap<HeadBody, number>();
const fine = new WeakMap<HeadBody, number>();

/**
 * Surface of a head's body within 0.1%; found once. Of a body with features or a collar it comes from the solid library's facets, which
 * takes some frames: see `roughArea` for what follows the hand.
 */
export function surfaceOf(head: HeadBody): Surface {
  const bare = fineArea(bareHead(head));
  return { area: head.collar ? fineArea(head) : bare, bare };
}

/** Area of a head's body, mm²: of a worked one from the few facets that its drag is found from, within half a per cent; of any other within 0.1%. */
export function roughArea(head: HeadBody): number {
  return (
    fine.get(head) ??
    once(
      rough,
      head,
      () =>
        easyArea(head) ?? setRight(head, massProperties(surfaceMesh(head, ROUGH, ROUGH)).area, ROUGH, 0.5),
    )
  );
}

const fineArea = (head: HeadBody): number => once(fine, head, () => easyArea(head) ?? workedArea(head));

function once(known: WeakMap<HeadBody, number>, head: HeadBody, find: () => number): number {
  let area = known.get(head);
  if (area === undefined) {
    area = find();
    known.set(head, area);
  }
  return area;
}

/** Area of a body that needs no library; undefined of a worked one. */
function easyArea(head: HeadBody): number | undefined {
  const { profile, collar, mesh, shapes } = head;
  if (isPlain(head)) return loftArea(profile) + (collar ? collarArea(profile, collar) : 0);
  return mesh && shapes.length === 0 ? massProperties(mesh).area : undefined;
}

function workedArea(head: HeadBody): number {
  const solid = bodySolid(solids(), head, FINE_WORKED);
  const area = solid.surfaceArea();
  solid.delete();
  return setRight(head, area, FINE_WORKED);
}

/** What facets lose of the loft they lose of what is left of it. */
const setRight = ({ mesh, profile }: HeadBody, area: number, quality: MeshQuality, part?: number): number =>
  mesh ? area : (area * loftArea(profile, part)) / facets(profile, quality);

/** Facets cut a curved surface short by the square of their size, so two finenesses tell what neither does (Richardson 1911). */
function loftArea(profile: Profile, part = 1): number {
  const area = (share: number) => facets(profile, { rings: 40 * share, corners: 48 * share });
  const [half, whole] = [area(part / 2), area(part)];
  return whole + (whole - half) / 3;
}

/** Panels of the part of a body that a collar goes into: along it, closer together at a rounded rear, and around its left half. */
const PANELS = { along: 24, around: 48 };

/** What a collar adds to the surface of a loft: its own outside, less what it covers of the rear, mm². */
function collarArea(profile: Profile, collar: Revolve): number {
  const { along, around } = PANELS;
  const turns = Array.from({ length: around + 1 }, (_, j) => {
    const turn = (Math.PI * j) / around - Math.PI / 2;
    return [Math.cos(turn), Math.sin(turn)] as const;
  });
  const ring = (i: number) => {
    const x = collar.to * (i / along) ** 2;
    const section = profile.section(x);
    return { x, radius: collar.radius(x), at: turns.map(([c, s]) => sectionRadius(section, c, s)) };
  };
  let half = revolveSurface(collar) / 2;
  let behind = ring(0);
  const slice = Math.PI / around;
  for (let j = 0; j < around; j++) {
    const reach = Math.min(behind.radius, ((behind.at[j] as number) + (behind.at[j + 1] as number)) / 2);
    half -= (reach ** 2 * slice) / 2;
  }
  for (let i = 1; i <= along; i++) {
    const front = ring(i);
    const step = front.x - behind.x;
    const radius = (front.radius + behind.radius) / 2;
    for (let j = 0; j < around; j++) {
      const [a, b] = [behind.at[j] as number, behind.at[j + 1] as number];
      const [c, d] = [front.at[j] as number, front.at[j + 1] as number];
      const mean = (a + b + c + d) / 4;
      if (mean >= radius) continue;
      const [up, round] = [(c + d - a - b) / 2, (b + d - a - c) / 2];
      // The collar's own strip shows, and the body's under it does not.
      half += radius * slice * Math.sqrt(step ** 2 + (front.radius - behind.radius) ** 2);
      half -= Math.sqrt((step ** 2 + up ** 2) * (mean * slice) ** 2 + (step * round) ** 2);
    }
    behind = front;
  }
  return 2 * half;
}

const facets = (profile: Profile, quality: MeshQuality): number =>
  massProperties(loft(profile, undefined, quality)).area;
