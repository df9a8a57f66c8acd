import { createHash } from 'node:crypto';
import type { BrokenSummary, DesignSummary, RackCard } from '../contract/api.ts';
import type { ReadingId } from '../core/behaviour/index.ts';
import type { Design } from '../core/document/index.ts';
import type { Metal } from '../core/material/index.ts';
import type { Drawing } from '../core/plate/index.ts';
import { READING_IDS, READINGS } from '../core/behaviour/index.ts';
import { familyOf } from '../core/head/index.ts';
import { PLAIN_STYLE } from '../core/hook/index.ts';
import { evaluate, PLAIN_WATER } from '../core/judge/index.ts';
import { drawingOf, hangingReach } from '../core/plate/index.ts';
import { shortened } from '../core/quantity/index.ts';

/** Counts changes of outlines, cards and models that the registry of readings does not show. */
const MADE = 11;

/**
 * What a summary is made from besides its design: every reading’s definition, and density and price of the
 * metal. A summary of another revision is out of date, however it came to be, and the database can tell which
 * are.
 */
export function revisionFor(metal: Pick<Metal, 'density' | 'price'> | undefined): number {
  const text = JSON.stringify([MADE, DEFINITIONS, metal?.density, metal?.price]);
  return createHash('sha256').update(text).digest().readUInt32BE() >>> 1;
}

const DEFINITIONS = READING_IDS.map((id) => [id, READINGS[id]]);

/** Stations of a Rack outline: enough for a head the size of a thumb. */
const RACK_STATIONS = 16;

/** Readings and outline of a design for lists, made once at save. */
export function summarise(design: Design, metals: readonly Metal[]): DesignSummary | BrokenSummary {
  const result = evaluate(design, { ...PLAIN_WATER, metals });
  const revision = revisionFor(metals.find(({ key }) => key === design.head.metal));
  if (!result.ok) return { ok: false, revision, problems: result.problems };
  const readings: Partial<Record<ReadingId, number>> = {};
  const ranges: Partial<Record<ReadingId, readonly [number, number]>> = {};
  for (const [id, { value, range }] of Object.entries(result.readings)) {
    readings[id as ReadingId] = value;
    if (range) ranges[id as ReadingId] = range;
  }
  return {
    ok: true,
    revision,
    readings,
    ranges,
    drawing: thinned(drawingOf(result.rig, RACK_STATIONS)),
  };
}

/** A hook's curve with every third of its points: at the size of a thumb no more is seen. */
function thinned(drawing: Drawing): Drawing {
  const last = drawing.hook.length - 1;
  return { ...drawing, hook: drawing.hook.filter((_, i) => i % 3 === 0 || i === last), inside: [] };
}

/** What the Rack keeps of a design. */
export type CardBody = Omit<RackCard, 'id' | 'version' | 'archived' | 'isStale'>;

/** What a card tells of a design without its figures. */
function described({ name, notes, head, hook, eye, keeper, guard, article }: CardDesign) {
  const { photo: _, ...sold } = article ?? {};
  return {
    name,
    family: head.family,
    shape: familyOf(head.family)?.name ?? head.family,
    metal: head.metal,
    hook: hook.size,
    style: hook.style ?? PLAIN_STYLE,
    hinged: hook.joint !== undefined,
    angle: eye.angle,
    plane: eye.plane,
    keeper: keeper.kind,
    guard: guard.kind,
    notes: shortened(notes ?? '', 160),
    ...(Object.keys(sold).length > 0 ? { article: sold } : {}),
  };
}

/** What of a design stands on its card. */
export type CardDesign = Pick<Design, 'name' | 'notes' | 'hook' | 'eye' | 'article'> & {
  readonly head: Pick<Design['head'], 'family' | 'metal'>;
  readonly keeper: Pick<Design['keeper'], 'kind'>;
  readonly guard: Pick<Design['guard'], 'kind'>;
};

/** Room for a head that is not drawn: left, right and below the eye, mm. */
const UNDRAWN = { grams: null, fall: null, hang: 0, reach: [20, 20, 40] } as const;

/** The card of a design whose figures are still to be worked out: its name, and what it is made of. */
export const pendingCard = (design: CardDesign): CardBody => ({
  ...described(design),
  ...UNDRAWN,
  pending: true,
});

/** The Rack's card of a design from its document and summary. */
export function cardOf(design: Design, summary: DesignSummary | BrokenSummary): CardBody {
  const told = described(design);
  if (!summary.ok)
    return {
      ...told,
      ...UNDRAWN,
      problem: summary.problems[0]?.message ?? '',
    };
  const hang = summary.readings['hang.attitude'] ?? 0;
  return {
    ...told,
    grams: summary.readings['mass.metal'] ?? null,
    fall: summary.readings['fall.speed'] ?? null,
    hang,
    reach: hangingReach(summary.drawing, hang),
  };
}
