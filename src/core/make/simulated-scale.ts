import { GRAMS_PER_OUNCE } from '../quantity/units.ts';
/** What is done to the simulated scale. */
export type ScaleAct =
  | { readonly act: 'put'; readonly grams: number }
  | { readonly act: 'take' }
  | { readonly act: 'tare' }
  | { readonly act: 'unit' }
  | { readonly act: 'plug'; readonly in: boolean };

/** How it errs. Everyday figures of a small scale with a digit of 0.01 g (common practice, no source). */
const NOISE = 0.004;
const DIGIT = 0.01;
/** g an hour that zero wanders by */
const DRIFT = 0.05;
/** s in which the pan comes to rest by a factor of e */
const SETTLING = 0.25;
/** g/s under which it calls itself steady: half a digit between two of its lines */
const STEADY = DIGIT / 2 / 0.2;
/** share of lines that arrive garbled, as over a bad cable */
const GARBLED = 0.01;
const UNITS = [
  ['g', 1, 2],
  ['oz', GRAMS_PER_OUNCE, 4],
  ['gn', 0.06479891, 1],
] as const;

/**
 * A small scale with a serial line, played: noise, drift, tare, units, and readings that are unsteady while
 * the pan comes to rest. `random` gives numbers from 0 to 1. `line(seconds)` is what it sends that long after
 * the last, undefined while it is unplugged.
 */
export function simulatedScale(random: () => number) {
  let [load, shown, zero, drift] = [0, 0, 0, 0];
  let unit = 0;
  let isPlugged = true;
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return {
    act(what: ScaleAct): void {
      if (what.act === 'put') load = what.grams;
      else if (what.act === 'take') load = 0;
      else if (what.act === 'tare') zero = shown + drift;
      else if (what.act === 'unit') unit = (unit + 1) % UNITS.length;
      else isPlugged = what.in;
    },
    line(seconds: number): string | undefined {
      if (!isPlugged) return undefined;
      const before = shown;
      shown = load + (shown - load) * Math.exp(-seconds / SETTLING);
      drift += (DRIFT / 3600) * seconds * (2 * random() - 1) * 3;
      const isSteady = Math.abs(shown - before) < STEADY * seconds;
      const [name, factor, places] = UNITS[unit] ?? UNITS[0];
      const grams = Math.round((shown + drift - zero + NOISE * normal()) / DIGIT) * DIGIT;
      const value = (grams / factor).toFixed(places);
      if (random() < GARBLED)
        return `#${value.replace(/\d/g, (d) => (random() < 0.5 ? '\u00ff' : d))}:${value}`;
      return `${isSteady ? 'S' : 'U'} ${grams < 0 ? '' : '+'}${value} ${name}`;
    },
  };
}
