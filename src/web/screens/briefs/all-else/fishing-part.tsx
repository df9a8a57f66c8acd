import type { Brief } from '../../../../core/document/index.ts';
import { BRIEF_RANGES, PLACES, WINDS } from '../../../../core/document/index.ts';
import { Choice } from '../../../parts/choice.tsx';
import { QuantityField } from '../../../parts/quantity-field.tsx';
import type { PartProps } from '../brief-parts.tsx';
import { either, plain, Said, told, without } from '../brief-parts.tsx';

/** Speed, pauses, cast and place. */
export function FishingPart({ part }: { readonly part: PartProps }) {
  const { at, edit } = part;
  const setFishing = (change: Partial<Brief['fishing']>) =>
    edit((now) => ({ ...now, fishing: { ...now.fishing, ...change } }));
  return (
    <details className="else">
      <summary>How it is fished</summary>
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
        label="Pause"
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
        label="Fished from"
        value={at.from}
        options={plain(PLACES)}
        onChange={(from) => setFishing({ from })}
      />
      <Choice label="Wind" value={at.wind} options={plain(WINDS)} onChange={(wind) => setFishing({ wind })} />
      <Choice
        label="Sonar in use"
        value={told(at.sounder)}
        options={either}
        onChange={(value) => setFishing({ sounder: value === 'yes' })}
      />
    </details>
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
