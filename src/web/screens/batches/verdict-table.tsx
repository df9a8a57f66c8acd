import { fixed } from '../../data/locale.ts';
import type { CavityVerdict } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';
import { Scrolls } from '../../parts/sheet.tsx';
import { ControlChart } from './control-chart.tsx';

const MARKS: Readonly<Record<CavityVerdict['state'], readonly [mark: string, tone: string, word: string]>> = {
  good: ['●', 'good', 'on target'],
  light: ['▽', 'bad', 'light'],
  heavy: ['△', 'bad', 'heavy'],
  wild: ['◇', 'care', 'spreads'],
  cold: ['❄', 'care', 'cold start'],
  short: ['◔', 'bad', 'short fills'],
  few: ['·', 'plain', 'too few'],
};

interface Props {
  readonly verdicts: readonly CavityVerdict[];
  /** ends of the tolerance, g */
  readonly low: number;
  readonly high: number;
}

/** Each cavity with its control chart, its figures, and what they say. */
export function VerdictTable({ verdicts, low, high }: Props) {
  const { format, say } = useUnits();
  return (
    <Scrolls label="Verdicts by cavity">
      <table className="shop-table">
        <thead>
          <tr>
            <th scope="col">Cavity</th>
            <th scope="col">Control chart</th>
            <th scope="col" className="num">
              Mean
            </th>
            <th scope="col" className="num">
              Spread
            </th>
            <th scope="col" className="num">
              Capability
            </th>
            <th scope="col">Verdict</th>
          </tr>
        </thead>
        <tbody>
          {verdicts.map((verdict) => {
            const [mark, tone, word] = MARKS[verdict.state];
            return (
              <tr key={verdict.cavity}>
                <th scope="row">{verdict.cavity}</th>
                <td>
                  <ControlChart verdict={verdict} low={low} high={high} />
                </td>
                <td className="num">{format(verdict.mean, 'mass')}</td>
                <td className="num">
                  {Number.isFinite(verdict.deviation) ? `${fixed(verdict.deviation, 3)} g` : '–'}
                </td>
                <td className="num">
                  {verdict.capability
                    ? `${fixed(verdict.capability.cp, 2)} / ${fixed(verdict.capability.cpk, 2)}`
                    : '–'}
                </td>
                <td className="verdict-words">
                  <span className={`state-${tone}`}>
                    {mark} {word}
                  </span>
                  <br />
                  {say(verdict.words)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Scrolls>
  );
}
