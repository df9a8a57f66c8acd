import { Type } from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { idOf } from './ids.ts';
import type { Problem } from './problem.ts';

/** How a head is bought, kept and sold: what a price list knows of it. */
export const ArticleSchema = Type.Object(
  {
    number: Type.Optional(
      Type.String({ minLength: 1, maxLength: 40, pattern: '\\S', description: 'Article number' }),
    ),
    ean: Type.Optional(
      Type.String({ pattern: '^\\d{13}$', description: 'EAN-13 of the packet, with its check digit' }),
    ),
    price: Type.Optional(
      Type.Number({ minimum: 0, maximum: 1e6, description: 'Price of a pack, in the shop’s money' }),
    ),
    pack: Type.Optional(Type.Integer({ minimum: 1, maximum: 10_000, description: 'Heads in a pack' })),
    supplier: Type.Optional(Type.String({ minLength: 1, maxLength: 120, description: 'Supplier' })),
    stock: Type.Optional(Type.Integer({ minimum: 0, maximum: 1e6, description: 'Packs in stock' })),
    photo: Type.Optional(idOf('photos', 'Id of the product photograph')),
  },
  { additionalProperties: false, description: 'How the head is bought, kept and sold' },
);

/** How a head is bought, kept and sold. */
export type Article = Static<typeof ArticleSchema>;

/**
 * Returns the check digit of the first twelve digits of an EAN-13: weights 1 and 3 in turn from the left, to
 * the next ten (GS1 General Specifications, 7.9). Other characters count as nothing.
 */
export function eanCheckDigit(digits: string): number {
  let sum = 0;
  for (let i = 0; i < 12; i++) sum += (i % 2 === 0 ? 1 : 3) * (Number(digits[i]) || 0);
  return (10 - (sum % 10)) % 10;
}

/**
 * Returns what is wrong with an EAN-13 as it was typed; undefined where nothing is. Spaces and hyphens must
 * be gone.
 */
export function eanProblem(ean: string): string | undefined {
  if (!/^\d{13}$/.test(ean)) return 'Enter the 13 digits of the EAN.';
  const right = eanCheckDigit(ean);
  return Number(ean[12]) === right
    ? undefined
    : `The check digit of this EAN is ${right}, not ${ean[12]}. Read the digits again.`;
}

/** Returns what is wrong with an article beyond its schema: the check digit of its EAN. */
export function articleProblems(article: Article | undefined): Problem[] {
  const said = article?.ean === undefined ? undefined : eanProblem(article.ean);
  return said === undefined ? [] : [{ path: '/article/ean', message: said }];
}
