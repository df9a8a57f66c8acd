import { useMemo } from 'react';
import { Link } from 'react-router';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { HookPairing } from '../../../core/match/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { MethodKey } from '../../../core/rigging/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useUnits } from '../../data/units.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { PairRow } from '../../workers/pair-rows.ts';
import { SIGN } from './rig-checks.tsx';
import { RigTackle } from './rig-tackle.tsx';

interface HookJob {
  readonly design: Design;
  readonly plastic: Plastic;
  readonly metals: readonly Metal[];
}
const runHooks = ({ design, plastic, metals }: HookJob): Promise<HookPairing[]> =>
  judgeWorker('later').hooks(design, plastic, metals);

interface HeadJob {
  readonly designs: readonly Design[];
  readonly plastic: Plastic;
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[];
}
const runHeads = ({ designs, plastic, rules, metals }: HeadJob): Promise<PairRow[]> =>
  judgeWorker('later').heads(designs, plastic, rules, metals);

const methodName = (key: string): string => METHODS.find((method) => method.key === key)?.name ?? key;

/**
 * The other ways round: which hook on this head takes this plastic best, which heads serve with it, and on
 * what line and rod.
 */
export function RigWays({
  design,
  plastic,
  method,
  rules,
  metals,
  heads,
  onHook,
}: {
  readonly design: Design;
  readonly plastic: Kept<Plastic>;
  readonly method: MethodKey;
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[];
  /** heads of the Rack that are looked at */
  readonly heads: readonly Kept<Design>[];
  readonly onHook: (hook: HookPairing) => void;
}) {
  const { document } = plastic;
  const { say } = useUnits();
  const hookJob = useMemo<HookJob>(() => ({ design, plastic: document, metals }), [design, document, metals]);
  const { output: hooks } = useJudged(hookJob, runHooks);
  const headJob = useMemo<HeadJob>(
    () => ({ designs: heads.map((kept) => kept.document), plastic: document, rules, metals }),
    [heads, document, rules, metals],
  );
  const { output: ranked } = useJudged(headJob, runHeads);
  return (
    <section className="rig-ways" aria-label="Hooks, heads and tackle">
      <div>
        <h2>Hooks on this head for {document.name}</h2>
        <ol>
          {(hooks ?? []).slice(0, 6).map((hook) => (
            <li key={`${hook.size}${hook.style}`}>
              <button type="button" className="btn-link-brass" onClick={() => onHook(hook)}>
                {hook.size} {hook.style}
              </button>{' '}
              <span className={`plastic-verdict plastic-${hook.verdict}`}>{SIGN[hook.verdict]}</span>
              <small>
                {methodName(hook.method)}
                {hook.why[0] ? `. ${hook.why[0]}` : ''}
              </small>
            </li>
          ))}
        </ol>
        {!hooks && <p className="stores-note">Trying every hook …</p>}
        {hooks?.length === 0 && <p className="stores-note">No hook of the chart goes into this head.</p>}
      </div>
      <div>
        <h2>Heads for {document.name}</h2>
        <ol>
          {(ranked ?? []).slice(0, 6).map((head) => {
            const kept = heads[head.index];
            return kept ? (
              <li key={kept.id}>
                <Link to={`/designs/${kept.id}/rig?plastic=${plastic.id}&method=${head.method}`}>
                  {kept.document.name}
                </Link>{' '}
                <span className={`plastic-verdict plastic-${head.verdict}`}>{SIGN[head.verdict]}</span>
                <small>
                  {methodName(head.method)}.{' '}
                  {head.service === 'serves'
                    ? `Serves: ${head.use}.`
                    : `${head.use}, ${head.service}: ${say(head.against)}`}
                </small>
              </li>
            ) : null;
          })}
        </ol>
        {!ranked && <p className="stores-note">Trying it on every head …</p>}
      </div>
      <div>
        <h2>Line and rod</h2>
        <RigTackle design={design} plastic={document} method={method} rules={rules} metals={metals} />
      </div>
    </section>
  );
}
