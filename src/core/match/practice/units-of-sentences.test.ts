import { expect, it } from 'vitest';
import { inUnits, withUsual } from '../../quantity/phrase.ts';
import { situationOf } from '../engine/situation.ts';
import { conditionText } from '../engine/speaks.ts';
import { usualTackle } from '../engine/tackle-for.ts';
import { assumedOf, doubtsOf, tipsOf } from './advice.ts';
import { FRESH } from './fresh.test-kit.ts';
import { PRACTICE } from './practice.test-kit.ts';
import { REFERENCE_RULES } from './reference-rules.ts';
import { testSayings } from './sayings.ts';
import { SITUATIONS } from './situations.ts';

/*
 * What the trade says carries its quantities marked, so that a screen has one system of units: grams beside
 * ounces alone, as packets have them.
 */

const BRIEFS = [...SITUATIONS, ...PRACTICE, ...FRESH].map(({ brief }) => brief);
const METRIC = /\d ?(?:mm|cm|m|kg|°C|m\/s)(?![\w/])/;
const IMPERIAL =
  /\d ?(?:ft|in|lb|oz|°F|ft\/s|feet|inch|inches|pounds?)(?![\w/])|\w+ (?:feet to|foot|inch|pounds)\b/;

const sentences = new Map<string, string>();
for (const brief of BRIEFS) {
  const situation = situationOf(brief);
  for (const { key, says } of [...doubtsOf(situation), ...tipsOf(situation), ...assumedOf(situation)])
    sentences.set(`${brief.name}: ${key}`, says);
  for (const grams of [1, 8, 12, 25]) {
    const { line, rod, reel } = usualTackle(brief, grams);
    sentences.set(`${brief.name}: tackle for ${grams} g`, `${line}; ${rod}; ${reel}`);
  }
}
for (const { id, says, when } of REFERENCE_RULES.rules)
  sentences.set(`rule ${id}`, `${withUsual(says)} ${when.map(conditionText).join(' ')}`);
for (const { key, says, why } of testSayings([])) sentences.set(`saying ${key}`, `${says} ${why}`);

it('no sentence of the trade is in pounds and feet for who reads kilograms and metres, or the other way', () => {
  expect(sentences.size).toBeGreaterThan(500);
  const wrong = [...sentences].flatMap(([key, text]) => {
    const [metric, imperial] = [inUnits(text, 'metric'), inUnits(text, 'imperial')];
    return [
      ...(IMPERIAL.test(metric) ? [`${key}: ${metric}`] : []),
      ...(METRIC.test(imperial) ? [`${key}: ${imperial}`] : []),
      ...(/[⟦⟧]|NaN/.test(metric + imperial) ? [`${key}: ${metric}`] : []),
    ];
  });
  expect(wrong).toEqual([]);
});

it('what is assumed is round in either system', () => {
  for (const brief of BRIEFS)
    for (const { says } of assumedOf(situationOf(brief)))
      for (const system of ['metric', 'imperial'] as const)
        // Two digits that are not nought, as 80 ft and 0.35 m, or three that end in a half step: 1.15 ft/s.
        for (const [figure] of inUnits(says, system).matchAll(/\d[\d.]*/g))
          expect(figure.replace(/^0\.|\./, '').replace(/0+$/, ''), inUnits(says, system)).toMatch(
            /^\d?\d?5?$/,
          );
});
