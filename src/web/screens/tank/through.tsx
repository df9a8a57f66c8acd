import { frontOf } from '../../../core/behaviour/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { metalClass, SideFigure } from '../../drawing/side-figure.tsx';
import { useHead } from './head-choice.tsx';
import { Slider } from '../../parts/slider.tsx';
import type { WetHead } from './tank-kit.ts';
import { extent, pitched, readingOf } from './tank-kit.ts';
import type { TankConditions } from './use-conditions.ts';

const BOX = { width: 620, height: 320 };
/** Up to so many degrees to a side it is drawn from its side as it is. */
const UPRIGHT = 5;

/** A head dragged against an edge, into a crack and among stems of chosen sizes. */
export function Through({
  heads,
  conditions,
}: {
  readonly heads: readonly WetHead[];
  readonly conditions: TankConditions;
}) {
  const { format } = useUnits();
  const { head, choice } = useHead(heads, conditions.address);
  const { search, set } = conditions.address;
  const number = (key: string, usual: number) => Number(search.get(key) ?? usual) || usual;
  const edge = number('edge', 6);
  const { crack } = conditions;
  const stem = number('stem', 6);
  if (!head?.water.drag) return null;
  const { drag } = head.water;
  const phi = (Math.atan(conditions.values.friction) * 180) / Math.PI;
  const narrow = readingOf(head, 'pull.crackWidth');
  const ahead = readingOf(head, 'pull.noseAhead');
  const meets = meeting(drag.outline, drag.floor + edge, drag.line, phi);
  const share = (value: number) => `${Math.round(100 * value)}%`;
  return (
    <section className="tank-view" aria-label="Through">
      <div className="tank-tools">
        {choice}
        <Slider
          label="Edge"
          value={edge}
          min={1}
          max={40}
          step={0.5}
          text={format(edge, 'size')}
          onChange={(value) => set('edge', String(value), '6')}
        />
        <Slider
          label="Crack"
          value={crack}
          min={1}
          max={40}
          step={0.5}
          text={format(crack, 'size')}
          onChange={(value) => set('crack', String(value), '8')}
        />
        <Slider
          label="Stem"
          value={stem}
          min={1}
          max={20}
          step={0.5}
          text={format(stem, 'size')}
          onChange={(value) => set('stem', String(value), '6')}
        />
      </div>
      <div className="tank-two">
        <Edge head={head} edge={edge} phi={phi} />
        <Above head={head} crack={crack} stem={stem} phi={phi} />
      </div>
      <p className="tank-says" data-meets={meets}>
        It is dragged {lying(drag.roll)}
        {drag.usually === undefined ? '' : `, with its usual bait on, a ${drag.usually}`}.{' '}
        <b>Against this edge it {meets}.</b> {share(readingOf(head, 'pull.climbShare'))} of its front climbs;{' '}
        {ahead < 0 ? 'the line runs' : 'the nose stands'} {format(Math.abs(ahead), 'size')} ahead of{' '}
        {ahead < 0 ? 'the nose' : 'the line'}; the line frees it from{' '}
        {format(readingOf(head, 'pull.popFree'), 'angle')} up.{' '}
        {crack < narrow
          ? `A crack of ${format(crack, 'size')} is too narrow to hold its nose.`
          : readingOf(head, 'pull.jams') === 1
            ? 'In the crack its nose wedges fast.'
            : 'The crack does not wedge it.'}{' '}
        {share(readingOf(head, 'pull.shedding'))} of its breadth sheds a stem.{' '}
        {head.drawing.eye.crosswise ? 'Over a bar it climbs nose up.' : 'At a bar it rolls aside.'}
      </p>
      <p className="tank-legend">
        <span className="leg-climbs">━ climbs, or sheds</span>{' '}
        <span className="leg-stops">┅ stops, or catches</span>
      </p>
    </section>
  );
}

/** How a head lies that is rolled over to a side by an angle, degrees, in words. */
const lying = (roll: number): string =>
  roll < 45
    ? 'point up'
    : roll <= 135
      ? 'on its side, as it comes to rest'
      : 'point down, as it comes to rest';

/** What an edge of a height does to the front. */
function meeting(
  outline: readonly Vec2[],
  height: number,
  line: number,
  phi: number,
): 'climbs' | 'stops' | 'lifts over' {
  const { high } = extent(outline);
  if (height > high) return 'stops';
  let low = Math.min(...outline.map(([, z]) => z));
  if (height < low) return 'lifts over';
  for (const { down, height: rise } of frontOf(outline)) {
    if (height <= low + rise) return line + down >= phi ? 'climbs' : 'stops';
    low += rise;
  }
  return 'stops';
}

/** From the side, as it is dragged to the right. */
function Edge({ head, edge, phi }: { readonly head: WetHead; readonly edge: number; readonly phi: number }) {
  const { drawing, water, metal } = head;
  const { drag } = water;
  if (!drag) return null;
  const [ex, ez] = drawing.eye.at;
  const box = extent([...drag.hull, ...drag.outline]);
  const k = Math.min(9, 330 / (box.right - box.left), 200 / (box.high - box.low));
  const x0 = BOX.width * 0.62 - box.right * k;
  const y0 = BOX.height - 50 + drag.floor * k;
  const at = ([u, v]: Vec2): Vec2 => [x0 + u * k, y0 - v * k];
  const wall = x0 + box.right * k + 3;
  const ground = BOX.height - 50;
  const slope = (drag.line * Math.PI) / 180;
  const [lx, ly] = at([0, 0]);
  return (
    <svg
      className="tank-svg"
      viewBox={`0 0 ${BOX.width} ${BOX.height}`}
      role="img"
      aria-label="Dragged against an edge"
    >
      <path
        className="tank-bed"
        d={`M0 ${ground}H${wall}V${ground - edge * k}H${BOX.width}V${BOX.height}H0Z`}
      />
      <line
        className="hang-line"
        x1={lx}
        y1={ly}
        x2={lx + 700 * Math.cos(slope)}
        y2={ly - 700 * Math.sin(slope)}
      />
      {drag.bait && <path className="tank-bait" d={pathOf(drag.bait, at)} />}
      {drag.roll < UPRIGHT ? (
        <SideFigure
          drawing={drawing}
          metal={metal}
          k={k}
          place={([x, z]) => at(pitched([x - ex, z - ez], drag.pitch))}
        />
      ) : (
        <>
          <path className="fig-wire" d={pathOf(drag.wire, at, false)} strokeWidth={drawing.wire * k} />
          <path className={`fig-metal ${metalClass(metal)}`} d={pathOf(drag.outline, at)} />
        </>
      )}
      {frontOf(drag.outline).map(({ down, ends }, i) => (
        <path
          key={i}
          className={drag.line + down >= phi ? 'mark-climbs' : 'mark-stops'}
          d={pathOf(ends, at, false)}
        />
      ))}
    </svg>
  );
}

/** From above: what sheds a stem, and the crack. */
function Above({
  head,
  crack,
  stem,
  phi,
}: {
  readonly head: WetHead;
  readonly crack: number;
  readonly stem: number;
  readonly phi: number;
}) {
  const { above } = head.water.drag;
  const box = extent(above);
  const size = 300;
  const k = Math.min(9, 150 / (box.right - box.left), 190 / Math.max(box.high - box.low, crack));
  const [x0, y0] = [size * 0.5 - box.right * k, size / 2];
  const at = ([u, v]: Vec2): Vec2 => [x0 + u * k, y0 - v * k];
  // The stem touches half way out; the crack lies beyond it.
  const out = box.high / 2;
  const touched = Math.max(
    ...frontOf(above).flatMap(({ ends: [a, b] }) => (a[1] <= out && out <= b[1] ? [(a[0] + b[0]) / 2] : [])),
  );
  const [sx, sy] = at([touched, out]);
  const nose = Math.max(x0 + box.right * k, sx + stem * k) + 6;
  return (
    <svg
      className="tank-svg tank-above"
      viewBox={`0 0 ${size} ${size}`}
      role="img"
      aria-label="From above, before a crack and a stem"
    >
      <path className="tank-bed" d={`M${nose} 0H${size}V${y0 - (crack / 2) * k}H${nose}Z`} />
      <path className="tank-bed" d={`M${nose} ${size}H${size}V${y0 + (crack / 2) * k}H${nose}Z`} />
      <path className={`fig-metal metal-${head.metal.split('-')[0]}`} d={pathOf(above, at)} />
      {frontOf(above).map(({ down, ends }, i) => (
        <path
          key={i}
          className={Math.abs(down) > phi ? 'mark-climbs' : 'mark-stops'}
          d={pathOf(ends, at, false)}
        />
      ))}
      <circle className="tank-stem" cx={sx + (stem / 2) * k} cy={sy} r={(stem / 2) * k} />
    </svg>
  );
}
