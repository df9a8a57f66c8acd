import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isStorable, shortened } from './text.ts';

describe('text cut to a length', () => {
  it('never ends in half a sign, and is as long as it may be', () => {
    expect(shortened('abc', 5)).toBe('abc');
    expect(shortened('ab🐟', 3)).toBe('ab');
    expect(shortened('ab🐟', 4)).toBe('ab🐟');
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), fc.nat(30), (text, most) => {
        const cut = shortened(text, most);
        expect(cut.length).toBeLessThanOrEqual(most);
        expect(text.startsWith(cut)).toBe(true);
        expect(cut.isWellFormed()).toBe(true);
        if (text.length > most) expect(cut.length).toBeGreaterThanOrEqual(most - 1);
      }),
    );
  });

  it('can be stored without NUL and halves', () => {
    expect(isStorable('Köder 🐟')).toBe(true);
    expect(isStorable('a\u0000b')).toBe(false);
    expect(isStorable('a\ud83d')).toBe(false);
  });
});
