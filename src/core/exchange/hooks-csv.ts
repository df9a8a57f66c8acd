import { harmless } from './csv.ts';
import { MEASURED_RANGES } from '../hook/schema.ts';
import { PLAIN_STYLE, STYLES } from '../hook/styles/index.ts';
import type { Problem } from '../document/problem.ts';
import Papa from 'papaparse';
import { readTable } from './table-in.ts';
import type { HookDocument } from '../document/hook.ts';
import { hookLabel, hookRank } from '../quantity/hook-size.ts';

/** A row of a table of hooks: a hook, or what is wrong with it. `line` counts from 1 with the heading. */
export interface HookRow {
  readonly line: number;
  readonly hook: HookDocument | undefined;
  readonly problems: readonly Problem[];
}

const COLUMNS = {
  name: 'text',
  size: 'text',
  style: 'text',
  gap: 'size',
  shank: 'size',
  wire: 'size',
} as const;
/**
 * Reads a table of measured hooks (RFC 4180, or with semicolons or tabs): columns name, size, style, gap,
 * shank, wire in any order, sizes in mm unless a unit stands with them or in the heading. Every row is told
 * on; nothing is guessed. Throws a sentence when the heading lacks a column.
 */
export function readHooksCsv(text: string): HookRow[] {
  return readTable(text, ['name', 'size', 'gap', 'shank', 'wire'], COLUMNS).rows.map(
    ({ line, cell, quantity }): HookRow => {
      const problems: Problem[] = [];
      const problem = (column: string, message: string) => problems.push({ path: `/${column}`, message });
      const name = cell('name');
      if (name === '' || name.length > 120) problem('name', 'Name: must have 1 to 120 characters.');
      const rank = hookRank(cell('size'));
      if (rank === undefined || rank < -32 || rank > 19)
        problem('size', `Size: “${cell('size').slice(0, 12)}” is no hook size. Write it like 3/0 or #4.`);
      const named = cell('style') === '' ? PLAIN_STYLE : cell('style').toLowerCase();
      const style = STYLES.find(({ key }) => key === named)?.key;
      if (!style)
        problem(
          'style',
          `Style: “${named.slice(0, 30)}” is not known. Use ${STYLES.map(({ key }) => key).join(', ')}.`,
        );
      const length = (column: keyof typeof MEASURED_RANGES): number => {
        const [min, max] = MEASURED_RANGES[column];
        const read = quantity(column);
        if (!read.ok) problem(column, `${column}: ${read.message}`);
        else if (!(read.value >= min && read.value <= max))
          problem(column, `${column}: ${read.value} mm is outside ${min} to ${max} mm.`);
        return read.ok ? read.value : NaN;
      };
      const [gap, shank, wire] = [length('gap'), length('shank'), length('wire')];
      const hook: HookDocument | undefined =
        problems.length > 0 || rank === undefined || !style
          ? undefined
          : {
              format: 'fern-anvil/hook',
              version: 1,
              name,
              size: hookLabel(rank),
              style,
              gap,
              shank,
              wire,
            };
      return { line, hook, problems };
    },
  );
}

/** Hooks as such a table. */
export function writeHooksCsv(hooks: readonly HookDocument[]): string {
  const rows = hooks.map(({ name, size, style, gap, shank, wire }) => [
    harmless(name),
    harmless(size),
    style,
    gap,
    shank,
    wire,
  ]);
  return `${Papa.unparse([['name', 'size', 'style', 'gap (mm)', 'shank (mm)', 'wire (mm)'], ...rows], { newline: '\r\n' })}\r\n`;
}
