import { isKeyOf, messageOf } from '../core/kind/index.ts';
import { itemAt } from '../core/numeric/index.ts';
import { writeFileSync } from 'node:fs';
import type { Bait } from '../core/assembly/index.ts';
import type { ReadingId, Surroundings } from '../core/behaviour/index.ts';
import type { Brief, Design } from '../core/document/index.ts';
import type { Evaluation } from '../core/judge/index.ts';
import type { Arrangement } from '../core/plate/index.ts';
import type { Remedy } from '../core/rigging/index.ts';
import { fishingOf, READINGS } from '../core/behaviour/index.ts';
import { MOULD_RANGES, newMould } from '../core/document/index.ts';
import { EXPORTS } from '../core/exchange/index.ts';
import { CHORD_RANGE, loadSolids } from '../core/head/index.ts';
import { evaluate, judgeFit, PLAIN_WATER } from '../core/judge/index.ts';
import { matchingFor, matchSettled, REFERENCE_RULES, surroundingsOfBrief } from '../core/match/index.ts';
import { SALINITY } from '../core/material/index.ts';
import { ARRANGEMENTS } from '../core/plate/index.ts';
import { inUnits } from '../core/quantity/index.ts';
import { METHODS } from '../core/rigging/index.ts';
import { writeReadingsCsv } from '../core/exchange/csv.ts';
import { exportCard } from '../core/exchange/card.ts';
import { exportMould, MOULD_FILES } from '../core/exchange/mould-files.ts';
import { exportDesign } from '../core/exchange/export-design.ts';
import { giveTypefaces } from '../core/exchange/typeface.ts';
import { typefaceFile } from '../disk/typefaces.ts';
import { accepted, BadInput, badDocument, readJson } from './input.ts';
import { printedAnswers } from './match.ts';
import type { Printed } from './printed.ts';
import { print } from './printed.ts';
import { checkBriefDocument } from '../contract/collections/briefs.ts';
import { checkDesignDocument } from '../contract/collections/designs.ts';
import { checkMouldDocument } from '../contract/collections/moulds.ts';
import { checkPlasticDocument } from '../contract/collections/plastics.ts';

interface WaterOptions {
  readonly brief?: string | undefined;
  readonly water?: string | undefined;
  readonly temp?: string | undefined;
  readonly depth?: string | undefined;
  readonly speed?: string | undefined;
  readonly lineOut?: string | undefined;
  readonly plastic?: string | undefined;
  readonly method?: string | undefined;
  readonly format?: Printed | undefined;
}

/** The plastic to be rigged, and how; none where none is named. */
function baitOf({ plastic, method }: WaterOptions): Bait | undefined {
  if (plastic === undefined) {
    if (method !== undefined)
      throw new BadInput('--method: says how a plastic is put on. Name one with --plastic.');
    return undefined;
  }
  const found = accepted(checkPlasticDocument(readJson(plastic)), plastic);
  const wanted = method ?? METHODS[0]?.key;
  const known = METHODS.find(({ key }) => key === wanted);
  if (!known)
    throw new BadInput(
      `--method: “${wanted}” is not known. Use one of ${METHODS.map(({ key }) => key).join(', ')}.`,
    );
  return { plastic: found, method: known.key };
}

/**
 * Prints the readings of a design’s document, or of an array of them. Throws BadInput for what cannot be read
 * or built.
 */
export async function runEvaluate(file: string, options: WaterOptions): Promise<void> {
  await loadSolids();
  const data = readJson(file);
  const brief =
    options.brief === undefined
      ? undefined
      : accepted(checkBriefDocument(readJson(options.brief)), options.brief);
  const surroundings = surroundingsOf(options, brief);
  const bait = baitOf(options);
  const many = Array.isArray(data);
  if (many && data.length === 0) throw new BadInput(`${file}: holds no design. Give at least one.`);
  const designs = (many ? (data as unknown[]) : [data]).map((item, i) =>
    accepted(checkDesignDocument(item), many ? `${file}, design ${i + 1}` : file),
  );
  const results = designs.map((design, i) => {
    const result = evaluate(design, surroundings, bait);
    if (!result.ok) throw badDocument(many ? `${file}, design ${i + 1}` : file, result.problems);
    return {
      name: design.name,
      dimensions: result.design.head.dimensions,
      surroundings: {
        ...surroundings.water,
        depth: surroundings.depth,
        ...fishingOf(surroundings),
        ...(bait ? { plastic: bait.plastic.name, method: bait.method } : {}),
      },
      readings: result.readings,
      flags: result.flags.map((flag) => ({ ...flag, text: inUnits(flag.text, 'metric') })),
      ...(bait ? { fit: fitOf(result) } : {}),
      ...(brief ? { match: matchOf(brief, design) } : {}),
    };
  });
  print(options.format ?? 'json', many ? results : results[0], () =>
    results.flatMap(({ name, readings }) =>
      Object.entries(readings).map(([id, { value, unit, range, kind }]) => ({
        ...(many ? { head: name } : {}),
        reading: id,
        name: READINGS[id as ReadingId].name,
        value,
        unit: unit === '1' ? '' : unit,
        least: range?.[0],
        most: range?.[1],
        kind,
      })),
    ),
  );
}

/** How the plastic goes on: the verdict, every point of it, and the steps, with lengths in mm. */
function fitOf(result: Extract<Evaluation, { ok: true }>) {
  const { verdict, obstacle, checks, steps } = judgeFit(result);
  const said = ({ says, ...remedy }: Remedy) => ({ ...remedy, says: inUnits(says, 'metric') });
  return {
    verdict,
    ...(obstacle ? { obstacle: { text: obstacle.text, remedies: obstacle.remedies.map(said) } } : {}),
    checks: checks.map(({ id, name, value, verdict: one, says, fix, remedies }) => ({
      id,
      name,
      // A hook that never comes out has no place to tell.
      ...(Number.isFinite(value) ? { value } : {}),
      verdict: one,
      says,
      fix: inUnits(fix, 'metric'),
      remedies: remedies.map(said),
    })),
    steps: steps.map((step) => inUnits(step, 'metric')),
  };
}

/** How the head stands to the brief, question by question. */
function matchOf(brief: Brief, design: Design) {
  const matching = matchingFor(brief, REFERENCE_RULES);
  const settled = matchSettled(matching, design);
  if (!settled.ok) return undefined;
  const { answers } = settled.matched;
  const { worn } = answers.head;
  return {
    brief: brief.name,
    method: worn?.pairing.method ?? null,
    plastic: worn?.plastic.name ?? null,
    answers: printedAnswers(answers, matching),
  };
}

interface ExportValues {
  readonly format: string;
  readonly out?: string | undefined;
  readonly shrink?: string | undefined;
  readonly chord?: string | undefined;
  readonly angle?: string | undefined;
  readonly units?: string | undefined;
}

/**
 * Writes one file of a design: a solid, a drawing, a sheet or its readings. Throws BadInput where it cannot.
 */
export async function runExport(
  file: string,
  { format, out, shrink, chord, angle, units }: ExportValues,
): Promise<void> {
  giveTypefaces(typefaceFile);
  await loadSolids();
  const kind = EXPORTS.find(({ key }) => key === format);
  if (!kind)
    throw new BadInput(
      `--format: “${format}” is not written. Use one of ${EXPORTS.map(({ key }) => key).join(', ')}.`,
    );
  if (out === undefined) throw new BadInput('--out: name the file to write.');
  if (angle !== undefined && !ARRANGEMENTS.includes(angle as Arrangement))
    throw new BadInput(`--angle: “${angle}” is not known. Use third or first.`);
  if (units !== undefined && !['metric', 'imperial', 'both'].includes(units))
    throw new BadInput(`--units: “${units}” is not known. Use metric, imperial or both.`);
  if (shrink !== undefined && !kind.isSolid)
    throw new BadInput(
      `--shrink: does nothing for ${format}; only a solid is enlarged. Leave it out, or write stl or 3mf.`,
    );
  if (chord !== undefined && !kind.isSolid)
    throw new BadInput(
      `--chord: does nothing for ${format}; only a solid has facets. Leave it out, or write stl or 3mf.`,
    );
  const facets = numberOption('--chord', chord, CHORD_RANGE);
  const data = readJson(file);
  if (Array.isArray(data) && data.length === 0)
    throw new BadInput(`${file}: holds no design. Give at least one.`);
  if (Array.isArray(data) && format !== 'csv')
    throw new BadInput(
      `${file}: holds several designs; this format is written for one. Give a file with one design, or write csv.`,
    );
  const many = Array.isArray(data) ? (data as unknown[]) : [data];
  const designs = many.map((item, i) =>
    accepted(checkDesignDocument(item), Array.isArray(data) ? `${file}, design ${i + 1}` : file),
  );
  let written: string | Uint8Array;
  if (format === 'csv') {
    written = writeReadingsCsv(
      designs.map((design) => {
        const result = evaluate(design, PLAIN_WATER);
        if (!result.ok) throw badDocument(file, result.problems);
        return { design: result.design, readings: result.readings };
      }),
    );
  } else {
    const made = await exportDesign(itemAt(designs, 0), kind.key, PLAIN_WATER, {
      shrink: numberOption('--shrink', shrink, [0, 10]) ?? 0,
      ...(facets === undefined ? {} : { chord: facets }),
      arrangement: (angle as Arrangement | undefined) ?? 'third',
      units: (units as 'metric' | 'imperial' | 'both' | undefined) ?? 'metric',
    });
    if (!made.ok) throw badDocument(file, made.problems);
    written = made.data;
  }
  writeOut(out, written);
}

interface CardValues {
  readonly plastic: string;
  readonly method?: string | undefined;
  readonly units?: string | undefined;
  readonly out: string;
}

/**
 * Writes the rigging card of a design with a plastic on it, PDF. Throws BadInput where the two do not go
 * together.
 */
export async function runCard(file: string, { plastic, method, units, out }: CardValues): Promise<void> {
  giveTypefaces(typefaceFile);
  const design = accepted(checkDesignDocument(readJson(file)), file);
  const bait = baitOf({ plastic, method });
  if (!bait) throw new BadInput('--plastic: name the file of a plastic.');
  const made = await exportCard(design, bait, PLAIN_WATER, units === 'imperial' ? 'imperial' : 'metric');
  if (!made.ok) throw badDocument(file, made.problems);
  writeOut(out, made.data);
}

interface MouldValues {
  readonly file: string;
  readonly shrink?: string | undefined;
  readonly making?: string | undefined;
  readonly units?: string | undefined;
  readonly out: string;
}

/** Writes a file of a mould, or of a mould of one cavity around a design. */
export async function runMould(
  file: string,
  { file: name, shrink, making, units, out }: MouldValues,
): Promise<void> {
  const wanted = MOULD_FILES.find((one) => one === name);
  if (!wanted) throw new BadInput(`--file: “${name}” is no file of a mould. Use ${MOULD_FILES.join(', ')}.`);
  const data = readJson(file);
  const isDesign = (data as { format?: unknown } | null)?.format === 'fern-anvil/design';
  const mould = isDesign
    ? newMould(accepted(checkDesignDocument(data), file), 'design', 'pour')
    : accepted(checkMouldDocument(data), file);
  const percent = numberOption('--shrink', shrink, MOULD_RANGES.shrink);
  const made = await exportMould(
    {
      ...mould,
      ...(percent === undefined ? {} : { shrink: percent }),
      ...(making === 'pour' || making === 'press' ? { making } : {}),
    },
    wanted,
    undefined,
    units === 'imperial' ? 'imperial' : 'metric',
  );
  if (!made.ok) throw badDocument(file, made.problems);
  writeOut(out, made.data);
}

/** Writes what was asked for to a file, or to standard output where `-` stands for one. */
function writeOut(out: string, data: string | Uint8Array): void {
  if (out === '-') {
    process.stdout.write(data);
    return;
  }
  try {
    writeFileSync(out, data);
  } catch (error) {
    throw new BadInput(`--out: ${out} cannot be written (${messageOf(error)}).`, { cause: error });
  }
}

/** Water from the options, then the brief, then plain fresh water. */
function surroundingsOf(options: WaterOptions, brief: Brief | undefined): Surroundings {
  const kind = options.water ?? brief?.water.kind ?? 'fresh';
  if (!isKeyOf(SALINITY, kind))
    throw new BadInput(`--water: “${kind}” is not known. Use fresh, brackish or sea.`);
  return {
    water: {
      salinity: SALINITY[kind],
      temperature:
        numberOption('--temp', options.temp, [-1, 40]) ??
        brief?.water.temperature ??
        PLAIN_WATER.water.temperature,
    },
    depth: numberOption('--depth', options.depth, [0.1, 500]) ?? brief?.water.depth ?? PLAIN_WATER.depth,
    fishing: {
      ...(brief ? surroundingsOfBrief(brief).fishing : {}),
      ...given('speed', numberOption('--speed', options.speed, [0.02, 6])),
      ...given('lineOut', numberOption('--line-out', options.lineOut, [1, 300])),
    },
  };
}

const given = (name: 'speed' | 'lineOut', value: number | undefined) =>
  value === undefined ? {} : { [name]: value };

function numberOption(
  name: string,
  text: string | undefined,
  [min, max]: readonly [number, number],
): number | undefined {
  if (text === undefined) return undefined;
  const value = text.trim() === '' ? NaN : Number(text);
  if (!(value >= min && value <= max))
    throw new BadInput(`${name}: “${text}” is not a number from ${min} to ${max}.`);
  return value;
}
