import type { BrokenSummary, DesignSummary } from '../contract/api.ts';
import type { Design, Metal, ReadingId } from '../core/index.ts';
import { drawingOf, evaluate, PLAIN_WATER } from '../core/index.ts';

/** Goes up when readings or outlines are made differently, so that summaries kept by an older version are made anew. */
export const SUMMARY_REVISION = 1;

/** Stations of a Rack outline: enough for a head the size of a thumb. */
const RACK_STATIONS = 20;

/** Readings and outline of a design for lists, made once at save. */
export function summarise(design: Design, metals: readonly Metal[]): DesignSummary | BrokenSummary {
  const result = evaluate(design, { ...PLAIN_WATER, metals });
  if (!result.ok) return { ok: false, revision: SUMMARY_REVISION, problems: result.problems };
  const readings: Partial<Record<ReadingId, number>> = {};
  for (const [id, reading] of Object.entries(result.readings)) readings[id as ReadingId] = reading.value;
  const fan = design.guard.kind === 'fibre' ? design.guard.fan : 0;
  return {
    ok: true,
    revision: SUMMARY_REVISION,
    readings,
    drawing: drawingOf(result.assembly, fan, RACK_STATIONS),
  };
}
