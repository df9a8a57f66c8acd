import { SKIRT_RANGES } from '../fitting/skirt.ts';
import { marked } from '../quantity/phrase.ts';
import { SKIRT_ENDS, SKIRT_UNEVEN, TRAILER, UNEVEN } from '../rigging/limits.ts';
import { toDesign } from '../rigging/laying.ts';
import type { FitCheck, Look } from './verdict.ts';
import { checked } from './verdict.ts';

/** What is looked at of a trailer: its size, and the skirt before it where there is one. */
export function trailerChecks(look: Look): FitCheck[] {
  const { rig, laid } = look;
  const trailer = trailerCheck(look);
  if (!rig.skirt) return [trailer];
  const { length, uneven } = rig.skirt;
  const wanted = Math.min(SKIRT_RANGES.length[1], Math.max(SKIRT_RANGES.length[0], Math.round(laid.tailAt)));
  const off = length - laid.tailAt;
  return [
    trailer,
    checked(
      { id: 'rig.skirt', name: 'Skirt past the meat', value: off, quantity: 'size', ...SKIRT_ENDS },
      (verdict) =>
        verdict === 'good'
          ? 'It covers the meat of the trailer and lets its legs show.'
          : off > 0
            ? 'It hides the legs of the trailer.'
            : 'It leaves the meat of the trailer bare.',
      () => `Take a skirt whose strands end ${marked(wanted, 'size')} behind the head.`,
      () => [toDesign('/skirt/length', wanted, `skirt ${marked(wanted, 'size')}`)],
    ),
    checked(
      { id: 'rig.uneven', name: 'Skirt uneven by', value: uneven, quantity: 'size', ...UNEVEN },
      (verdict) =>
        verdict === 'good'
          ? 'Its ends are uneven, as they should be.'
          : uneven < UNEVEN.good[0]
            ? 'Its ends are even: uneven ones move better.'
            : 'Its ends are so uneven that the shortest leave the meat bare.',
      () => `Trim its ends uneven by about ${marked(SKIRT_UNEVEN, 'size')}.`,
      () => [toDesign('/skirt/uneven', SKIRT_UNEVEN, `uneven by ${marked(SKIRT_UNEVEN, 'size')}`)],
    ),
  ];
}

function trailerCheck({ rig, plastic, laid }: Look): FitCheck {
  const head = rig.profile.length - rig.hook.bendRear[0];
  const ratio = laid.length / head;
  const cut = Math.round(laid.length - TRAILER.good[1] * head);
  const isLong = ratio > TRAILER.good[1];
  return checked(
    { id: 'rig.trailer', name: 'Trailer against head and hook', value: ratio, quantity: 'share', ...TRAILER },
    (verdict) =>
      verdict === 'good'
        ? 'In proportion to the head.'
        : isLong
          ? 'Too long for this head: fish strike short of the hook.'
          : 'Too short to show behind the skirt.',
    () => (isLong ? `Cut ${marked(cut, 'size')} off the nose.` : 'Take a longer trailer.'),
    () =>
      isLong && cut < plastic.length / 2
        ? [
            {
              of: 'plastic',
              path: '/cut',
              value: (plastic.cut ?? 0) + cut,
              says: `cut ${marked(cut, 'size')} off`,
            },
          ]
        : [],
  );
}
