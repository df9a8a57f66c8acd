import { useState } from 'react';
import { cutterOf } from '../../../core/cutter/index.ts';
import type { Cut, Mould } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { UnitSystem } from '../../../core/quantity/index.ts';
import { MM_PER_INCH } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { makeWorker } from '../../workers/make.ts';
import type { MouldFigures } from '../../workers/make.worker.ts';

/** Figures of one cavity. */
export type CavityFigure = Extract<MouldFigures, { ok: true }>['cavities'][number];

/** The cutter in hand: its end, size and half; depth 0 stands for the depth offered. */
export type Tool = Omit<Cut, 'at'>;

/** A cutter a small shop begins with: of 1/4 in, or 6 mm (common practice, no source). */
const first = (system: UnitSystem): Tool => ({
  cutter: 'round-nosed',
  diameter: system === 'imperial' ? MM_PER_INCH / 4 : 6,
  side: 'both',
  depth: 0,
});

/** Angle of a point nobody has set, degrees. */
export const USUAL_TIP = 90;
/** How far below the floor of a cavity a cut is offered first, mm, and the least. */
const BELOW_FLOOR = 0.3;
const LEAST_DEPTH = 0.5;

const toTenth = (value: number): number => Math.round(value * 10) / 10;

/** Depth offered for a cut through the middle of a cavity, mm. */
export const depthOffered = ({ middle }: Pick<CavityFigure, 'middle'>): number =>
  Math.max(LEAST_DEPTH, toTenth(middle.left) + BELOW_FLOOR);

/** The cut a tool makes at a place; sizes given beside it go before the tool's. */
export const cutOf = (
  tool: Tool,
  at: Cut['at'],
  sizes: { readonly depth: number; readonly diameter?: number },
): Cut => ({
  cutter: tool.cutter,
  diameter: tool.diameter,
  side: tool.side,
  ...(cutterOf(tool.cutter).hasTip ? { tip: tool.tip ?? USUAL_TIP } : {}),
  ...sizes,
  at,
});

/** The cutter in hand, where it stands and how deep. */
export function useCutter(
  mould: Mould,
  place: number,
  figure: CavityFigure,
  aim: { readonly x: number; readonly z: number } | undefined,
  metals: readonly Metal[],
) {
  const { system } = useUnits();
  // Until a person has set it, the one that is usual in the reader’s unit.
  const [chosen, setTool] = useState<Tool>();
  const tool = chosen ?? first(system);
  const at = aim ?? { x: toTenth(figure.middle.x), z: toTenth(figure.middle.z) };
  const toFloor = async () => {
    const { left, right } = await makeWorker().floor(mould, place, at.x, at.z, metals);
    const deep = { left, right, both: Math.min(left, right) }[tool.side];
    setTool((now = tool) => ({ ...now, depth: Math.round(deep * 100) / 100 }));
  };
  return {
    tool,
    at,
    depth: tool.depth > 0 ? tool.depth : depthOffered(figure),
    set: (change: Partial<Tool>) => setTool((now = tool) => ({ ...now, ...change })),
    toFloor,
  };
}

/** The cutter in hand, and what moves it. */
export type Cutter = ReturnType<typeof useCutter>;
