import { messageOf } from '../../core/kind/index.ts';
import { expose } from 'comlink';
import wasm from 'manifold-3d/manifold.wasm?url';
import type { Design, Mould, Problem } from '../../core/document/index.ts';
import type { Charge, CutOffer, MouldVolumes, TakenIn } from '../../core/make/index.ts';
import type { Metal } from '../../core/material/index.ts';
import type { WaterCalibration } from '../../core/trial/index.ts';
import type { Cut, Trial } from '../../core/document/index.ts';
import type { InHand } from '../../core/make/take-in.ts';
import { headMass, metalPart } from '../../core/assembly/index.ts';
import { loadSolids } from '../../core/head/index.ts';
import { evaluate, PLAIN_WATER } from '../../core/judge/index.ts';
import { chargeOf, cavityFactor, layMould } from '../../core/make/index.ts';
import { calibrationFor } from '../../core/trial/index.ts';
import type { GoesOn } from './in-parts.ts';
import { mouldRigs } from '../../core/exchange/mould-files.ts';
import { floorDepth } from '../../core/make/cutter.ts';
import { mouldSheet } from '../../core/make/mould-sheet.ts';
import { cavitySolid, mouldSolids, SHOWN } from '../../core/make/mould-solids.ts';
import { opening } from '../../core/make/opening.ts';
import { cutsFor, recut } from '../../core/make/recut.ts';
import type { HeadRow } from '../../core/exchange/heads-table/index.ts';
import { buildHead } from '../../core/exchange/heads-table/build-heads.ts';
import { takingIn } from '../../core/make/take-in.ts';
import { meshOf } from '../../core/head/solid.ts';
import type { Sheet } from '../../core/plate/sheet.ts';
import type { UnitSystem } from '../../core/quantity/index.ts';

const ready = loadSolids(wasm);

/** Room about the parting face for its sizes, mm. */
const ROOM = 13;

/** One cavity as it is laid out and as it throws now. */
export interface CavityFigure {
  readonly name: string;
  readonly hook: string;
  /** metal as made, metal now, and as weighed now; g */
  readonly was: number;
  readonly metal: number;
  readonly total: number;
  /** readings before and after: fall m/s, sizes mm */
  readonly before: Readings;
  readonly after: Readings;
  /** mm², and facets that bind, in the cavity's frame */
  readonly bound: number;
  readonly steep: number;
  readonly facets: Float32Array;
  readonly isGateTight: boolean;
  readonly gate: number | undefined;
  /** x and z added to the cavity's own in the block */
  readonly shift: readonly [number, number];
  /**
   * where a first cut is offered: the middle of the body, in the cavity's frame, and how deep its floor is
   * there, mm
   */
  readonly middle: { readonly x: number; readonly z: number; readonly left: number; readonly right: number };
  readonly problem: string;
}
interface Readings {
  readonly fall: number;
  readonly length: number;
  readonly breadth: number;
}

/** What a mould’s screen shows at once, or why it cannot. */
export type MouldFigures =
  | {
      readonly ok: true;
      readonly sheet: Sheet;
      readonly block: readonly [wide: number, high: number, deep: number];
      readonly cavities: readonly CavityFigure[];
      /** where the face's x = 0, z = 0 stands on the sheet, mm */
      readonly origin: readonly [number, number];
      /** the parting face with its sizes, on the sheet: left, lower edge, breadth, height, mm */
      readonly face: readonly [left: number, low: number, wide: number, high: number];
    }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const readingsOf = (design: Design, metals: readonly Metal[]): Readings => {
  const judged = evaluate(design, { ...PLAIN_WATER, metals, isShort: true });
  const value = (id: 'fall.speed' | 'head.length' | 'head.breadth') =>
    judged.ok ? (judged.readings[id]?.value ?? NaN) : NaN;
  return {
    fall: value('fall.speed'),
    length: value('head.length'),
    breadth: value('head.breadth'),
  };
};

/**
 * A mould as laid out, with what each cavity throws now; quick enough to follow the hand but for its
 * readings.
 */
async function laid(mould: Mould, metals: readonly Metal[], units: UnitSystem): Promise<MouldFigures> {
  const kernel = await ready;
  const built = mouldRigs(mould, metals);
  if (!built.ok) return built;
  const layout = layMould(mould, built.rigs);
  const factor = cavityFactor(mould.shrink);
  const cavities = layout.cavities.map((cavity, i): CavityFigure => {
    const { rig } = cavity;
    const spec = mould.cavities[i];
    if (!spec) throw new Error('A cavity without its design is a mistake of the program.');
    const solid = cavitySolid(kernel, cavity, spec.cuts, SHOWN);
    const mesh = meshOf(solid);
    solid.delete();
    const open = opening(mesh, mould.draft);
    const bare = meshOf(cavitySolid(kernel, cavity, [], SHOWN));
    const middle = { x: factor * rig.body.centroid[0], z: factor * rig.body.centroid[2] };
    const before = readingsOf(spec.design, metals);
    const at = (
      problem: string,
      now = { metal: metalPart(rig).mass, total: headMass(rig) },
      after = before,
    ) => ({
      name: spec.design.name,
      hook: spec.design.hook.size,
      was: metalPart(rig).mass,
      ...now,
      before,
      after,
      bound: open.bound,
      steep: open.steep,
      facets: open.facets,
      isGateTight: cavity.isGateTight,
      gate: cavity.gating?.gate,
      shift: cavity.shift,
      middle: {
        ...middle,
        left: floorDepth(bare, middle.x, middle.z, 1),
        right: floorDepth(bare, middle.x, middle.z, -1),
      },
      problem,
    });
    if (spec.cuts.length === 0) return at('');
    try {
      const now = recut(kernel, rig, spec.design, factor, spec.cuts);
      return at('', now, readingsOf(now.design, metals));
    } catch (error) {
      return at(messageOf(error));
    }
  });
  const { from, to } = layout.block;
  const sheet = mouldSheet(layout, mould.name, units);
  return {
    ok: true,
    sheet,
    block: [to[2] - from[2], to[0] - from[0], to[1] - from[1]],
    cavities,
    origin: sheet.origins.side,
    face: [
      sheet.origins.side[0] + from[2] - ROOM,
      sheet.origins.side[1] + from[0] - ROOM,
      to[2] - from[2] + 2 * ROOM,
      to[0] - from[0] + 2 * ROOM,
    ],
  };
}

/** What takes a mould longer: volumes and charge, or why there are none. */
export type MouldWorked =
  | {
      readonly ok: true;
      readonly volumes: MouldVolumes;
      readonly charge: Charge;
    }
  | { readonly ok: false; readonly reason: string };

/** Both halves worked out, closed, with what fills the block. */
async function worked(
  mould: Mould,
  metals: readonly Metal[],
  onDone: (done: number, of: number) => void,
): Promise<MouldWorked> {
  const kernel = await ready;
  const built = mouldRigs(mould, metals);
  if (!built.ok) return { ok: false, reason: built.problems[0]?.message ?? '' };
  try {
    const { volumes, metal, sprue } = mouldSolids(
      kernel,
      layMould(mould, built.rigs),
      mould.cavities.map(({ cuts }) => cuts),
      (done, of) => void onDone(done, of),
      mould.cavities.length > 3 ? SHOWN : undefined,
    );
    return {
      ok: true,
      volumes,
      charge: chargeOf(
        { metal, sprue },
        built.rigs.map(({ density }) => density),
        mould,
      ),
    };
  } catch (error) {
    return { ok: false, reason: messageOf(error) };
  }
}

/**
 * Share of landings that end with the point up, of each cavity as made and as it is now; slower than the
 * rest.
 */
async function rests(
  mould: Mould,
  metals: readonly Metal[],
): Promise<readonly { readonly before: number; readonly after: number }[]> {
  const kernel = await ready;
  const built = mouldRigs(mould, metals);
  if (!built.ok) return [];
  const up = (design: Design) => {
    const judged = evaluate(design, { ...PLAIN_WATER, metals });
    return judged.ok ? (judged.readings['rest.hookUp']?.value ?? NaN) : NaN;
  };
  return mould.cavities.map(({ design, cuts }, i) => {
    const before = up(design);
    const rig = built.rigs[i];
    if (cuts.length === 0 || !rig) return { before, after: before };
    try {
      return { before, after: up(recut(kernel, rig, design, cavityFactor(mould.shrink), cuts).design) };
    } catch {
      // Why it cannot be judged stands beside the cavity already.
      return { before, after: NaN };
    }
  });
}

/** Ways to bring a cavity to a weight by one plunge. */
async function offers(
  mould: Mould,
  place: number,
  wanted: number,
  cutters: readonly Cut[],
  metals: readonly Metal[],
): Promise<CutOffer[]> {
  const kernel = await ready;
  const built = mouldRigs(mould, metals);
  const rig = built.ok ? built.rigs[place] : undefined;
  const cavity = mould.cavities[place];
  if (!rig || !cavity) return [];
  const half = layMould(mould, built.ok ? built.rigs : []).block.to[1];
  return cutsFor(kernel, rig, cavityFactor(mould.shrink), cavity.cuts, wanted, cutters, half - 1.5);
}

async function heads(
  rows: readonly HeadRow[],
  metals: readonly Metal[],
): Promise<ReturnType<typeof buildHead>[]> {
  await ready;
  return rows.map((row) => buildHead(row, metals));
}

async function take(hand: InHand, metals: readonly Metal[], goesOn: GoesOn): Promise<TakenIn | undefined> {
  await ready;
  const steps = takingIn(hand, metals);
  for (let done = 1; ; done++) {
    const step = steps.next();
    if (step.done) return step.value;
    if (!(await goesOn(done, metals.length, undefined))) return undefined;
  }
}

async function calibrate(
  design: Design,
  measured: Pick<Trial, 'drops' | 'tows'>,
  metals: readonly Metal[],
): Promise<WaterCalibration> {
  await ready;
  return calibrationFor(design, measured, metals);
}

/** How deep the cavity is as it was made, at a place. */
async function floor(mould: Mould, place: number, x: number, z: number, metals: readonly Metal[]) {
  const kernel = await ready;
  const built = mouldRigs(mould, metals);
  const rig = built.ok ? built.rigs[place] : undefined;
  if (!rig) return { left: 0, right: 0 };
  const solid = cavitySolid(kernel, { rig, factor: cavityFactor(mould.shrink) }, [], SHOWN);
  const mesh = meshOf(solid);
  solid.delete();
  return { left: floorDepth(mesh, x, z, 1), right: floorDepth(mesh, x, z, -1) };
}

const service = { laid, rests, worked, offers, take, heads, calibrate, floor };
/** What the making worker does. */
export type MakeService = typeof service;

expose(service);
