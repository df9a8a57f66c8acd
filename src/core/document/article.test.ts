import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { articleProblems, eanCheckDigit, eanProblem } from './article.ts';

describe('an EAN-13', () => {
  // GS1's own worked example, the ISBN manual's, and one printed in many textbooks (from memory).
  it.each(['6291041500213', '9780306406157', '4006381333931'])('%s is right', (ean) => {
    expect(eanCheckDigit(ean)).toBe(Number(ean[12]));
    expect(eanProblem(ean)).toBeUndefined();
    expect(articleProblems({ ean })).toEqual([]);
  });

  it('of which a digit is wrong is told with the right check digit, at its field', () => {
    expect(eanProblem('4006381333930')).toBe(
      'The check digit of this EAN is 1, not 0. Read the digits again.',
    );
    expect(articleProblems({ ean: '4006381333930' })).toEqual([
      { path: '/article/ean', message: 'The check digit of this EAN is 1, not 0. Read the digits again.' },
    ]);
    expect(articleProblems({ number: 'A' })).toEqual([]);
    expect(articleProblems(undefined)).toEqual([]);
  });

  it.each(['', '400638133393', '40063813339310', 'x4006381333931', '4006381333931x', '400638133393I', '4'])(
    '“%s” has not 13 digits',
    (ean) => expect(eanProblem(ean)).toBe('Enter the 13 digits of the EAN.'),
  );

  // What the weights 1 and 3 are for: every single wrong digit is found, and two swapped neighbours unless
  // they differ by 5.
  it('with one wrong digit, or two swapped, is found', () => {
    const digits = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 12, maxLength: 12 });
    fc.assert(
      fc.property(digits, fc.nat(11), fc.integer({ min: 1, max: 9 }), fc.nat(10), (all, at, by, pair) => {
        const text = all.join('');
        const ean = text + String(eanCheckDigit(text));
        expect(eanProblem(ean)).toBeUndefined();
        const wrong = [...ean];
        wrong[at] = String((Number(wrong[at]) + by) % 10);
        expect(eanProblem(wrong.join(''))).toBeDefined();
        const swapped = [...ean];
        const [one = '', two = ''] = [ean[pair], ean[pair + 1]];
        [swapped[pair], swapped[pair + 1]] = [two, one];
        const differ = Math.abs(Number(one) - Number(two));
        expect(eanProblem(swapped.join('')) === undefined).toBe(differ === 0 || differ === 5);
      }),
    );
  });
});
