import { expose } from 'comlink';
import wasm from 'manifold-3d/manifold.wasm?url';
import { loadSolids } from '../../core/head/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { Surroundings } from '../../core/behaviour/index.ts';
import { allMetals, built, judge, ladder, metals, section, twoMetals } from './judged.ts';
import { changeFor, matchFirst, matchWhole, propose, sayings, tackle, uses } from './match-rows.ts';
import { heads, pairings } from './pair-rows.ts';
import { baited, hooks, rig, wet } from './rigged.ts';
import { examine, model, placedSolid } from './solids.ts';

export type { Built, Judged, MetalFigure, MetalLine, RungFigure } from './judged.ts';
export type { Baited, Rigged, Wet } from './rigged.ts';
export type { SolidModel } from './solids.ts';

// Features are cut by the solid library: nothing is judged before it is here.
const ready = loadSolids(wasm);

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
  examine: async (bytes: Uint8Array) => examine(await ready, bytes),
  placed: awaited(placedSolid),
};
/** What the judging worker does. */
export type JudgeService = typeof service;

expose(service);
