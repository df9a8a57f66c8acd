import type { Metal } from '../../material/metals/metal.ts';
import { isLead, METALS } from '../../material/metals/index.ts';
import { byRatio, toDesign } from './question.ts';
import type { Question } from './question.ts';

/** How many other metals are tried for a head that costs too much, or may not be used. */
const TRIED = 3;

/**
 * Metals in place of another: cheaper ones, or where lead is not allowed those nearest to its density, so
 * that shape and hook stay.
 */
function instead(metal: string, isLeadAllowed: boolean): Metal[] {
  const own = METALS.find(({ key }) => key === metal);
  const off = ({ density }: Metal) => Math.abs(Math.log(density / (own?.density ?? density)));
  const others = METALS.filter((other) => other !== own && (isLeadAllowed || !other.isLead));
  return (
    isLeadAllowed
      ? others.filter(({ price }) => price < (own?.price ?? Infinity)).sort((a, b) => a.price - b.price)
      : others.sort((a, b) => off(a) - off(b))
  ).slice(0, TRIED);
}

/** Whether it may be used, and be lost. */
export const cost: Question = {
  key: 'cost',
  name: 'Cost and law',
  asks: 'May it be used here, and can it be lost?',
  mistake: 'lead where it is not allowed, or a dear head where heads are lost',
  reads: ['cost.metal'],
  isAsked: () => true,
  isDecisive: ({ lead }) => !lead,
  compute: ({ lead, price }) => {
    return ({ design, values }) => {
      if (!lead && isLead(design.head.metal))
        return [
          {
            score: 0,
            isFirm: true,
            by: 'metal',
            says: () =>
              'It is lead, which the brief says is not allowed here. Local rules decide, and they change.',
          },
        ];
      const dear = values['cost.metal'];
      if (price === undefined || dear === undefined) return [];
      return [
        {
          score: price > 0 ? byRatio(dear / price, 0.6) : dear > 0 ? 0.2 : 1,
          isFirm: true,
          by: 'cost.metal',
          says: (side) =>
            `Its metal costs ${dear.toFixed(2)}, ${side === 'for' ? 'and' : 'but'} a lost head may ` +
            `cost ${price.toFixed(2)}${side === 'for' ? '' : ' at the most'}.`,
        },
      ];
    };
  },
  changes: ({ lead }, { design }) =>
    instead(design.head.metal, lead).map(({ key }) =>
      toDesign('/head/metal', key, `${key.replace('-', '–')} in place of ${design.head.metal}`),
    ),
};
