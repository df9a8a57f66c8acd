import { marked } from 'marked';

/** A term of the trade as the glossary has it. */
export interface Term {
  readonly word: string;
  /** what is meant, Markdown */
  readonly meant: string;
}

/** Returns the rows of a glossary’s table of trade words, which is Markdown with one term per row. */
export function termsOf(glossary: string): Term[] {
  const [, trade = ''] = glossary.split('## Words of the trade');
  const [table = ''] = trade.split('\n## ');
  return table.split('\n').flatMap((line) => {
    const [, word = '', meant = ''] = /^\|\s*([^|]+?)\s*\|\s*([^|]+?)\s*\|/.exec(line) ?? [];
    return word === '' || word === 'word' || /^-+$/.test(word) ? [] : [{ word, meant }];
  });
}

/** Returns the first term that a word is, or is among: “keeper”, “drag (of a reel)” for drag. */
export const termFor = (terms: readonly Term[], word: string): Term | undefined =>
  terms.find((term) =>
    term.word
      .replace(/\(.*?\)/g, '')
      .split(',')
      .some((one) => one.trim().toLowerCase() === word.toLowerCase()),
  );

/** Returns the mark a term stands at on the page. */
export const anchorOf = (word: string): string => `term-${word.toLowerCase().replace(/[^a-z]+/g, '-')}`;

/**
 * Returns one of our own documents as HTML; links to files of the code lead nowhere in the interface and are
 * left as words.
 */
export const htmlOf = (markdown: string): string =>
  marked.parse(markdown, { async: false }).replace(/<a href="\.\.?\/[^"]*">(.*?)<\/a>/g, '$1');

/** Returns a line of our own documents as HTML. */
export const lineOf = (markdown: string): string => marked.parseInline(markdown, { async: false });
