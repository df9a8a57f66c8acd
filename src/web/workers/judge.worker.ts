import { expose } from 'comlink';
import wasm from 'manifold-3d/manifold.wasm?url';
import type { Brief, Design, Drawing, DrawnSection, Fit, Flag, LadderSpec, MetalOutcome, MetalRow, Plastic, Problem, Readings, RigMethod, Standing, Surroundings, Vec3, Verdict } from '../../core/index.ts'; // prettier-ignore
import type { GuardBody } from '../../core/fitting/guards/guard.ts';
import type { Mesh } from '../../core/head/mesh.ts';
import type { Placement, SolidReport } from '../../core/exchange/import-solid.ts';
import {
  drawingOf,
  evaluate,
  buildLadder,
  judgeFit,
  loadSolids,
  metalTable,
  PLAIN_WATER,
  readStl,
  sectionOf,
  surfaceMesh,
  RULES,
  standing,
  waterDensity,
} from '../../core/index.ts';

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

/** A way to make the design in another metal, with its outline in place of the assembly. */
export type MetalFigure =
  | (Omit<Extract<MetalOutcome, { ok: true }>, 'assembly'> & { readonly drawing: Drawing })
  | Extract<MetalOutcome, { ok: false }>;

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
  const { assembly, ...rest } = result;
  return { ...rest, drawing: drawingOf(assembly) };
}

function metals(solved: Design, surroundings: Surroundings, compared?: readonly string[]): MetalLine[] {
  const figure = (outcome: MetalOutcome): MetalFigure => {
    if (!outcome.ok) return outcome;
    const { assembly, ...rest } = outcome;
    return { ...rest, drawing: drawingOf(assembly, 24) };
  };
  return metalTable(solved, surroundings, compared).map(({ metal, density, sameWeight, sameSize }) => ({
    metal,
    density,
    sameWeight: figure(sameWeight),
    sameSize: figure(sameSize),
  }));
}

function rig(
  design: Design,
  plastic: Plastic,
  method: RigMethod,
  surroundings: Surroundings,
): { fit: Fit | undefined; judged: Judged } {
  const result = evaluate(design, surroundings);
  const judged = judge(design, surroundings);
  if (!result.ok) return { fit: undefined, judged };
  const rho = waterDensity(surroundings.water);
  return { fit: judgeFit(result.design, result.assembly, plastic, method, rho, surroundings.metals), judged };
}

/** How each of several plastics fits a design, in their order; empty when the design cannot be built. */
function verdicts(
  design: Design,
  plastics: readonly Plastic[],
  method: RigMethod,
  surroundings: Surroundings,
): Verdict[] {
  const result = evaluate(design, surroundings);
  if (!result.ok) return [];
  const rho = waterDensity(surroundings.water);
  return plastics.map(
    (plastic) => judgeFit(result.design, result.assembly, plastic, method, rho, surroundings.metals).verdict,
  );
}

export interface Ranked {
  readonly id: string;
  readonly readings: Readings;
  readonly standing: Standing | undefined;
  readonly problems: readonly Problem[];
}

function rankOne(id: string, design: Design, brief: Brief, surroundings: Surroundings): Ranked {
  const result = evaluate(design, surroundings);
  if (!result.ok) return { id, readings: {}, standing: undefined, problems: result.problems };
  return {
    id,
    readings: result.readings,
    standing: standing(brief, result.design, result.readings, RULES),
    problems: [],
  };
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
  const result = evaluate(design, surroundings);
  if (!result.ok) return undefined;
  const { hook, keeper, guard, head } = result.assembly;
  const mesh = surfaceMesh({ ...head }, { rings: 72, corners: 64 }, true);
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
      ...(guard ? fibresOf(guard) : []).map((wire) => ({ ...wire, of: 'guard' as const })),
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

/** Every fibre of a brush spread over its fan, or the strands of another guard. */
function fibresOf(guard: GuardBody) {
  const [left, , right] = guard.strands;
  if (guard.kind !== 'fibre' || !left || !right) return guard.strands;
  const count = 18;
  return Array.from({ length: count }, (_, i) => {
    const share = i / (count - 1);
    // Two rows, so that the brush has a body.
    const lift = (i % 2 === 0 ? 0.5 : -0.5) * guard.bundleRadius;
    const mix = (k: number): Vec3 => {
      const [a, b] = [left.path[k] as Vec3, right.path[k] as Vec3];
      return [
        a[0] + (b[0] - a[0]) * share - guard.along[2] * lift,
        a[1] + (b[1] - a[1]) * share,
        a[2] + (b[2] - a[2]) * share + guard.along[0] * -lift,
      ];
    };
    return { path: [mix(0), mix(1)], diameter: left.diameter };
  });
}

function section(design: Design, share: number, surroundings: Surroundings): DrawnSection | undefined {
  const result = evaluate(design, surroundings);
  return result.ok ? sectionOf(result.assembly, share) : undefined;
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
  const [{ examineSolid }, { readThreeMf }] = await Promise.all([
    import('../../core/exchange/import-solid.ts'),
    import('../../core/exchange/threemf.ts'),
  ]);
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  return examineSolid(kernel, isZip ? readThreeMf(bytes) : readStl(bytes));
}

/** A design around a solid set on the shank, judged, or why it cannot be. */
async function placed(
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
  metals: awaited((solved: Design, surroundings: Surroundings) => metals(solved, surroundings)),
  allMetals: awaited(allMetals),
  rig: awaited(rig),
  verdicts: awaited(verdicts),
  rankOne: awaited(rankOne),
  model: awaited(model),
  section: awaited(section),
  ladder: awaited(ladder),
  examine,
  placed: awaited(placed),
};
export type JudgeService = typeof service;

expose(service);
