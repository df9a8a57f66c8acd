import Papa from 'papaparse';
import type { Problem } from '../document/problem.ts';
import { MADE } from '../plastic/kinds/kind.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import type { Plastic } from '../plastic/schema.ts';
import { COLOUR_CLASSES, PLASTIC_RANGES, TOUGHNESS } from '../plastic/schema.ts';
import { harmless } from './csv.ts';
import type { TableIn } from './table-in.ts';
import { readTable } from './table-in.ts';

/**
 * A row of a table of plastics: a plastic, or what is wrong with it. `line` counts from 1 with the heading.
 */
export interface PlasticRow {
  readonly line: number;
  readonly plastic: Plastic | undefined;
  readonly problems: readonly Problem[];
}

const COLUMNS = {
  name: 'text',
  kind: 'text',
  length: 'size',
  breadth: 'size',
  height: 'size',
  density: 'density',
  weighed: 'mass',
  wall: 'size',
  toughness: 'text',
  colour: 'text',
  class: 'text',
  notes: 'text',
} as const;
type Column = keyof typeof COLUMNS;

/**
 * Reads a table of plastics (RFC 4180, or with semicolons or tabs): columns name, kind, length, breadth,
 * height, and if wanted density, weighed, wall, toughness, colour, class, notes, in any order; sizes in mm
 * and weights in g unless a unit stands with them or in the heading. Every row is told on; nothing is
 * guessed. Throws a sentence when the heading lacks a column. What a kind usually has is taken where density
 * or toughness are empty.
 */
export function readPlasticsCsv(text: string): PlasticRow[] {
  return readTable(text, ['name', 'kind', 'length', 'breadth', 'height'], COLUMNS).rows.map(readRow);
}

function readRow({ line, cell, quantity }: TableIn<typeof COLUMNS>['rows'][number]): PlasticRow {
  const problems: Problem[] = [];
  const problem = (column: Column, message: string) => problems.push({ path: `/${column}`, message });
  const name = cell('name');
  if (name === '' || name.length > 120) problem('name', 'Name: must have 1 to 120 characters.');
  const wanted = cell('kind').toLowerCase();
  const kind = PLASTIC_KINDS.find(({ key, name: called }) => key === wanted || called === wanted);
  if (!kind)
    problem(
      'kind',
      `Kind: “${wanted.slice(0, 30)}” is not known. Use ${PLASTIC_KINDS.map(({ key }) => key).join(', ')}.`,
    );
  const number = (column: Column, [min, max]: readonly [number, number]): number => {
    const read = quantity(column);
    if (!read.ok) problem(column, `${column}: ${read.message}`);
    else if (!(read.value >= min && read.value <= max))
      problem(column, `${column}: ${read.value} is outside ${min} to ${max}.`);
    return read.ok ? read.value : NaN;
  };
  const maybe = (column: Column, span: readonly [number, number]) =>
    cell(column) === '' ? undefined : number(column, span);
  const word = <T extends string>(column: Column, words: readonly T[]): T | undefined => {
    const typed = cell(column).toLowerCase();
    if (typed === '') return undefined;
    const found = words.find((one) => one === typed);
    if (!found) problem(column, `${column}: “${typed.slice(0, 30)}” is not known. Use ${words.join(', ')}.`);
    return found;
  };
  const sizes = {
    length: number('length', PLASTIC_RANGES.length),
    breadth: number('breadth', PLASTIC_RANGES.breadth),
    height: number('height', PLASTIC_RANGES.height),
  };
  const density = maybe('density', PLASTIC_RANGES.density);
  const weighed = maybe('weighed', PLASTIC_RANGES.weighed);
  const wall = maybe('wall', PLASTIC_RANGES.wall);
  const toughness = word('toughness', TOUGHNESS);
  const colourClass = word('class', COLOUR_CLASSES);
  const [colour, notes] = [cell('colour').slice(0, 60), cell('notes').slice(0, 8000)];
  if (!kind || problems.length > 0) return { line, plastic: undefined, problems };
  return {
    line,
    problems,
    plastic: {
      format: 'fern-anvil/plastic',
      version: 1,
      name,
      kind: kind.key,
      ...sizes,
      density: density ?? kind.usual.density,
      toughness: toughness ?? kind.usual.toughness,
      ...(weighed === undefined ? {} : { weighed }),
      ...(wall === undefined || !MADE[kind.make].wall ? {} : { wall }),
      ...(colour ? { colour } : {}),
      ...(colourClass ? { colourClass } : {}),
      ...(notes ? { notes } : {}),
    },
  };
}

/** Plastics as such a table; stations of own outlines are not in it. */
export function writePlasticsCsv(plastics: readonly Plastic[]): string {
  const heading = [
    'name',
    'kind',
    'length (mm)',
    'breadth (mm)',
    'height (mm)',
    'density (g/cm³)',
    'weighed (g)',
    'wall (mm)',
    'toughness',
    'colour',
    'class',
    'notes',
  ];
  const rows = plastics.map((one) => [
    harmless(one.name),
    one.kind,
    one.length,
    one.breadth,
    one.height,
    one.density,
    one.weighed ?? '',
    one.wall ?? '',
    one.toughness,
    harmless(one.colour ?? ''),
    one.colourClass ?? '',
    harmless(one.notes ?? ''),
  ]);
  return `${Papa.unparse([heading, ...rows], { newline: '\r\n' })}\r\n`;
}
