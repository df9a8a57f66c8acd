import { recordOf } from '../kind/keys.ts';
import Papa from 'papaparse';
import type { Problem } from '../document/problem.ts';
import type { CountKey, Trial, TrialRig } from '../document/trial.ts';
import { COUNTS, freshRig } from '../document/trial.ts';
import { METHODS } from '../rigging/methods/index.ts';
import { harmless } from './csv.ts';
import type { Columns } from './table-in.ts';
import { readTable } from './table-in.ts';

/** A day of a table, or what is wrong with one of its rows. `line` counts from 1 with the heading. */
export interface TrialRow {
  readonly line: number;
  readonly document: Trial | undefined;
  readonly problems: readonly Problem[];
}

const TITLES = {
  casts: 'casts',
  hangUps: 'hang-ups',
  freed: 'freed',
  lost: 'lost',
  touches: 'touches',
  hookUps: 'hook-ups',
  landed: 'landed',
  thrown: 'thrown',
} as const satisfies Record<CountKey, string>;
const WORDS = ['day', 'name', 'place', 'bottom', 'cover', 'head', 'plastic', 'method'] as const;
const COLUMNS = {
  ...keyed(WORDS),
  depth: 'depth',
  weight: 'mass',
  hours: 'text',
  ...keyed(COUNTS.map((key) => TITLES[key])),
} as const satisfies Columns;

/** Columns of words or counts. */
function keyed<K extends string>(names: readonly K[]): Readonly<Record<K, 'text'>> {
  return recordOf(names, () => 'text');
}

/**
 * Reads days on the water as a table, a row for each rig at a place: day, head and what was counted; name,
 * place, depth (m), bottom, cover, weight (g), plastic, method and hours where they were noted. Rows of one
 * day and name are one document. A row that cannot be read is told by its line, and the days it belongs to is
 * not made. Throws a sentence when the heading lacks a column.
 */
export function readTrialsCsv(text: string): TrialRow[] {
  const days = new Map<string, { line: number; trial: Trial }>();
  const wrong: TrialRow[] = [];
  for (const { line, cell, quantity } of readTable(text, ['day', 'head', 'casts'], COLUMNS).rows) {
    const problems: Problem[] = [];
    const told = (path: string, message: string) => problems.push({ path, message });
    const day = cell('day');
    if (!/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/.test(day))
      told('/day', `Day: “${day.slice(0, 20)}” is no day. Write it like 2026-05-30.`);
    const head = cell('head');
    if (head === '' || head.length > 120) told('/head', 'Head: must have 1 to 120 characters.');
    const number = (column: keyof typeof COLUMNS, most: number, whole: boolean): number => {
      const shown = cell(column);
      const value = shown === '' ? 0 : Number(shown.replace(',', '.'));
      if (!(value >= 0 && value <= most) || (whole && !Number.isInteger(value)))
        told(
          `/${column}`,
          `${column}: “${shown.slice(0, 12)}” must be a ${whole ? 'whole ' : ''}number from 0 to ${most}.`,
        );
      return value;
    };
    const counts = Object.fromEntries(COUNTS.map((key) => [key, number(TITLES[key], 100_000, true)]));
    const measured = (column: 'depth' | 'weight', most: number, unit: string): number => {
      if (cell(column) === '') return 0;
      const read = quantity(column);
      if (!read.ok) told(`/${column}`, `${column}: ${read.message}`);
      else if (!(read.value >= 0 && read.value <= most))
        told(`/${column}`, `${column}: “${cell(column).slice(0, 12)}” must be from 0 to ${most} ${unit}.`);
      return read.ok ? read.value : NaN;
    };
    const depth = measured('depth', 200, 'm');
    const weight = measured('weight', 2000, 'g');
    const hours = number('hours', 48, false);
    const method =
      cell('method') === '' ? undefined : METHODS.find(({ key }) => key === cell('method').toLowerCase());
    if (cell('method') !== '' && !method)
      told(
        '/method',
        `Method: “${cell('method').slice(0, 20)}” is not known. Use ${METHODS.map(({ key }) => key).join(', ')}.`,
      );
    if (problems.length > 0) {
      wrong.push({ line, document: undefined, problems });
      continue;
    }
    const name = cell('name').slice(0, 120) || day;
    const key = JSON.stringify([day, name]);
    const known = days.get(key);
    const trial: Trial = known?.trial ?? {
      format: 'fern-anvil/trial',
      version: 1,
      name,
      day,
      places: [],
      rigs: [],
      drops: [],
      tows: [],
    };
    const place = {
      name: cell('place').slice(0, 80) || 'Here',
      ...(depth > 0 ? { depth: Math.max(0.1, depth) } : {}),
      ...(cell('bottom') ? { bottom: cell('bottom').slice(0, 40) } : {}),
      ...(cell('cover') ? { cover: cell('cover').slice(0, 40) } : {}),
    };
    const found = trial.places.findIndex((one) => JSON.stringify(one) === JSON.stringify(place));
    const at = found >= 0 ? found : trial.places.length;
    if (at >= 20 || trial.rigs.length >= 60) {
      const message = `Day ${day}: more than 20 places or 60 rigs. Split it into two days of other names.`;
      wrong.push({ line, document: undefined, problems: [{ path: '/place', message }] });
      continue;
    }
    const rig: TrialRig = {
      ...freshRig(head, at),
      ...counts,
      hours,
      ...(weight > 0 ? { grams: Math.max(0.01, weight) } : {}),
      ...(cell('plastic') ? { plastic: cell('plastic').slice(0, 120) } : {}),
      ...(method ? { method: method.key } : {}),
    };
    days.set(key, {
      line: known?.line ?? line,
      trial: {
        ...trial,
        places: found >= 0 ? trial.places : [...trial.places, place],
        rigs: [...trial.rigs, rig],
      },
    });
  }
  return [
    ...[...days.values()].map(({ line, trial }) => ({ line, document: trial, problems: [] })),
    ...wrong,
  ].sort((a, b) => a.line - b.line);
}

/** Days on the water as such a table. Timed drops and tow depths go with the shop file. */
export function writeTrialsCsv(days: readonly Trial[]): string {
  const rows = days.flatMap(({ day, name, places, rigs }) =>
    rigs.map((rig) => {
      const place = places[rig.place];
      return [
        day,
        harmless(name),
        harmless(place?.name ?? ''),
        harmless(place?.bottom ?? ''),
        harmless(place?.cover ?? ''),
        harmless(rig.head),
        harmless(rig.plastic ?? ''),
        rig.method ?? '',
        place?.depth ?? '',
        rig.grams ?? '',
        rig.hours,
        ...COUNTS.map((key) => rig[key]),
      ];
    }),
  );
  const heading = [...WORDS, 'depth (m)', 'weight (g)', 'hours', ...COUNTS.map((key) => TITLES[key])];
  return `${Papa.unparse([heading, ...rows], { newline: '\r\n' })}\r\n`;
}
