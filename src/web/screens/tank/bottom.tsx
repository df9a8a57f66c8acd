import { fixed } from '../../data/locale.ts';
import { useRef, useState } from 'react';
import { useUnits } from '../../data/units.ts';
import type { useAddress } from '../../parts/address.ts';
import { Segments } from '../../parts/choice.tsx';
import { pathOf } from '../../drawing/path.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import type { ReadingId } from '../../../core/behaviour/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import { useHead } from './head-choice.tsx';
import { PoseMap } from './pose-map.tsx';
import { Slider } from '../../parts/slider.tsx';
import type { WetHead } from './tank-kit.ts';
import { extent, pitched, readingOf } from './tank-kit.ts';

const WAYS = [
  ['side', 'sideways'],
  ['nose', 'nose downhill'],
  ['tail', 'tail downhill'],
] as const;
type Way = (typeof WAYS)[number][0];
const HELD: Readonly<Record<Way, ReadingId>> = {
  side: 'rest.slopeSide',
  nose: 'rest.slopeNose',
  tail: 'rest.slopeTail',
};
const BOX = { width: 620, height: 330 };

/** A bed one tilts and roughens while the head stands, rolls or slides, and a knock it takes or does not. */
export function Bottom({
  heads,
  address,
}: {
  readonly heads: readonly WetHead[];
  readonly address: ReturnType<typeof useAddress>;
}) {
  const { format } = useUnits();
  const { head, choice } = useHead(heads, address);
  const kept = Math.max(0, Number(address.search.get('knock') ?? 0) || 0);
  // The address is a moment behind a key pressed quickly: what the last press made is what the next begins
  // from.
  const [own, setOwn] = useState(kept);
  const latest = useRef(kept);
  const way = WAYS.find(([key]) => key === address.search.get('way'))?.[0] ?? 'side';
  const tilt = Math.min(80, Math.max(0, Number(address.search.get('tilt') ?? 0) || 0));
  const rough = Math.min(1.2, Math.max(0.05, Number(address.search.get('rough') ?? 0.4) || 0.4));
  if (!head) return null;
  const held = readingOf(head, HELD[way]);
  const needed = readingOf(head, 'rest.knock');
  const most = Math.max(0.02, Number.isFinite(needed) ? 2 * needed : 0.1);
  const knock = Math.min(most, own);
  const setKnock = (value: number) => {
    latest.current = value;
    setOwn(value);
    address.set('knock', String(Number(value.toPrecision(4))), '0');
  };
  const slides = Math.tan((tilt * Math.PI) / 180) > rough;
  const isOver = knock > 0 && knock >= needed;
  const state =
    tilt > held || isOver
      ? 'rolls'
      : slides
        ? 'slides'
        : tilt > 0.8 * held || knock > 0.6 * needed
          ? 'rocks'
          : 'stands';
  const up = Math.round(100 * readingOf(head, 'rest.hookUp'));
  return (
    <section
      className="tank-view"
      aria-label="Bottom"
      onKeyDown={(event) => {
        if (event.key !== 'k' && event.key !== 'K') return;
        setKnock(latest.current >= most ? 0 : Math.min(most, latest.current + most / 10));
      }}
    >
      <div className="tank-tools">
        {choice}
        <Segments<Way>
          label="The bottom falls away"
          value={way}
          options={WAYS}
          onChange={(value) => address.set('way', value, 'side')}
        />
        <Slider
          label="Tilt"
          value={tilt}
          min={0}
          max={80}
          step={1}
          text={format(tilt, 'angle')}
          onChange={(value) => address.set('tilt', String(value), '0')}
        />
        <Slider
          label="Roughness"
          value={rough}
          min={0.05}
          max={1.2}
          step={0.05}
          text={fixed(rough, 2)}
          onChange={(value) => address.set('rough', String(value), '0.4')}
        />
        <Slider
          label="Knock (K)"
          value={knock}
          min={0}
          max={most}
          step={most / 100}
          text={`${fixed(knock, 3)} mJ`}
          onChange={setKnock}
        />
      </div>
      <div className="tank-two">
        <Bed head={head} way={way} tilt={tilt} state={state} />
        <PoseMap poses={head.water.rest.poses} />
      </div>
      <p className="tank-says" data-state={state}>
        <b>It {state}.</b> {head.name} comes to rest point up in {up}% of landings. {WORDS[way]} it holds{' '}
        {format(held, 'angle')} before it rolls; on this roughness it slides from{' '}
        {format((Math.atan(rough) * 180) / Math.PI, 'angle')}.{' '}
        {Number.isFinite(needed)
          ? `A knock of ${fixed(needed, 3)} mJ turns it over.`
          : 'However it is knocked it comes back to the same pose.'}
      </p>
    </section>
  );
}

const WORDS: Readonly<Record<Way, string>> = {
  side: 'Across its length',
  nose: 'Nose downhill',
  tail: 'Tail downhill',
};

type State = 'stands' | 'rocks' | 'rolls' | 'slides';

/** The head on its bed, to scale: from the front where the bed tilts sideways, else from the side. */
function Bed({
  head,
  way,
  tilt,
  state,
}: {
  readonly head: WetHead;
  readonly way: Way;
  readonly tilt: number;
  readonly state: State;
}) {
  const { drawing, water, metal } = head;
  const usual = water.rest.poses.reduce((a, b) => (b.landed > a.landed ? b : a));
  const [dx, dy, dz] = usual.down;
  const isUpright = dz < -0.5;
  const rolled = state === 'rolls' ? 75 : state === 'rocks' ? 4 : 0;
  // From the front, left is its own left; from the side, the nose points downhill to the right or uphill.
  const fromFront = way === 'side';
  const lean = fromFront
    ? (Math.atan2(dy, -dz) * 180) / Math.PI
    : isUpright
      ? (Math.asin(dx) * 180) / Math.PI
      : 0;
  const touch: readonly Vec2[] = fromFront ? water.rest.front : isUpright ? water.rest.side : drawing.top;
  const mirror = way === 'tail' ? -1 : 1;
  const stood = (point: Vec2): Vec2 => {
    const [u, v] = pitched(fromFront ? [-point[0], point[1]] : point, lean);
    return pitched([u * mirror, v], rolled);
  };
  const points = touch.map(stood);
  const box = extent(points);
  const k = Math.min(9, 300 / (box.right - box.left), 190 / (box.high - box.low));
  const angle = (tilt * Math.PI) / 180;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [mx, my] = [BOX.width / 2, BOX.height * 0.62];
  const shift = state === 'slides' ? 60 : 0;
  // Along the bed and square to it, then turned by the tilt: the bed falls away to the right.
  const onBed = ([u, v]: Vec2): Vec2 => {
    const [a, b] = [(u - (box.left + box.right) / 2) * k + shift, (v - box.low) * k];
    return [mx + a * c + b * s, my + a * s - b * c];
  };
  const place = (point: Vec2): Vec2 => onBed(stood(point));
  const far = 460;
  return (
    <svg
      className="tank-svg"
      viewBox={`0 0 ${BOX.width} ${BOX.height}`}
      role="img"
      aria-label={`The head ${state} on a bed of ${tilt}°`}
    >
      <path
        className="tank-bed"
        d={
          `M${mx - far * c} ${my - far * s}L${mx + far * c} ${my + far * s}L${mx + far * c - far * s} ` +
          `${my + far * s + far * c}L${mx - far * c - far * s} ${my - far * s + far * c}Z`
        }
      />
      {fromFront ? (
        <>
          <path className="tank-touch" d={pathOf(touch, place)} />
          <path className={`fig-metal metal-${metal.split('-')[0]}`} d={pathOf(drawing.front, place)} />
          <line
            className="fig-wire"
            {...line(place([0, drawing.length === 0 ? 0 : drawing.shankLevel]), place([0, drawing.tip[1]]))}
            strokeWidth={drawing.wire * k}
          />
        </>
      ) : isUpright ? (
        <SideFigure drawing={drawing} metal={metal} k={k} place={place} />
      ) : (
        <path className={`fig-metal metal-${metal.split('-')[0]}`} d={pathOf(drawing.top, place)} />
      )}
    </svg>
  );
}

const line = ([x1, y1]: Vec2, [x2, y2]: Vec2) => ({ x1, y1, x2, y2 });
