import { fixed } from '../../data/locale.ts';
import { useUnits } from '../../data/units.ts';
import { DepthChart, Shapes } from './line-charts.tsx';
import { LineFigures, LineTools } from './line-parts.tsx';
import type { WetHead } from './tank-kit.ts';
import { readingOf } from './tank-kit.ts';
import type { TankConditions } from './use-conditions.ts';
import type { RANGES } from './use-conditions.ts';

/**
 * The towed line from rod to head, and the depth it keeps against speed, on which speed, depth, line and
 * weight are pulled.
 */
export function LineView({
  heads,
  conditions,
}: {
  readonly heads: readonly WetHead[];
  readonly conditions: TankConditions;
}) {
  const { format } = useUnits();
  const { address, values } = conditions;
  const put = (key: keyof typeof RANGES, value: number) =>
    address.set(key, String(Math.round(value * 1000) / 1000));
  const [first] = heads;
  return (
    <section className="tank-view" aria-label="Line">
      <LineTools first={first} conditions={conditions} put={put} />
      <div className="tank-stack">
        <Shapes heads={heads} depth={values.depth} />
        <DepthChart
          heads={heads}
          speed={values.speed + values.current}
          depth={values.depth}
          onSpeed={(speed) => put('speed', Math.max(0, speed - values.current))}
          onDepth={(depth) => put('depth', depth)}
        />
      </div>
      {first && (
        <p className="tank-says">
          {sentence(
            first,
            values.depth,
            format(values.depth, 'depth'),
            format(readingOf(first, 'retrieve.maxBottomSpeed'), 'speed'),
          )}{' '}
          Tie on {format(readingOf(first, 'retrieve.leastWeight'), 'mass')} in all, at the least, to keep the
          bottom at {format(values.speed, 'speed')}; the handle turns{' '}
          {fixed(readingOf(first, 'retrieve.handle'), 2)} times a second.
        </p>
      )}
      <LineFigures heads={heads} depth={values.depth} />
    </section>
  );
}

function sentence(head: WetHead, depth: number, bottom: string, fastest: string): string {
  const kept = readingOf(head, 'retrieve.depth');
  if (!Number.isFinite(readingOf(head, 'retrieve.maxBottomSpeed')))
    return `With so little line out ${head.name} never reaches ${bottom}.`;
  return kept >= depth
    ? `${head.name} stays on the bottom at ${bottom}, up to ${fastest}.`
    : `${head.name} swims over the bottom: it keeps it only up to ${fastest}.`;
}
