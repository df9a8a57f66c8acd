import { useMemo } from 'react';
import type { RulesInForce } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { TackleSpan } from '../../../core/match/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { MethodKey } from '../../../core/rigging/index.ts';
import { useUnits } from '../../data/units.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';

interface Job {
  readonly design: Design;
  readonly plastic: Plastic;
  readonly method: MethodKey;
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[];
}
const run = ({ design, plastic, method, rules, metals }: Job) =>
  judgeWorker('later').tackle(design, plastic, method, rules, metals);

const nameOf = ({ line, hasLeader }: TackleSpan): string =>
  hasLeader ? 'Braid with a fluorocarbon leader of' : `${line.charAt(0).toUpperCase()}${line.slice(1)} of`;

/**
 * Line, leader and rod for the head with this bait, from what its hook takes and bears, with the usual
 * pairing beside it.
 */
export function RigTackle({
  design,
  plastic,
  method,
  rules,
  metals,
}: {
  readonly design: Design;
  readonly plastic: Plastic;
  readonly method: MethodKey;
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[];
}) {
  const { format, say } = useUnits();
  const job = useMemo<Job>(
    () => ({ design, plastic, method, rules, metals }),
    [design, plastic, method, rules, metals],
  );
  const { output, for: answered, error } = useJudged(job, run);
  if (error) return <p className="problems">■ {error}</p>;
  if (!answered) return <p className="stores-note">Trying lines and rods …</p>;
  if (!output) return <p className="stores-note">The head cannot be built as it is.</p>;
  const { use, advice } = output;
  return (
    <>
      <p>
        <small>For: {use}.</small>
      </p>
      <ul className="rig-tackle">
        {advice.spans.map((span) => (
          <li key={nameOf(span)}>
            {span.mark === 'yes' ? '✓' : '▲'} {nameOf(span)}{' '}
            <b>
              {span.from === span.to
                ? format(span.from, 'lineTest')
                : `${format(span.from, 'lineTest')} to ${format(span.to, 'lineTest')}`}
            </b>
            <small>
              on a {span.rods[0]}
              {span.rods.length > 1 && ` to ${span.rods[span.rods.length - 1] ?? ''}`} rod
              {span.mark === 'yes' ? '' : ', with care'}
            </small>
          </li>
        ))}
        {advice.spans.length === 0 && <li>No line of those tried serves this hook and weight.</li>}
      </ul>
      <p>
        <small>
          {advice.drives === undefined
            ? 'No line tried drives the hook home.'
            : `From ${format(advice.drives, 'lineTest')} up the hook goes in;`}{' '}
          {advice.bears === undefined
            ? 'it opens before the drag slips on every line.'
            : `up to ${format(advice.bears, 'lineTest')} the drag slips before it opens.`}
        </small>
      </p>
      <p>
        <small>
          Usual for this (common practice): {say(advice.usual.line)}; rod {say(advice.usual.rod)}; reel{' '}
          {advice.usual.reel}.
        </small>
      </p>
    </>
  );
}
