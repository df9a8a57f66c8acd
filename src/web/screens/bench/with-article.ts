import type { Article, Design } from '../../../core/document/index.ts';

/**
 * A design with a part of its article changed; what is empty is left out, and an article without parts is
 * none.
 */
export function withArticle(
  design: Design,
  change: { readonly [K in keyof Article]?: Article[K] | undefined },
): Design {
  const { article, ...rest } = design;
  const next = Object.fromEntries(
    Object.entries({ ...article, ...change }).filter(([, value]) => value !== undefined && value !== ''),
  ) as Article;
  return Object.keys(next).length === 0 ? rest : { ...rest, article: next };
}
