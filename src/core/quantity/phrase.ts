import { formatQuantity, isUsualFraction } from './format.ts';
import { parseQuantity } from './parse.ts';
import { shownUsual } from './round.ts';
import type { QuantityKind, UnitSystem } from './units.ts';
import { shownUnit } from './units.ts';

/**
 * A quantity inside a sentence, still in its stored unit. Sentences of the core carry such marks, so that
 * whoever shows them can put the reader's units in with `inUnits`.
 */
export const marked = (stored: number, kind: QuantityKind): string => `⟦${stored}|${kind}⟧`;

/**
 * A round quantity inside a sentence, or a span of it. Who reads in the system it is `native` to is shown it
 * as it was `written`, who reads in the other the nearest round one there (`roundIn`, within 4%).
 *
 * @param span one stored value, or the least and the greatest
 */
const markedSpan = (
  span: readonly number[],
  kind: QuantityKind,
  native: UnitSystem,
  written: string,
): string => `⟦${span.join('..')}|${kind}|${native}|${written}⟧`;

/** A value that was assumed, in its stored unit, where it is round: shown as a round one in any other. */
export const markedRound = (stored: number, kind: QuantityKind): string =>
  markedSpan([stored], kind, 'metric', roundText(stored, kind, 'metric'));

/** Kinds and systems of the units that sentences of the trade use; a pound is one of breaking strain. */
const UNITS: Readonly<Record<string, readonly [kind: QuantityKind, native: UnitSystem]>> = {
  ft: ['depth', 'imperial'],
  m: ['depth', 'metric'],
  in: ['size', 'imperial'],
  mm: ['size', 'metric'],
  lb: ['lineTest', 'imperial'],
  kg: ['lineTest', 'metric'],
  oz: ['mass', 'imperial'],
  g: ['mass', 'metric'],
  '°F': ['temperature', 'imperial'],
  '°C': ['temperature', 'metric'],
  'ft/s': ['speed', 'imperial'],
  'm/s': ['speed', 'metric'],
};

/**
 * Returns the mark that a quantity written as the trade does stands for, as in `10 ft`, `7 ft 6 in`, `10 to
 * 12 lb`, `7 ft to 7 ft 6 in`; undefined for anything else.
 */
export function usualQuantity(text: string): string | undefined {
  const [from = '', to] = text.split(' to ');
  const last = to ?? from;
  const unit = /^[\d./ ]+ ft [\d.]+ in$/.test(last) ? 'ft' : /^[\d./ ]+ (\S+)$/.exec(last)?.[1];
  const [kind, native] = UNITS[unit ?? ''] ?? [];
  if (!unit || !kind || !native) return undefined;
  const span: number[] = [];
  for (const part of to === undefined ? [from] : [from, to]) {
    const read = parseQuantity(/[^\d./ ]/.test(part) ? part : `${part} ${unit}`, kind, native);
    if (!read.ok) return undefined;
    span.push(read.value);
  }
  return markedSpan(span, kind, native, text);
}

/**
 * Returns a sentence in which every quantity between braces (`{10 to 12 lb}`) is marked; what else stands
 * between braces stays.
 */
export const withUsual = (text: string): string =>
  text.replace(/\{([^{}]+)\}/g, (whole, inner: string) => usualQuantity(inner) ?? whole);

/** A round quantity without the noughts that a computed one would have. */
const roundText = (stored: number, kind: QuantityKind, system: UnitSystem): string =>
  formatQuantity(stored, kind, system)
    .replace(/(\.\d*?)0+(?!\d)/, '$1')
    .replace(/\.(?!\d)/, '');

/** Whether both systems show a kind in one unit, as angles and counts. */
const isOneUnit = (kind: QuantityKind): boolean =>
  shownUnit(kind, 'imperial').label === shownUnit(kind, 'metric').label;

/** One or two round quantities in a system, the unit once where it is the same. */
function roundSpan(span: readonly number[], kind: QuantityKind, system: UnitSystem): string {
  // A weight that no packet names in ounces is told in grams in either system, and then all of a span is.
  const shown = kind === 'mass' && !span.every(isUsualFraction) ? 'metric' : system;
  const [from = '', to] = span.map((stored) => roundText(shownUsual(stored, kind, shown), kind, shown));
  if (to === undefined || to === from) return from;
  const [, figure, unit = ''] = /^(\S+) (\S+)$/.exec(from) ?? [];
  return figure !== undefined && to.endsWith(` ${unit}`) ? `${figure} to ${to}` : `${from} to ${to}`;
}

/**
 * A sentence of the core with its marked quantities in the reader's units. Text without marks comes back as
 * it is.
 */
export const inUnits = (text: string, system: UnitSystem): string =>
  text.replace(
    /⟦([^|⟧]+)\|(\w+)(?:\|(\w+)\|([^⟧]*))?⟧/g,
    (_, values: string, kind: QuantityKind, native: string | undefined, written: string) =>
      native === undefined
        ? formatQuantity(Number(values), kind, system)
        : native === system || isOneUnit(kind)
          ? written
          : roundSpan(values.split('..').map(Number), kind, system),
  );
