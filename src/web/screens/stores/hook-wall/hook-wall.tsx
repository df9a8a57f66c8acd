import { useMemo, useState } from 'react';
import type { Kept } from '../../../../contract/api.ts';
import type { HookDocument } from '../../../../core/document/index.ts';
import { GRADES, STYLES } from '../../../../core/hook/index.ts';
import { useFew } from '../../../data/queries.ts';
import { useTray } from '../../../data/tray.ts';
import { useAddress } from '../../../parts/address.ts';
import { Choice } from '../../../parts/choice.tsx';
import { HookDrawing, HookSizes } from './hook-drawing.tsx';
import { LaidOver } from './laid-over.tsx';
import { PutOn } from './put-on.tsx';
import type { WallFilter } from './wall-hooks.ts';
import { hooksOf, hooksOnWall } from './wall-hooks.ts';
import './hook-wall.css';

/** Scale of every hook on the wall, px a mm: a 3/0 is about as large as life. */
const SCALE = 2.6;
/** Hooks that are laid over each other at once. */
const MOST_OVER = 6;

/** The id of the part of the page where hooks are measured. */
export const MEASURED_HOOKS = 'measured-hooks';

/** All hooks to one scale, to look along: filtered, laid over each other, put on a head. */
export function HookWall({
  own,
  find,
}: {
  readonly own: readonly Kept<HookDocument>[];
  readonly find: string;
}) {
  const { search, set } = useAddress();
  const { rows: heads } = useFew(useTray().ids);
  const [of, setOf] = useState<WallFilter['of']>('all');
  const [style, setStyle] = useState<WallFilter['style']>('');
  const [grade, setGrade] = useState<WallFilter['grade']>('standard');
  const hooks = useMemo(() => hooksOnWall(own, { find, of, style, grade }), [own, find, of, style, grade]);
  const ids = useMemo(() => (search.get('over') ?? '').split(',').filter(Boolean), [search]);
  const over = useMemo(() => hooksOf(own, ids), [own, ids]);
  const flip = (id: string) =>
    set(
      'over',
      (ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id].slice(-MOST_OVER)).join(','),
    );
  return (
    <section aria-label="Hooks to one scale">
      <div className="stores-bar hook-wall-tools">
        <h2 className="stores-sub">Hooks to one scale</h2>
        <Choice
          label="Show"
          value={of}
          options={[
            ['all', 'measured and chart'],
            ['own', 'measured'],
            ['chart', 'chart'],
          ]}
          onChange={setOf}
        />
        <Choice
          label="Style"
          value={style}
          options={[['', 'any; the chart as round bends'], ...STYLES.map(({ key }) => [key, key] as const)]}
          onChange={setStyle}
        />
        <Choice
          label="Wire of the chart"
          value={grade}
          options={GRADES.map((one) => [one, one] as const)}
          onChange={setGrade}
        />
      </div>
      <p className="stores-note">
        <button
          type="button"
          className="btn-link-brass"
          onClick={() => document.getElementById(MEASURED_HOOKS)?.scrollIntoView({ block: 'start' })}
        >
          Measure, change or import the shop’s own hooks
        </button>
      </p>
      {heads.length === 0 && (
        <p className="stores-note">To put a hook on a head from here, add the head to the tray first.</p>
      )}
      {over.length > 0 && <LaidOver hooks={over} onDrop={flip} />}
      {hooks.length === 0 && <p className="stores-note">No hook fits. Take a filter away.</p>}
      <ul className="hook-wall">
        {hooks.map((hook) => (
          <li key={hook.id}>
            <HookDrawing picture={hook.picture} k={SCALE} />
            <b>{hook.name}</b>
            <HookSizes picture={hook.picture} />
            <span className="hook-wall-acts">
              <button
                type="button"
                className="btn btn-sm btn-quiet"
                aria-pressed={ids.includes(hook.id)}
                aria-label={`Lay over ${hook.name}`}
                onClick={() => flip(hook.id)}
              >
                Lay over
              </button>
              {heads.length > 0 && <PutOn hook={hook} heads={heads} />}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
