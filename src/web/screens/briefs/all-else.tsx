import type { Brief } from '../../../core/document/index.ts';
import {
  BRIEF_RANGES,
  BOTTOMS,
  COVERS,
  DENSITIES,
  FISH_SIZES,
  LINES,
  MOODS,
  PLACES,
  ROD_ACTIONS,
  WANTS,
  WINDS,
  RODS,
  SCHOOL_TOPICS,
  schoolOf,
  SCHOOLS,
} from '../../../core/document/index.ts';
import { QUESTIONS } from '../../../core/match/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { PartProps } from './brief-parts.tsx';
import { either, plain, Said, told, without } from './brief-parts.tsx';

/** Several of some words, each ticked for itself. */
function Several<T extends string>({
  label,
  options,
  chosen,
  least,
  onChange,
}: {
  readonly label: string;
  readonly options: readonly T[];
  readonly chosen: readonly T[];
  readonly least: number;
  readonly onChange: (kinds: T[]) => void;
}) {
  return (
    <fieldset className="several">
      <legend>{label}</legend>
      {options.map((kind) => {
        const isOn = chosen.includes(kind);
        const isFull = isOn ? chosen.length <= least : chosen.length >= 4;
        return (
          <label key={kind} data-on={isOn}>
            <input
              type="checkbox"
              checked={isOn}
              disabled={isFull}
              onChange={() => onChange(isOn ? chosen.filter((one) => one !== kind) : [...chosen, kind])}
            />
            {kind}
          </label>
        );
      })}
    </fieldset>
  );
}

/** Everything else, which has usual values. */
export function AllElse(part: PartProps) {
  const { brief, at, edit } = part;
  const { water, bottom, cover, leader, fish } = brief;
  const { system } = useUnits();
  const setFishing = (change: Partial<Brief['fishing']>) =>
    edit((now) => ({ ...now, fishing: { ...now.fishing, ...change } }));
  const setFish = (change: Partial<NonNullable<Brief['fish']>>) =>
    edit((now) => ({ ...now, fish: { ...now.fish, ...change } }));
  const setRod = (change: Partial<NonNullable<Brief['rod']>>) =>
    edit((now) => ({ ...now, rod: { ...now.rod, ...change } }));
  return (
    <>
      <details className="else">
        <summary>Water, bottom and cover in full</summary>
        <Said
          label="Temperature"
          kind="temperature"
          range="temperature"
          path="/water/temperature"
          value={at.water.temperature}
          step={1}
          part={part}
          put={(now, temperature) => ({ ...now, water: { ...now.water, temperature } })}
          clear={without('water', 'temperature')}
        />
        <Said
          label="Current"
          kind="speed"
          range="current"
          path="/water/current"
          value={at.water.current}
          step={0.05}
          part={part}
          put={(now, current) => ({ ...now, water: { ...now.water, current } })}
          clear={without('water', 'current')}
        />
        <Said
          label="Sight"
          kind="depth"
          range="sight"
          path="/water/sight"
          value={water.sight ?? at.water.sight}
          step={0.1}
          part={part}
          put={(now, sight) => ({ ...now, water: { ...now.water, sight } })}
          clear={without('water', 'sight')}
        />
        <Several
          label="All that lies below"
          options={BOTTOMS}
          chosen={bottom.kinds}
          least={1}
          onChange={(kinds) => edit((now) => ({ ...now, bottom: { ...now.bottom, kinds } }))}
        />
        <Said
          label="Slope"
          kind="angle"
          range="slope"
          path="/bottom/slope"
          value={at.slope}
          step={1}
          part={part}
          put={(now, slope) => ({ ...now, bottom: { ...now.bottom, slope } })}
          clear={without('bottom', 'slope')}
        />
        <Said
          label="Cracks"
          kind="size"
          range="crack"
          path="/bottom/crack"
          value={at.crack}
          step={1}
          part={part}
          put={(now, crack) => ({ ...now, bottom: { ...now.bottom, crack } })}
          clear={without('bottom', 'crack')}
        />
        <Said
          label="Stones"
          kind="size"
          range="stone"
          path="/bottom/stone"
          value={Math.max(1, at.stone)}
          step={5}
          part={part}
          put={(now, stone) => ({ ...now, bottom: { ...now.bottom, stone } })}
          clear={without('bottom', 'stone')}
        />
        <Several
          label="All the cover"
          options={COVERS}
          chosen={cover.kinds}
          least={0}
          onChange={(kinds) => edit((now) => ({ ...now, cover: { ...now.cover, kinds } }))}
        />
        <Choice
          label="Cover stands"
          value={at.density}
          options={plain(DENSITIES)}
          onChange={(density) => edit((now) => ({ ...now, cover: { ...now.cover, density } }))}
        />
        <Said
          label="Stems"
          kind="size"
          range="stem"
          path="/cover/stem"
          value={at.stem}
          step={1}
          part={part}
          put={(now, stem) => ({ ...now, cover: { ...now.cover, stem } })}
          clear={without('cover', 'stem')}
        />
      </details>
      <details className="else">
        <summary>How it is fished, in full</summary>
        <Said
          label="Speed"
          kind="speed"
          range="speed"
          path="/fishing/speed"
          value={at.speed}
          step={0.05}
          part={part}
          put={(now, speed) => ({ ...now, fishing: { ...now.fishing, speed } })}
          clear={without('fishing', 'speed')}
        />
        <Turns part={part} />
        <Said
          label="Rests"
          kind="time"
          range="rest"
          path="/fishing/rest"
          value={at.rest}
          step={1}
          part={part}
          put={(now, rest) => ({ ...now, fishing: { ...now.fishing, rest } })}
          clear={without('fishing', 'rest')}
        />
        <Said
          label="Cast"
          kind="depth"
          range="cast"
          path="/fishing/cast"
          value={at.cast}
          step={1}
          part={part}
          put={(now, cast) => ({ ...now, fishing: { ...now.fishing, cast } })}
          clear={without('fishing', 'cast')}
        />
        <Choice
          label="From"
          value={at.from}
          options={plain(PLACES)}
          onChange={(from) => setFishing({ from })}
        />
        <Choice
          label="Wind"
          value={at.wind}
          options={plain(WINDS)}
          onChange={(wind) => setFishing({ wind })}
        />
        <Choice
          label="Sounder"
          value={told(at.sounder)}
          options={either}
          onChange={(value) => setFishing({ sounder: value === 'yes' })}
        />
      </details>
      <details className="else">
        <summary>Tackle, fish and law</summary>
        <Choice
          label="Leader"
          value={leader?.material ?? 'none'}
          options={[['none', 'none'] as const, ...plain(LINES)]}
          onChange={(material) =>
            edit((now) => {
              if (material === 'none') {
                const { leader: _gone, ...rest } = now;
                return rest;
              }
              return { ...now, leader: { test: now.line.test, ...now.leader, material } };
            })
          }
        />
        {leader && (
          <Said
            label="Leader test"
            kind="lineTest"
            range="test"
            path="/leader/test"
            value={leader.test}
            step={0.25}
            part={part}
            put={(now, test) => ({ ...now, leader: { material: 'fluorocarbon', ...now.leader, test } })}
          />
        )}
        {leader && (
          <Said
            label="Leader length"
            kind="depth"
            range="length"
            path="/leader/length"
            value={leader.length ?? 1}
            step={0.1}
            part={part}
            put={(now, length) => ({
              ...now,
              leader: { material: 'fluorocarbon', test: now.line.test, ...now.leader, length },
            })}
          />
        )}
        <Choice
          label="Rod power"
          value={at.rod}
          options={plain(RODS)}
          onChange={(power) => setRod({ power })}
        />
        <Choice
          label="Rod action"
          value={at.action}
          options={plain(ROD_ACTIONS)}
          onChange={(action) => setRod({ action })}
        />
        <Said
          label="Rod length"
          kind="depth"
          range="rod"
          path="/rod/length"
          value={at.rodLength}
          step={0.1}
          part={part}
          put={(now, length) => ({ ...now, rod: { ...now.rod, length } })}
          clear={without('rod', 'length')}
        />
        <Said
          label="Reel, a turn"
          kind="depth"
          range="perTurn"
          path="/rod/perTurn"
          value={at.perTurn}
          step={0.02}
          part={part}
          put={(now, perTurn) => ({ ...now, rod: { ...now.rod, perTurn } })}
          clear={without('rod', 'perTurn')}
        />
        <Choice label="Mood" value={at.mood} options={plain(MOODS)} onChange={(mood) => setFish({ mood })} />
        <Choice
          label="Fish"
          value={at.size}
          options={plain(FISH_SIZES)}
          onChange={(size) => setFish({ size })}
        />
        <Choice
          label="Wanted"
          value={at.wants}
          options={plain(WANTS)}
          onChange={(wants) => setFish({ wants })}
        />
        <Choice
          label="Behind a skirt"
          value={told(brief.bait.skirt ?? false)}
          options={either}
          onChange={(value) => edit((now) => ({ ...now, bait: { ...now.bait, skirt: value === 'yes' } }))}
        />
        <Choice
          label="Lead allowed"
          value={told(at.lead)}
          options={either}
          onChange={(value) => edit((now) => ({ ...now, lead: value === 'yes' }))}
        />
        <p className="field-said">
          Local rules on lead decide, and they change: ask before you fish or sell.
        </p>
        <Said
          label="A lost head costs at most"
          kind="number"
          range="price"
          path="/price"
          value={brief.price ?? 0}
          step={0.1}
          part={part}
          put={(now, price) => ({ ...now, price })}
          clear={({ price: _gone, ...rest }) => rest}
        />
        {fish === undefined && (
          <small className="said-usual">Nothing is said of the fish: the usual is taken.</small>
        )}
      </details>
      <details className="else">
        <summary>What decides, and which school</summary>
        <fieldset className="several">
          <legend>Questions that decide: a no is out</legend>
          {QUESTIONS.filter((question) => question.isAsked(at)).map((question) => {
            const own = brief.decisive?.[question.key];
            const isOn = own ?? question.isDecisive(at);
            return (
              <label key={question.key} data-on={isOn} title={question.asks}>
                <input
                  type="checkbox"
                  checked={isOn}
                  onChange={() =>
                    edit((now) => ({ ...now, decisive: { ...now.decisive, [question.key]: !isOn } }))
                  }
                />
                {question.name}
              </label>
            );
          })}
        </fieldset>
        {SCHOOL_TOPICS.map((topic) => {
          const sides: Readonly<Record<string, string>> = SCHOOLS[topic].sides;
          const side = schoolOf(topic, brief.schools) ?? '';
          return (
            <div key={topic} className="school">
              <Choice
                label={SCHOOLS[topic].title}
                value={side}
                options={plain(Object.keys(sides))}
                onChange={(next) => edit((now) => ({ ...now, schools: { ...now.schools, [topic]: next } }))}
              />
              <p>
                {sides[side]}
                {side === Object.keys(sides)[0] ? ` ${SCHOOLS[topic].why}` : ''}
              </p>
            </div>
          );
        })}
      </details>
      <span className="visually-hidden">Units: {system}</span>
    </>
  );
}

/** The speed as turns of the handle a second, for who counts them. */
function Turns({ part }: { readonly part: PartProps }) {
  const { at, edit } = part;
  return (
    <QuantityField
      label="Turns a second"
      kind="number"
      value={at.speed / at.perTurn}
      min={0}
      max={6}
      step={0.05}
      note="Of the reel’s handle: line it winds in a turn times this is the speed."
      onCommit={(turns) =>
        edit((now) => ({
          ...now,
          fishing: { ...now.fishing, speed: Math.min(BRIEF_RANGES.speed[1], turns * at.perTurn) },
        }))
      }
    />
  );
}
