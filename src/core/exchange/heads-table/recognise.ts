/** Something that can be called by name. */
interface Callable {
  readonly key: string;
  readonly name: string;
  /** other words of the trade for it */
  readonly alsoCalled?: readonly string[];
}

/** Returns a text as it is spoken: small letters and digits, one space between words. */
export const spoken = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\d]+/gu, ' ')
    .trim();

/** The same with a space at either end, so that whole words are found in it. */
const bare = (text: string): string => ` ${spoken(text)} `;

/**
 * Returns what a text calls by its key, its name or another word of the trade: the one whose word is longest,
 * so that “small football” is not a football. Undefined where it calls none, or two by words of one length.
 * Words shorter than `least` letters are passed over: in a name “no 4” says nothing of a keeper.
 */
export function recognise<T extends Callable>(text: string, kinds: readonly T[], least = 1): T | undefined {
  const said = bare(text);
  let best: { readonly kind: T; readonly length: number } | undefined;
  let isTied = false;
  for (const kind of kinds) {
    for (const word of [kind.key, kind.name, ...(kind.alsoCalled ?? [])]) {
      const term = bare(word);
      if (term.trim().length < least || !said.includes(term)) continue;
      if (best === undefined || term.length > best.length)
        [best, isTied] = [{ kind, length: term.length }, false];
      else if (term.length === best.length && best.kind !== kind) isTied = true;
    }
  }
  return isTied ? undefined : best?.kind;
}
