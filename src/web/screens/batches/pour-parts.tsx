import { fixed } from '../../data/locale.ts';
import { useEffect, useState } from 'react';
import type { pourPlan, workSteps } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';

/** Minutes and seconds. */
const clock = (seconds: number): string => {
  const whole = Math.max(0, Math.round(seconds));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  return h > 0 ? `${h} h ${m} min` : `${m}:${String(s).padStart(2, '0')}`;
};

/** Metal, heat and time of a batch, in figures. */
export function PlanFigures({ plan }: { readonly plan: ReturnType<typeof pourPlan> }) {
  const { format } = useUnits();
  return (
    <dl className="shop-figures">
      {[
        ['Shots', String(plan.shots)],
        ['Metal to begin with', format(plan.wanted, 'mass')],
        ['Used up', format(plan.used, 'mass')],
        ['Heat into the metal', `${fixed(plan.heat, 0)} kJ`],
        ['Energy drawn', `${fixed(plan.energy, 2)} kWh`],
        ['First pot ready', clock(plan.firstMelt)],
        ['In all', clock(plan.whole)],
        ['Pots', String(plan.pots)],
      ].map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

interface WorkProps {
  readonly steps: ReturnType<typeof workSteps>;
  /** keys of the steps that are done */
  readonly done: readonly string[];
  readonly onDone: (key: string, isDone: boolean) => void;
}

/** The work in order, ticked off, with a timer where a step takes its time. */
export function WorkSteps({ steps, done, onDone }: WorkProps) {
  const { say } = useUnits();
  return (
    <ol className="work-steps">
      {steps.map((step) => (
        <li key={step.key} data-done={done.includes(step.key)}>
          <input
            type="checkbox"
            aria-label={`Done: ${say(step.name)}`}
            checked={done.includes(step.key)}
            onChange={(event) => onDone(step.key, event.currentTarget.checked)}
          />
          <b>{say(step.name)}</b>
          {step.seconds === undefined ? <span /> : <Timer seconds={step.seconds} />}
          <small>{step.caution}</small>
        </li>
      ))}
    </ol>
  );
}

/** Counts a step's time down; goes on by the clock, whatever the page does meanwhile. */
function Timer({ seconds }: { readonly seconds: number }) {
  const [began, setBegan] = useState<number | undefined>(undefined);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (began === undefined) return undefined;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [began]);
  const left = began === undefined ? seconds : seconds - (Math.max(now, began) - began) / 1000;
  return (
    <button
      type="button"
      className="btn btn-sm btn-quiet"
      onClick={() => setBegan(began === undefined ? Date.now() : undefined)}
    >
      {began === undefined
        ? `▶ ${clock(seconds)}`
        : left > 0
          ? `■ ${clock(left)} left`
          : `■ done, ${clock(-left)} over`}
    </button>
  );
}
