import { expose } from 'comlink';
import type { Brief, Design, Drawing, Flag, MetalOutcome, MetalRow, Plastic, Problem, Readings, RigMethod, Standing, Surroundings, Verdict, Fit } from '../../core/index.ts'; // prettier-ignore
import {
  drawingOf,
  evaluate,
  judgeFit,
  metalTable,
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

const fanOf = (design: Design) => (design.guard.kind === 'fibre' ? design.guard.fan : 0);

function judge(design: Design, surroundings: Surroundings): Judged {
  const result = evaluate(design, surroundings);
  if (!result.ok) return result;
  const { assembly, ...rest } = result;
  return { ...rest, drawing: drawingOf(assembly, fanOf(design)) };
}

function metals(solved: Design, surroundings: Surroundings): MetalLine[] {
  const figure = (outcome: MetalOutcome): MetalFigure => {
    if (!outcome.ok) return outcome;
    const { assembly, ...rest } = outcome;
    return { ...rest, drawing: drawingOf(assembly, fanOf(solved), 24) };
  };
  return metalTable(solved, surroundings).map(({ metal, density, sameWeight, sameSize }) => ({
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

const service = { judge, metals, rig, verdicts, rankOne };
export type JudgeService = typeof service;

expose(service);
