import { Link, useNavigate } from 'react-router';
import type { Design } from '../../../core/document/index.ts';
import { withFamily } from '../../../core/document/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import { useCreate } from '../../data/queries.ts';
import { Panel } from '../../parts/panel.tsx';
import { Problems } from '../../parts/problems.tsx';
import { Loading } from '../../parts/states.tsx';
import { Working } from '../../parts/working.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Judged } from '../../workers/judge.worker.ts';
import { Findings } from './findings.tsx';
import { MeasuredFigure } from './measured-figure.tsx';
import { Measurements } from './measurements.tsx';
import type { Found, Measured } from './use-measured.ts';
import { useMeasured } from './use-measured.ts';
import '../../parts/workshop.css';
import './take-in.css';

const draw = (design: Design): Promise<Judged> =>
  judgeWorker('later').judge(design, { ...PLAIN_WATER, isShort: true });

/**
 * Measure a head: a bought or old one in the hand, a caliper and a scale; the sizes that agree are found, and
 * what does not add up is said.
 */
export function TakeIn() {
  const of = useMeasured();
  return (
    <div className="shop">
      <div className="shop-head">
        <h1>Measure a head</h1>
        <span className="spring" />
        <Link className="btn btn-sm btn-quiet" to="/">
          Back to the Rack
        </Link>
      </div>
      <Measurements of={of} />
      <div className="shop-sheet" data-ready={of.isReady}>
        <Working what="metals tried" of={of.work} isLate />
        {of.error && <p className="problems">■ {of.error}</p>}
        <Problems of={of.problems} />
        {of.found && <Result of={of} found={of.found} />}
        {!of.isReady && !of.error && !of.work.isStopped && <Loading what="the head" />}
      </div>
    </div>
  );
}

/** The head that was found, drawn, with the metals it may be of and what to do with it. */
function Result({ of, found }: { readonly of: Measured; readonly found: Found }) {
  const create = useCreate('designs');
  const navigate = useNavigate();
  const { output: judged } = useJudged(found.design, draw);
  const onRack = () =>
    create.mutate(found.design, { onSuccess: (kept) => void navigate(`/designs/${kept.id}`) });
  const fromPhoto = () => {
    const { design, name, grams } = of;
    const traced = withFamily(
      {
        ...design,
        name: name.trim() || 'Own profile from a photograph',
        head: { ...design.head, target: { grams, of: 'total' } },
      },
      'own',
    );
    create.mutate(traced, { onSuccess: (kept) => void navigate(`/designs/${kept.id}?panel=photo`) });
  };
  return (
    <Panel what="Possible metals">
      <MeasuredFigure
        drawing={judged?.ok ? judged.drawing : undefined}
        metal={found.design.head.metal}
        label={`${of.family.name} as measured`}
      />
      <section aria-label="Possible metals">
        <h2>Possible metals</h2>
        <Findings of={of} found={found} />
        <div className="shop-row">
          <button type="button" className="btn btn-fern" onClick={onRack} disabled={create.isPending}>
            Add to the Rack
          </button>
          <button type="button" className="btn btn-quiet" onClick={fromPhoto} disabled={create.isPending}>
            Draw it from a photograph instead
          </button>
        </div>
      </section>
    </Panel>
  );
}
