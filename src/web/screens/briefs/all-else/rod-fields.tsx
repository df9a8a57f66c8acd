import type { Brief } from '../../../../core/document/index.ts';
import { ROD_ACTIONS, RODS } from '../../../../core/document/index.ts';
import { Choice } from '../../../parts/choice.tsx';
import type { PartProps } from '../brief-parts.tsx';
import { plain, Said, without } from '../brief-parts.tsx';

/** The rod, and the line its reel winds. */
export function RodFields({ part }: { readonly part: PartProps }) {
  const { at, edit } = part;
  const setRod = (change: Partial<NonNullable<Brief['rod']>>) =>
    edit((now) => ({ ...now, rod: { ...now.rod, ...change } }));
  return (
    <>
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
        label="Line per reel turn"
        kind="depth"
        range="perTurn"
        path="/rod/perTurn"
        value={at.perTurn}
        step={0.02}
        part={part}
        put={(now, perTurn) => ({ ...now, rod: { ...now.rod, perTurn } })}
        clear={without('rod', 'perTurn')}
      />
    </>
  );
}
