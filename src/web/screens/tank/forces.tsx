import { useUnits } from '../../data/units.ts';
import type { WetHead } from './tank-kit.ts';
import { readingOf } from './tank-kit.ts';

/** What the hook and the guard take, as bars against what line, rod and reel drag give. */
export function Forces({ heads }: { readonly heads: readonly WetHead[] }) {
  const { format } = useUnits();
  const rows = heads.map((head) => {
    const guard = readingOf(head, 'guard.force');
    return {
      head,
      bars: [
        ['Hook-set through line and rod', readingOf(head, 'hook.setPull'), 'force-set'],
        ...(Number.isFinite(guard) ? ([['of it the guard takes', guard, 'force-guard']] as const) : []),
        ['Drag slips at', head.water.pulls.brake, 'force-brake'],
        ['Hook opens at', readingOf(head, 'hook.openingLoad'), 'force-open'],
        ['Line parts at', head.water.pulls.test, 'force-line'],
      ] as const,
    };
  });
  const most = Math.max(...rows.flatMap(({ bars }) => bars.map(([, value]) => value)));
  return (
    <section className="tank-view" aria-label="Hook and guard">
      {rows.map(({ head, bars }, i) => (
        <figure key={`${head.name}${i}`} className="tank-force">
          <figcaption>{head.name}</figcaption>
          <dl aria-label={`Forces on ${head.name}`}>
            {bars.map(([name, value, mark]) => (
              <div key={name}>
                <dt>{name}</dt>
                <dd>
                  <span className={`force ${mark}`} style={{ width: `${(70 * value) / most}%` }} />
                  {format(value, 'pull')}
                </dd>
              </div>
            ))}
          </dl>
          <p className="tank-says">{said(head)}</p>
        </figure>
      ))}
      <p className="stage-caution">
        ▲ A hook that opens under strain flies: pull snags free with the line, not towards the face.
      </p>
    </section>
  );
}

function said(head: WetHead): string {
  const open = readingOf(head, 'hook.openingShare');
  const share = readingOf(head, 'guard.share');
  const drive = readingOf(head, 'hook.penetration');
  return [
    open < 1
      ? 'The hook opens before the line breaks: it comes off a snag, and gives before a strong fish on a locked drag.'
      : 'The line breaks before the hook opens.',
    Number.isFinite(share)
      ? `The guard eats ${Math.round(share * 100)}% of the hook-set.`
      : 'No guard stands in the way.',
    drive >= 1
      ? 'Enough is left to drive the point home.'
      : `What is left drives the point ${Math.round(drive * 100)}% of the way: set twice, or take ` +
        'thinner wire, a stiffer line or rod.',
  ].join(' ');
}
