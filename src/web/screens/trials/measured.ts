import type { Drop, Trial } from '../../../core/document/index.ts';
import type { QuantityKind, UnitSystem } from '../../../core/quantity/index.ts';
import { formatQuantity, parseQuantity } from '../../../core/quantity/index.ts';

type TowDepth = Trial['tows'][number];

/** Texts of the form, by the names of their fields. */
type Texts = Readonly<Record<string, string>>;

/** A day with one more measurement, or what is wrong with what was typed. */
export type Measured =
  | { readonly ok: true; readonly added: (trial: Trial) => Trial }
  | { readonly ok: false; readonly message: string };

/** What each field is called, holds, and may be, in the core's units. */
const FIELDS = {
  depth: ['Depth', 'depth', 0.2, 100],
  seconds: ['Time', 'time', 0.05, 600],
  temperature: ['Water', 'temperature', -2, 40],
  speed: ['Speed', 'speed', 0.05, 4],
  lineOut: ['Line out', 'depth', 1, 300],
  test: ['Line test', 'lineTest', 0.3, 60],
} as const satisfies Readonly<Record<string, readonly [string, QuantityKind, number, number]>>;

/** Temperature of the water where none is told, °C. */
const USUAL_TEMPERATURE = 15;

/** The figures of some fields, or the first that cannot be used and why. */
function read<K extends keyof typeof FIELDS>(
  texts: Texts,
  keys: readonly K[],
  system: UnitSystem,
):
  | { readonly ok: true; readonly values: Readonly<Record<K, number>> }
  | { readonly ok: false; readonly message: string } {
  const values: Partial<Record<K, number>> = {};
  for (const key of keys) {
    const [label, kind, least, most] = FIELDS[key];
    const parsed = parseQuantity(texts[key] ?? '', kind, system);
    if (!parsed.ok) return { ok: false, message: `${label}: ${parsed.message}` };
    if (!(parsed.value >= least && parsed.value <= most)) {
      const [from, to] = [least, most].map((end) => formatQuantity(end, kind, system));
      return { ok: false, message: `${label}: enter a value from ${from} to ${to}.` };
    }
    values[key] = parsed.value;
  }
  return { ok: true, values: values as Record<K, number> };
}

/** A timed drop as it was typed; water without a temperature is of 15 °C. */
export function dropFrom(texts: Texts, told: Pick<Drop, 'design' | 'water'>, system: UnitSystem): Measured {
  const isTold = (texts['temperature'] ?? '').trim() !== '';
  const given = read(texts, ['depth', 'seconds'], system);
  if (!given.ok) return given;
  const warm = isTold
    ? read(texts, ['temperature'], system)
    : { ok: true as const, values: { temperature: USUAL_TEMPERATURE } };
  if (!warm.ok) return warm;
  const drop: Drop = { ...told, ...given.values, ...warm.values };
  return { ok: true, added: (now) => ({ ...now, drops: [...now.drops, drop] }) };
}

/** A running depth as it was typed. */
export function towFrom(texts: Texts, told: Pick<TowDepth, 'design' | 'line'>, system: UnitSystem): Measured {
  const given = read(texts, ['depth', 'speed', 'lineOut', 'test'], system);
  if (!given.ok) return given;
  const tow: TowDepth = { ...told, ...given.values };
  return { ok: true, added: (now) => ({ ...now, tows: [...now.tows, tow] }) };
}
