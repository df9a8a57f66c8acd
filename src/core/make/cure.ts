import { itemAt } from '../numeric/at.ts';
import { marked } from '../quantity/phrase.ts';
import type { Melting } from '../material/metals/metal.ts';

/** What the maker of a powder asks: so long at so hot, °C and s. */
export interface CureSchedule {
  readonly celsius: number;
  readonly seconds: number;
}

/** A temperature of a head in the oven, so long after it went in, s and °C. */
export interface CureReading {
  readonly at: number;
  readonly celsius: number;
}

/** Whether paint was held at its schedule. */
export interface CureVerdict {
  /** s at or above the schedule's temperature, by straight lines between the readings */
  readonly held: number;
  readonly hottest: number;
  readonly isCured: boolean;
  /** what to do; quantities are marked */
  readonly words: string;
}

/** Above the schedule by more than this a powder yellows or runs, °C (common practice, no source). */
const TOO_HOT = 25;
/**
 * Nearer to the melting point than this a head sags or drops off its hook, °C (common practice, no source).
 */
const SOFT = 15;

const c = (celsius: number) => marked(celsius, 'temperature');

/**
 * Whether a batch is cured by the maker's schedule: time at measured temperature of the heads, which are
 * behind the oven by minutes. Readings in order of time.
 */
export function cureVerdict(
  schedule: CureSchedule,
  readings: readonly CureReading[],
  melting?: Melting,
): CureVerdict {
  let held = 0;
  for (let i = 1; i < readings.length; i++) {
    const [a, b] = [itemAt(readings, i - 1), itemAt(readings, i)];
    const [over, under] = [a.celsius - schedule.celsius, b.celsius - schedule.celsius];
    const time = b.at - a.at;
    if (over >= 0 && under >= 0) held += time;
    else if (over >= 0 || under >= 0)
      held += (time * Math.max(over, under)) / (Math.abs(over) + Math.abs(under));
  }
  const hottest = readings.reduce((most, { celsius }) => Math.max(most, celsius), -Infinity);
  const isCured = held >= schedule.seconds;
  return { held, hottest, isCured, words: said() };

  function said(): string {
    if (melting && schedule.celsius > melting.solid - SOFT)
      return (
        `This metal softens at ${c(melting.solid)}: the schedule of ${c(schedule.celsius)} would ` +
        'let the heads sag. Take a paint that dries in air.'
      );
    if (readings.length < 2)
      return `Log the heads’ own temperature at least twice: an oven’s dial says nothing of the heads in it.`;
    if (hottest > schedule.celsius + TOO_HOT)
      return (
        `Up to ${c(hottest)}, which is beyond the schedule by more than powders take: expect ` +
        'yellowed or run paint.'
      );
    if (isCured)
      return `Held ${marked(held, 'time')} at ${c(schedule.celsius)} or more: cured by the schedule.`;
    return (
      `Held ${marked(held, 'time')} of ${marked(schedule.seconds, 'time')}: ` +
      `${marked(schedule.seconds - held, 'time')} more at ${c(schedule.celsius)}.`
    );
  }
}

/** The school that judges by eye, and why this does not follow it. */
export const BY_EYE =
  'Some cure until it looks done. Gloss comes with flow, minutes before the paint has ' +
  'linked up: heads that look done chip on the first rock. A thermometer on a spare head ' +
  'costs less than a batch.';
