import { useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Skirt } from '../../../core/fitting/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { MethodKey } from '../../../core/rigging/index.ts';
import { WATERS } from '../../../core/document/index.ts';
import { SKIRT_RANGES } from '../../../core/fitting/index.ts';
import { plasticKindOf, plasticReach } from '../../../core/plastic/index.ts';
import { methodOf, METHODS, SKIRT_UNEVEN } from '../../../core/rigging/index.ts';
import { useUnits } from '../../data/units.ts';
import { PlasticFigure } from '../../drawing/plastic-figure.tsx';
import { SearchField } from '../../parts/search-field.tsx';
import { Choice, Segments } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { PairRow } from '../../workers/pair-rows.ts';
import { SIGN } from './rig-checks.tsx';

type Water = (typeof WATERS)[number];

/** Plastics as they go on this head, best first, each drawn to one scale; the method and the water. */
export function RigChoices({
  plastics,
  pairings,
  chosen,
  method,
  water,
  cut,
  skirt,
  onSkirt,
  onPlastic,
  onMethod,
  onWater,
}: {
  readonly plastics: readonly Kept<Plastic>[];
  /** in the order of the plastics’ list; undefined until they are known */
  readonly pairings: readonly PairRow[] | undefined;
  readonly chosen: string;
  readonly method: MethodKey;
  readonly water: Water;
  readonly cut: number;
  readonly skirt: Skirt | undefined;
  readonly onSkirt: (skirt: Skirt | undefined) => void;
  readonly onPlastic: (id: string, method: MethodKey | undefined) => void;
  readonly onMethod: (method: MethodKey) => void;
  readonly onWater: (water: Water) => void;
}) {
  const { format } = useUnits();
  const [find, setFind] = useState('');
  const order = pairings
    ? pairings.flatMap((pairing) => {
        const kept = plastics[pairing.index];
        return kept ? [{ kept, pairing }] : [];
      })
    : plastics.map((kept) => ({ kept, pairing: undefined }));
  const rows = order.filter(({ kept: { document } }) =>
    `${document.name} ${plasticKindOf(document.kind).name} ${document.colour ?? ''}`
      .toLowerCase()
      .includes(find.toLowerCase()),
  );
  const longest = Math.max(60, ...rows.map(({ kept }) => kept.document.length));
  const { does, wants, isUnderSkirt } = methodOf(method);
  return (
    <aside className="rig-choices" aria-label="What it is rigged with">
      <Choice<MethodKey>
        label="Rigged"
        term="rigging"
        value={method}
        options={METHODS.map(({ key, name }) => [key, name] as const)}
        onChange={onMethod}
      />
      <p className="rig-does">
        {does} {wants && <em>Wants {wants}.</em>}
      </p>
      {isUnderSkirt && <SkirtFields skirt={skirt} onSkirt={onSkirt} />}
      <h2>Plastics for this head</h2>
      <SearchField label="Search the plastics" value={find} onChange={setFind} />
      <ul className="rig-plastics">
        {rows.slice(0, MOST).map(({ kept: { id, document }, pairing }) => (
          <PlasticButton
            key={id}
            plastic={document}
            longest={longest}
            pairing={pairing}
            isChosen={id === chosen}
            onPress={() => onPlastic(id, pairing && pairing.verdict !== 'bad' ? pairing.method : undefined)}
          />
        ))}
      </ul>
      {rows.length > MOST && (
        <p className="rig-does">{rows.length - MOST} more: search for them by name, kind or colour.</p>
      )}
      {cut > 0 && <p className="rig-does">Cut for this rig: {format(cut, 'size')} off the nose.</p>}
      <Segments<Water>
        label="Water"
        value={water}
        options={WATERS.map((value) => [value, value] as const)}
        onChange={onWater}
      />
      <p className="stage-caution">
        ▲ Hooks pierce: rig with the point away from the hand that holds the bait.
      </p>
    </aside>
  );
}

/** Plastics listed at once. */
const MOST = 60;

/** A plastic from the side, all of a list to one scale. */
function Silhouette({ plastic, longest }: { readonly plastic: Plastic; readonly longest: number }) {
  const width = 176;
  const k = width / longest;
  const { up, down } = plasticReach(plastic, 'side');
  const height = (up + down) * k + 2;
  const place = ([x, z]: Vec2): Vec2 => [width + x * k, 1 + (up - z) * k];
  return (
    <svg
      className="rig-silhouette"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden
    >
      <PlasticFigure plastic={plastic} view="side" place={place} />
    </svg>
  );
}

/** Skirt of a head whose bait lies under it. */
function SkirtFields({
  skirt,
  onSkirt,
}: {
  readonly skirt: Skirt | undefined;
  readonly onSkirt: (skirt: Skirt | undefined) => void;
}) {
  return (
    <div className="rig-skirt-fields">
      <QuantityField
        label="Skirt length"
        kind="size"
        value={skirt?.length ?? 0}
        min={0}
        max={SKIRT_RANGES.length[1]}
        step={1}
        note="Most strands, behind the head. 0 where the head has none."
        onCommit={(length) =>
          onSkirt(
            length < SKIRT_RANGES.length[0] ? undefined : { length, uneven: skirt?.uneven ?? SKIRT_UNEVEN },
          )
        }
      />
      {skirt && (
        <QuantityField
          label="Uneven by"
          kind="size"
          value={skirt.uneven}
          min={SKIRT_RANGES.uneven[0]}
          max={SKIRT_RANGES.uneven[1]}
          step={0.5}
          onCommit={(uneven) => onSkirt({ ...skirt, uneven })}
        />
      )}
    </div>
  );
}

/** A plastic of the list, drawn, with how it goes on this head. */
function PlasticButton({
  plastic,
  longest,
  pairing,
  isChosen,
  onPress,
}: {
  readonly plastic: Plastic;
  /** longest plastic of the list, mm */
  readonly longest: number;
  readonly pairing: PairRow | undefined;
  readonly isChosen: boolean;
  readonly onPress: () => void;
}) {
  const { format } = useUnits();
  return (
    <li>
      <button
        type="button"
        aria-pressed={isChosen}
        title={pairing && [...pairing.why, `Best for: ${pairing.use}.`].join(' ')}
        onClick={onPress}
      >
        <b>{plastic.name}</b>
        <Silhouette plastic={plastic} longest={longest} />
        <small>
          {plasticKindOf(plastic.kind).name}, {format(plastic.length, 'size')}
        </small>
        {pairing && (
          <span className={`plastic-verdict plastic-${pairing.verdict}`}>
            {SIGN[pairing.verdict]}
            {pairing.verdict !== 'bad' &&
              ` · ${METHODS.find(({ key }) => key === pairing.method)?.name ?? ''}`}
          </span>
        )}
      </button>
    </li>
  );
}
