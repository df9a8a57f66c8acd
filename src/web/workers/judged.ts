import type { Flag, Readings, Surroundings } from '../../core/behaviour/index.ts';
import type { Design, LadderSpec, Problem } from '../../core/document/index.ts';
import type { TargetOf } from '../../core/head/index.ts';
import type { Metal } from '../../core/material/index.ts';
import type { Drawing, DrawnSection } from '../../core/plate/index.ts';
import type { MetalOutcome, MetalRow } from '../../core/series/index.ts';
import { solveTarget, weightOf } from '../../core/assembly/index.ts';
import { evaluate } from '../../core/judge/index.ts';
import { drawingOf, sectionOf } from '../../core/plate/index.ts';
import { metalTable, rungBuilder } from '../../core/series/index.ts';
import type { GoesOn } from './in-parts.ts';
import { inParts } from './in-parts.ts';

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

/** A design judged in its surroundings, with its drawing. */
export function judge(design: Design, surroundings: Surroundings): Judged {
  const result = evaluate(design, surroundings);
  if (!result.ok) return result;
  const { rig: built, ...rest } = result;
  return { ...rest, drawing: drawingOf(built) };
}

/** A solved design in each metal, the same weight and the same size, with outlines. */
export function metals(
  solved: Design,
  surroundings: Surroundings,
  compared?: readonly string[],
): MetalLine[] {
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

/** A head as it is built. */
export interface Built {
  readonly dimensions: Design['head']['dimensions'];
  /** the weight a target of each kind would hold, g or gram-force */
  readonly weighs: Readonly<Record<TargetOf, number>>;
}

/** Sizes as they are built and weights; undefined where the design cannot be built. */
export function built(design: Design, metals: readonly Metal[] | undefined): Built | undefined {
  const solved = solveTarget(design, metals);
  if (!solved.ok) return undefined;
  const weighs = (of: TargetOf) => weightOf(solved.rig, of);
  return {
    dimensions: solved.design.head.dimensions,
    weighs: { metal: weighs('metal'), total: weighs('total'), submerged: weighs('submerged') },
  };
}

/** A head in lead and in tungsten, at its weight and at its size. */
export function inTwoMetals(design: Design, surroundings: Surroundings): Design[] {
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
export function twoMetals(design: Design, surroundings: Surroundings): { design: Design; judged: Judged }[] {
  return inTwoMetals(design, surroundings).map((made) => ({
    design: made,
    judged: judge(made, surroundings),
  }));
}

/** The section of a head at a share of its length; undefined where it cannot be built. */
export function section(design: Design, share: number, surroundings: Surroundings): DrawnSection | undefined {
  const result = evaluate(design, { ...surroundings, isShort: true });
  return result.ok ? sectionOf(result.rig, share) : undefined;
}

/** Every metal of the store, the same weight and the same size, as figures without outlines. */
export function allMetals(solved: Design, surroundings: Surroundings): MetalLine[] {
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

/** The rungs of a ladder, each built and judged, one after the other. */
export function ladder(
  design: Design,
  spec: LadderSpec,
  surroundings: Surroundings,
  goesOn: GoesOn<RungFigure>,
): Promise<RungFigure[]> {
  const build = rungBuilder(design, spec, surroundings.metals);
  return inParts(
    spec.rungs,
    (rung): RungFigure => {
      const { grams, hook, ruled, design: made } = build(rung);
      return { grams, hook, ruled, name: made.name, judged: judge(made, surroundings), made };
    },
    goesOn,
  );
}
