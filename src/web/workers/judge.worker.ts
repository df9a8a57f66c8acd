import { expose } from 'comlink';
import wasm from 'manifold-3d/manifold.wasm?url';
import type { Bait } from '../../core/assembly/index.ts';
import type { Flag, ReadingId, Readings, Surroundings } from '../../core/behaviour/index.ts';
import type { Design, LadderSpec, Problem } from '../../core/document/index.ts';
import type { TargetOf } from '../../core/head/index.ts';
import type { Fit, GuardWays, Verdict, WaterFigure } from '../../core/judge/index.ts';
import type { HookPairing } from '../../core/match/index.ts';
import type { Metal } from '../../core/material/index.ts';
import type { Vec3 } from '../../core/numeric/index.ts';
import type { Plastic } from '../../core/plastic/index.ts';
import type { Drawing, DrawnSection, TurnedRig } from '../../core/plate/index.ts';
import type { MethodKey } from '../../core/rigging/index.ts';
import type { MetalOutcome, MetalRow } from '../../core/series/index.ts';
import type { Mesh } from '../../core/head/mesh.ts';
import type { Placement, SolidReport } from '../../core/exchange/import-solid.ts';
import { solveTarget, weightOf } from '../../core/assembly/index.ts';
import { loadSolids, surfaceMesh } from '../../core/head/index.ts';
import {
  bestPairing,
  evaluate,
  guardWays,
  judgeFit,
  PLAIN_WATER,
  waterFigure,
} from '../../core/judge/index.ts';
import { hooksFor } from '../../core/match/index.ts';
import { drawingOf, sectionOf, turnedRig } from '../../core/plate/index.ts';
import { buildLadder, metalTable } from '../../core/series/index.ts';

import {
  changeFor,
  heads,
  matchFirst,
  matchWhole,
  pairings,
  propose,
  sayings,
  tackle,
  uses,
} from './match-rows.ts';

/** A design judged, as plain data for the screen. */
export type Judged =
  | {
      readonly ok: true;
      readonly design: Design;
      readonly readings: Readings;
      readonly flags: readonly Flag[];
      readonly drawing: Drawing;
    }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** A way to make the design in another metal, with its outline in place of the rig. */
export type MetalFigure =
  | (Omit<Extract<MetalOutcome, { ok: true }>, 'rig'> & { readonly drawing: Drawing })
  | Extract<MetalOutcome, { ok: false }>;

/** A design in one metal, as a page shows it. */
export interface MetalLine {
  readonly metal: MetalRow['metal'];
  readonly density: number;
  readonly sameWeight: MetalFigure;
  readonly sameSize: MetalFigure;
}

// Features are cut by the solid library: nothing is judged before it is here.
const ready = loadSolids(wasm);

function judge(design: Design, surroundings: Surroundings): Judged {
  const result = evaluate(design, surroundings);
  if (!result.ok) return result;
  const { rig: built, ...rest } = result;
  return { ...rest, drawing: drawingOf(built) };
}

function metals(solved: Design, surroundings: Surroundings, compared?: readonly string[]): MetalLine[] {
  const figure = (outcome: MetalOutcome): MetalFigure => {
    if (!outcome.ok) return outcome;
    const { rig: built, ...rest } = outcome;
    return { ...rest, drawing: drawingOf(built, 24) };
  };
  return metalTable(solved, { ...surroundings, isShort: true }, compared).map(
    ({ metal, density, sameWeight, sameSize }) => ({
      metal,
      density,
      sameWeight: figure(sameWeight),
      sameSize: figure(sameSize),
    }),
  );
}

/** A plastic on a head: the fit, the judged rig, and what it looks like turned about the shank. */
export interface Rigged {
  readonly fit: Fit | undefined;
  readonly judged: Judged;
  /** seen from the side the person turned it to, and from above */
  readonly turned: TurnedRig | undefined;
  readonly above: TurnedRig | undefined;
  readonly guard: GuardWays | undefined;
}

function rig(
  design: Design,
  plastic: Plastic,
  method: MethodKey,
  surroundings: Surroundings,
  turn: number,
): Rigged {
  const result = evaluate(design, surroundings, { plastic, method });
  if (!result.ok)
    return { fit: undefined, judged: result, turned: undefined, above: undefined, guard: undefined };
  const { rig: built, ...rest } = result;
  return {
    fit: judgeFit(result, surroundings.metals),
    judged: { ...rest, drawing: drawingOf(built) },
    turned: turnedRig(built, turn),
    above: turnedRig(built, turn + 90),
    guard: guardWays(rest.design, surroundings.metals),
  };
}

/** A head with a bait on it, for a table: how it goes on, and every reading there at once. */
export interface Baited {
  readonly method: MethodKey;
  readonly verdict: Verdict;
  readonly readings: Partial<Record<ReadingId, number>>;
}

/** The same bait on several heads, by one method or on each by its best; undefined for a head that cannot be built. */
function baited(
  designs: readonly Design[],
  plastic: Plastic,
  surroundings: Surroundings,
  method?: MethodKey,
): (Baited | undefined)[] {
  return designs.map((design) => {
    const solved = solveTarget(design, surroundings.metals);
    if (!solved.ok) return undefined;
    const way = method ?? bestPairing(solved.rig, plastic).method;
    const result = evaluate(design, surroundings, { plastic, method: way });
    if (!result.ok) return undefined;
    const readings = Object.fromEntries(
      Object.entries(result.readings).map(([id, { value }]) => [id, value]),
    );
    return { method: way, verdict: judgeFit(result, surroundings.metals).verdict, readings };
  });
}

/** Hooks for a plastic on a design's head, best first. */
const hooks = (design: Design, plastic: Plastic, metals: readonly Metal[] | undefined): HookPairing[] =>
  hooksFor(design, plastic, metals);

/** A head as it is built. */
export interface Built {
  readonly dimensions: Design['head']['dimensions'];
  /** the weight a target of each kind would hold, g or gram-force */
  readonly weighs: Readonly<Record<TargetOf, number>>;
}

/** Sizes as they are built and weights; undefined where the design cannot be built. */
function built(design: Design, metals: readonly Metal[] | undefined): Built | undefined {
  const solved = solveTarget(design, metals);
  if (!solved.ok) return undefined;
  const weighs = (of: TargetOf) => weightOf(solved.rig, of);
  return {
    dimensions: solved.design.head.dimensions,
    weighs: { metal: weighs('metal'), total: weighs('total'), submerged: weighs('submerged') },
  };
}

/** One head in the water: its readings and what the pictures are drawn from. */
export type Wet =
  | {
      readonly ok: true;
      readonly name: string;
      readonly metal: string;
      readonly drawing: Drawing;
      readonly readings: Readings;
      /** undefined where it floats */
      readonly water: WaterFigure | undefined;
    }
  | { readonly ok: false; readonly name: string; readonly problems: readonly Problem[] };

/** A head in lead and in tungsten, at its weight and at its size. */
function inTwoMetals(design: Design, surroundings: Surroundings): Design[] {
  const result = evaluate(design, { ...surroundings, isShort: true });
  if (!result.ok) return [design];
  const grams = result.readings['mass.metal']?.value ?? 0;
  const others = ['lead', 'tungsten'].filter((key) => key !== design.head.metal);
  return [
    { ...result.design, name: design.name },
    ...others.flatMap((metal) => {
      const head = { ...result.design.head, metal, density: undefined };
      return [
        {
          ...result.design,
          name: `${metal}, its weight`,
          head: { ...head, target: { grams, of: 'metal' as const } },
        },
        { ...result.design, name: `${metal}, its size`, head: { ...head, target: undefined } },
      ];
    }),
  ];
}

/** One head in lead and in tungsten, with what a comparison shows of each. */
function twoMetals(design: Design, surroundings: Surroundings): { design: Design; judged: Judged }[] {
  return inTwoMetals(design, surroundings).map((made) => ({
    design: made,
    judged: judge(made, surroundings),
  }));
}

/** Several heads in the same water, each with the bait on it if there is one; the first in two metals where asked for. */
function wet(designs: readonly Design[], surroundings: Surroundings, bait?: Bait, inMetals = false): Wet[] {
  const [first] = designs;
  const shown = inMetals && first ? inTwoMetals(first, surroundings) : designs;
  return shown.map((design): Wet => {
    const result = evaluate(design, surroundings, bait);
    if (!result.ok) return { ok: false, name: design.name, problems: result.problems };
    const { rig: built, readings } = result;
    return {
      ok: true,
      name: design.name,
      metal: design.head.metal,
      drawing: drawingOf(built),
      readings,
      water: waterFigure(built, surroundings),
    };
  });
}

/** What a turnable picture needs: the closed mesh of the metal and the wires about it, in mm. */
export interface SolidModel {
  readonly positions: Float32Array;
  readonly triangles: Uint32Array;
  readonly wires: readonly {
    readonly path: readonly Vec3[];
    readonly diameter: number;
    readonly of: 'hook' | 'keeper' | 'guard';
  }[];
  readonly rings: readonly {
    readonly centre: Vec3;
    readonly radius: number;
    readonly wire: number;
    readonly axis: Vec3;
  }[];
}

function model(design: Design, surroundings: Surroundings): SolidModel | undefined {
  const result = evaluate(design, { ...surroundings, isShort: true });
  if (!result.ok) return undefined;
  const { hook, keeper, guard, head } = result.rig;
  const fine = { rings: 72, corners: 64 };
  const mesh = surfaceMesh(head, fine, fine);
  const { eye, hinge } = hook;
  // The ring's axis: square to the leg, and to the plane it lies in.
  const axis: Vec3 = eye.plane === 'in line' ? [0, 1, 0] : [-eye.along[2], 0, eye.along[0]];
  return {
    positions: Float32Array.from(mesh.positions),
    triangles: mesh.triangles,
    wires: [
      { path: hook.centre, diameter: hook.wire, of: 'hook' },
      ...(hinge ? [{ path: hook.legAndShank, diameter: hook.wire, of: 'hook' as const }] : []),
      ...(keeper?.wires ?? []).map((wire) => ({ ...wire, of: 'keeper' as const })),
      ...(guard?.shown() ?? []).map((wire) => ({ ...wire, of: 'guard' as const })),
    ],
    rings: [
      { centre: eye.centre, radius: eye.radius, wire: 2 * eye.wireRadius, axis },
      ...(hinge ? [hinge.loop, ...(hinge.link ? [hinge.link] : []), hinge.hookEye] : []).map((ring, i) => ({
        centre: ring.centre,
        radius: ring.radius,
        wire: 2 * ring.wireRadius,
        // Rings through each other stand crosswise in turn.
        axis: (i % 2 === 0 ? [0, 1, 0] : [0, 0, 1]) as Vec3,
      })),
    ],
  };
}

function section(design: Design, share: number, surroundings: Surroundings): DrawnSection | undefined {
  const result = evaluate(design, { ...surroundings, isShort: true });
  return result.ok ? sectionOf(result.rig, share) : undefined;
}

/** Every metal of the store, the same weight and the same size, as figures without outlines. */
function allMetals(solved: Design, surroundings: Surroundings): MetalLine[] {
  return metals(
    solved,
    surroundings,
    (surroundings.metals ?? []).map(({ key }) => key),
  );
}

/** One weight of a ladder as the screen shows it. */
export interface RungFigure {
  readonly grams: number;
  readonly hook: string;
  readonly ruled: boolean;
  readonly name: string;
  readonly judged: Judged;
  readonly made: Design;
}

function ladder(design: Design, spec: LadderSpec, surroundings: Surroundings): RungFigure[] {
  return buildLadder(design, spec, surroundings.metals).map(({ grams, hook, ruled, design: made }) => ({
    grams,
    hook,
    ruled,
    name: made.name,
    judged: judge(made, surroundings),
    made,
  }));
}

/** Reads an STL or 3MF and tells what is to be said of it. */
async function examine(bytes: Uint8Array): Promise<SolidReport> {
  const kernel = await ready;
  const [{ examineSolid }, { readStl }, { readThreeMf }] = await Promise.all([
    import('../../core/exchange/import-solid.ts'),
    import('../../core/exchange/stl.ts'),
    import('../../core/exchange/threemf.ts'),
  ]);
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  return examineSolid(kernel, isZip ? readThreeMf(bytes) : readStl(bytes));
}

/** A design around a solid set on the shank, judged, or why it cannot be. */
async function placedSolid(
  mesh: Mesh,
  placement: Placement,
  name: string,
  file: string,
): Promise<{ design: Design; judged: Judged } | { reason: string }> {
  const { importedDesign, placeSolid } = await import('../../core/exchange/import-solid.ts');
  try {
    const design = importedDesign(name, file, placeSolid(mesh, placement));
    return { design, judged: judge(design, PLAIN_WATER) };
  } catch (error) {
    return { reason: (error as Error).message };
  }
}

/** Waits for the solid library before each answer. */
const awaited =
  <A extends unknown[], R>(answer: (...args: A) => R) =>
  async (...args: A): Promise<Awaited<R>> => {
    await ready;
    return await answer(...args);
  };

const service = {
  judge: awaited(judge),
  built: awaited(built),
  metals: awaited((solved: Design, surroundings: Surroundings) => metals(solved, surroundings)),
  allMetals: awaited(allMetals),
  rig: awaited(rig),
  baited: awaited(baited),
  pairings: awaited(pairings),
  hooks: awaited(hooks),
  heads: awaited(heads),
  matchFirst: awaited(matchFirst),
  matchWhole: awaited(matchWhole),
  changeFor: awaited(changeFor),
  propose: awaited(propose),
  uses: awaited(uses),
  sayings: awaited(sayings),
  tackle: awaited(tackle),
  twoMetals: awaited(twoMetals),
  wet: awaited(wet),
  model: awaited(model),
  section: awaited(section),
  ladder: awaited(ladder),
  examine,
  placed: awaited(placedSolid),
};
/** What the judging worker does. */
export type JudgeService = typeof service;

expose(service);
