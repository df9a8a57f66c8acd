import type { PullFigure } from '../../../core/judge/index.ts';
import { fixed } from '../../data/locale.ts';
import { useUnits } from '../../data/units.ts';
import type { useAddress } from '../../parts/address.ts';
import { Slider } from '../../parts/slider.tsx';
import { LinePicture, PulledHead, RodPicture } from './pull-pictures.tsx';
import type { WetHead } from './tank-kit.ts';
import { readingOf } from './tank-kit.ts';

/** A head that is shown as it is pulled. */
type PulledHeadOf = WetHead & { readonly pull: PullFigure };

/** What gives at which pull: its name, N, and its mark. */
const limitsOf = (head: WetHead) => {
  const guard = readingOf(head, 'guard.force');
  return [
    ['Hook-set through line and rod', readingOf(head, 'hook.setPull'), 'force-set'],
    ...(Number.isFinite(guard) ? ([['of it the guard takes', guard, 'force-guard']] as const) : []),
    ['Drag slips at', head.water.pulls.brake, 'force-brake'],
    ['Hook begins to yield at', readingOf(head, 'hook.yieldLoad'), 'force-yield'],
    ['Hook opens at', readingOf(head, 'hook.openingLoad'), 'force-open'],
    ['Line breaks at', head.water.pulls.test, 'force-line'],
  ] as const;
};

/** Rod, line and hooks bending under a pull that is set by hand, against what each bears. */
export function PullView({
  heads,
  address: { search, set },
}: {
  readonly heads: readonly WetHead[];
  readonly address: ReturnType<typeof useAddress>;
}) {
  const { format } = useUnits();
  const pulled = heads.filter((head): head is PulledHeadOf => head.pull !== undefined);
  const [first] = pulled;
  // The hook-set is where a person begins, until he pulls.
  if (!first) return null;
  const asked = Number(search.get('pull') ?? NaN);
  const { tackle } = first.pull;
  const perStep = tackle[1]?.pull ?? 1;
  const most = tackle.length - 1;
  const wanted = Number.isFinite(asked) ? asked : readingOf(first, 'hook.setPull');
  const at = Math.max(0, Math.min(most, Math.round(wanted / perStep)));
  const now = tackle[at];
  if (!now) return null;
  return (
    <section className="tank-view" aria-label="Hook and guard">
      <div className="tank-tools pull-tools">
        <Slider
          label="Pull"
          value={at}
          min={0}
          max={most}
          step={1}
          text={format(now.pull, 'pull')}
          onChange={(step) => set('pull', (step * perStep).toFixed(1))}
        />
        <p className="pull-says" role="status">
          {now.isParted
            ? 'The line has parted.'
            : now.isSlipping
              ? 'The drag gives line: only a locked reel pulls so hard.'
              : 'The drag holds.'}
        </p>
      </div>
      <div className="pull-scene">
        <RodPicture tackle={now} />
        <LinePicture tackle={now} test={first.water.pulls.test} />
        {pulled.map((head, i) => (
          <PulledHead
            key={`${head.name}${i}`}
            head={head}
            figure={head.pull}
            step={at}
            isParted={now.isParted}
          />
        ))}
      </div>
      {pulled.map((head, i) => (
        <Limits key={`${head.name}${i}`} head={head} pull={now.pull} most={perStep * most} />
      ))}
      <p className="stage-caution">
        ▲ A hook that opens under strain flies: pull snags free with the line, not towards the face.
      </p>
    </section>
  );
}

/** What gives at which pull, as bars, with the pull there is now through them. */
function Limits({
  head,
  pull,
  most,
}: {
  readonly head: WetHead;
  readonly pull: number;
  readonly most: number;
}) {
  const { format } = useUnits();
  const across = (value: number) => `${(100 * Math.min(value, most)) / most}%`;
  return (
    <figure className="tank-force">
      <figcaption>{head.name}</figcaption>
      <dl aria-label={`Forces on ${head.name}`}>
        {limitsOf(head)
          .filter(([, value]) => Number.isFinite(value))
          .map(([name, value, mark]) => (
            <div key={name}>
              <dt>{name}</dt>
              <dd>
                <span className="force-rail">
                  <span className={`force ${mark}`} style={{ width: across(value) }} />
                  <span className="force-now" style={{ left: across(pull) }} />
                </span>
                {format(value, 'pull')}
              </dd>
            </div>
          ))}
      </dl>
      <p className="tank-says">{said(head)}</p>
    </figure>
  );
}

function said(head: WetHead): string {
  const open = readingOf(head, 'hook.openingShare');
  const share = readingOf(head, 'guard.share');
  const drive = readingOf(head, 'hook.penetration');
  return [
    open < 1
      ? 'The hook opens before the line breaks: it comes off a snag, and gives before a strong fish on a locked drag.'
      : `The line breaks before the hook opens${Number.isFinite(open) ? `, which takes ${fixed(open, 1)} times as much` : ''}.`,
    Number.isFinite(share)
      ? `The guard takes ${Math.round(share * 100)}% of the hook-set.`
      : 'No guard stands in the way.',
    drive >= 1
      ? 'Enough is left to drive the point home.'
      : `What is left drives the point ${Math.round(drive * 100)}% of the way: set twice, or take ` +
        'thinner wire, a stiffer line or rod.',
  ].join(' ');
}
