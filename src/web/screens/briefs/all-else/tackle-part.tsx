import type { Brief } from '../../../../core/document/index.ts';
import { FISH_SIZES, MOODS, WANTS } from '../../../../core/document/index.ts';
import { Choice } from '../../../parts/choice.tsx';
import type { PartProps } from '../brief-parts.tsx';
import { either, plain, Said, told } from '../brief-parts.tsx';
import { LeaderFields } from './leader-fields.tsx';
import { RodFields } from './rod-fields.tsx';

/** Leader, rod, fish, and what the law and the purse allow. */
export function TacklePart({ part }: { readonly part: PartProps }) {
  const { brief, at, edit } = part;
  const { fish } = brief;
  const setFish = (change: Partial<NonNullable<Brief['fish']>>) =>
    edit((now) => ({ ...now, fish: { ...now.fish, ...change } }));
  return (
    <details className="else">
      <summary>Tackle, fish and regulations</summary>
      <LeaderFields part={part} />
      <RodFields part={part} />
      <Choice label="Mood" value={at.mood} options={plain(MOODS)} onChange={(mood) => setFish({ mood })} />
      <Choice
        label="Fish size"
        value={at.size}
        options={plain(FISH_SIZES)}
        onChange={(size) => setFish({ size })}
      />
      <Choice
        label="Fishing for"
        value={at.wants}
        options={plain(WANTS)}
        onChange={(wants) => setFish({ wants })}
      />
      <Choice
        label="Skirt"
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
      <p className="field-said">Local rules on lead apply and change: check them before you fish or sell.</p>
      <Said
        label="Max price per head"
        kind="number"
        range="price"
        path="/price"
        value={brief.price ?? 0}
        step={0.1}
        part={part}
        put={(now, price) => ({ ...now, price })}
        clear={({ price: _gone, ...rest }) => rest}
      />
      {fish === undefined && <small className="said-usual">Fish not specified – usual values assumed.</small>}
    </details>
  );
}
