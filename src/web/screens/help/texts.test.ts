import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { htmlOf, termFor, termsOf } from './texts.ts';

const glossary = readFileSync(new URL('../../../../docs/glossary.md', import.meta.url), 'utf8');

describe('the glossary in the interface', () => {
  it('holds the trade’s words and not the program’s, each explained', () => {
    const terms = termsOf(glossary);
    expect(terms.length).toBeGreaterThan(25);
    expect(terms.every(({ meant }) => meant.length > 10)).toBe(true);
    expect(termFor(terms, 'Keeper')?.meant).toContain('holds a bait');
    expect(termFor(terms, 'drag')?.meant).toContain('reel');
    expect(termFor(terms, 'gate')?.meant).toContain('mould');
    expect(termFor(terms, 'Rack')).toBeUndefined();
  });

  it('explains every word that a field of the interface asks it for', async () => {
    const { TERMS } = await import('../../parts/term-words.ts');
    const terms = termsOf(glossary);
    expect(TERMS.filter((word) => !termFor(terms, word))).toEqual([]);
  });
});

it('our documents are shown with their tables, and links into the code as words', () => {
  const html = htmlOf('# A\n\n| b | c |\n| --- | --- |\n| [x.ts](../src/x.ts) | [y](#z) |');
  expect(html).toContain('<table>');
  expect(html).not.toContain('../src');
  expect(html).toContain('x.ts');
  expect(html).toContain('href="#z"');
});
