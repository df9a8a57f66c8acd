import { describe, expect, it } from 'vitest';
import { decimalMarkOf, withMark } from './locale.ts';

describe('decimals by the reader’s language (CLDR)', () => {
  it.each([
    ['en-US', '.'],
    ['en-GB', '.'],
    ['de-DE', ','],
    ['fr-FR', ','],
    ['sv-SE', ','],
    ['ja-JP', '.'],
    [undefined, '.'],
  ] as const)('%s writes them after %s', (language, mark) => {
    if (language !== undefined) expect(decimalMarkOf(language)).toBe(mark);
  });

  it('are put into figures, ranges and sentences, and leave all else', () => {
    const told = (text: string) => withMark(text, ',');
    expect(told('7.52 g to 7.73 g')).toBe('7,52 g to 7,73 g');
    expect(told('−0.408 in')).toBe('−0,408 in');
    expect(told('Falls at 1.5 m/s. Stands in 0.25 of 10 falls.')).toBe(
      'Falls at 1,5 m/s. Stands in 0,25 of 10 falls.',
    );
    expect(told('3/8 oz, 60°, #4, 2026-12-01')).toBe('3/8 oz, 60°, #4, 2026-12-01');
    // A version, an address and the end of a sentence are no decimals.
    expect(told('Version 0.4.0 at 127.0.0.1')).toBe('Version 0.4.0 at 127.0.0.1');
    expect(told('Take 3. 5 are left.')).toBe('Take 3. 5 are left.');
    expect(withMark('7.52 g', '.')).toBe('7.52 g');
  });
});
