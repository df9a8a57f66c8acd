import { byRatio, toDesign } from './question.ts';
import type { Question } from './question.ts';

/** Metals that are lead, or mostly. */
const LEAD = new Set(['lead', 'lead-antimony']);

export const isLead = (metal: string): boolean => LEAD.has(metal);

export const cost: Question = {
  key: 'cost',
  name: 'Cost and law',
  asks: 'May it be used here, and can it be lost?',
  mistake: 'lead where it is not allowed, or a dear head where heads are lost',
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
          says: () => `Its metal costs ${dear.toFixed(2)}; a lost head may cost ${price.toFixed(2)}.`,
        },
      ];
    };
  },
  changes: ({ lead }, { design }) =>
    (lead ? ['lead', 'bismuth-tin'] : ['bismuth-tin', 'tungsten', 'tin'])
      .filter((metal) => metal !== design.head.metal)
      .map((metal) =>
        toDesign('/head/metal', metal, `${metal.replace('-', '–')} in place of ${design.head.metal}`),
      ),
};
