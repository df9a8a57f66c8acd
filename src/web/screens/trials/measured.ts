import type { Drop, Trial } from '../../../core/document/index.ts';
import { TRIAL_RANGES } from '../../../core/document/index.ts';
import type { QuantityKind, UnitSystem } from '../../../core/quantity/index.ts';
import { formatQuantity } from '../../../core/quantity/index.ts';
import { localised, readQuantity } from '../../data/locale.ts';

type TowDepth = Trial['tows'][number];

/** Texts of the form, by the names of their fields. */
type Texts = Readonly<Record<string, string>>;

/** A day with one more measurement, or what is wrong with what was typed. */
export type Measured =
  | { readonly ok: true; readonly added: (trial: Trial) => Trial }
  | { readonly ok: false; readonly message: string };

/** What each figure is called, the field it is typed into, what it holds, and its range in the document. */
const FIGURES = {
  fallen: ['Depth', 'depth', 'depth'],
  ran: ['Depth', 'depth', 'depth'],
  seconds: ['Time', 'seconds', 'time'],
  temperature: ['Water', 'temperature', 'temperature'],
  speed: ['Speed', 'speed', 'speed'],
  lineOut: ['Line out', 'lineOut', 'depth'],
  test: ['Line test', 'test', 'lineTest'],
} as const satisfies Partial<Record<keyof typeof TRIAL_RANGES, readonly [string, string, QuantityKind]>>;

/** Temperature of the water where none is told, °C. */
const USUAL_TEMPERATURE = 15;

/** The figures of some fields, or the first that cannot be used and why. */
function read<K extends keyof typeof FIGURES>(
  texts: Texts,
  keys: readonly K[],
  system: UnitSystem,
):
  | { readonly ok: true; readonly values: Readonly<Record<K, number>> }
  | { readonly ok: false; readonly message: string } {
  const values: Partial<Record<K, number>> = {};
  for (const key of keys) {
    const [label, field, kind] = FIGURES[key];
    const [least, most] = TRIAL_RANGES[key];
    const parsed = readQuantity(texts[field] ?? '', kind, system);
    if (!parsed.ok) return { ok: false, message: `${label}: ${parsed.message}` };
    if (!(parsed.value >= least && parsed.value <= most)) {
      const [from, to] = [least, most].map((end) => localised(formatQuantity(end, kind, system)));
      return { ok: false, message: `${label}: enter a value from ${from} to ${to}.` };
    }
    values[key] = parsed.value;
  }
  return { ok: true, values: values as Record<K, number> };
}

/** A timed drop as it was typed; water without a temperature is of 15 °C. */
export function dropFrom(texts: Texts, told: Pick<Drop, 'design' | 'water'>, system: UnitSystem): Measured {
  const isTold = (texts['temperature'] ?? '').trim() !== '';
  const given = read(texts, ['fallen', 'seconds'], system);
  if (!given.ok) return given;
  const warm = isTold
    ? read(texts, ['temperature'], system)
    : { ok: true as const, values: { temperature: USUAL_TEMPERATURE } };
  if (!warm.ok) return warm;
  const { fallen: depth, seconds } = given.values;
  const drop: Drop = { ...told, depth, seconds, ...warm.values };
  return { ok: true, added: (now) => ({ ...now, drops: [...now.drops, drop] }) };
}

/** A running depth as it was typed. */
export function towFrom(texts: Texts, told: Pick<TowDepth, 'design' | 'line'>, system: UnitSystem): Measured {
  const given = read(texts, ['ran', 'speed', 'lineOut', 'test'], system);
  if (!given.ok) return given;
  const { ran: depth, ...rest } = given.values;
  const tow: TowDepth = { ...told, depth, ...rest };
  return { ok: true, added: (now) => ({ ...now, tows: [...now.tows, tow] }) };
}
