import { useMemo, useState } from 'react';
import type { Rule } from '../../../core/document/index.ts';
import type { Head } from '../../../core/match/index.ts';
import { holdsFor, situationOf } from '../../../core/match/index.ts';
import { useList } from '../../data/queries.ts';
import { Choice } from '../../parts/choice.tsx';

interface Props {
  /** conditions that could be read, or undefined */
  readonly parsed: Rule['when'] | undefined;
  readonly claimed: Rule['when'] | undefined;
  readonly question: Rule['question'];
}

/** For which heads of the Rack a rule would hold in a brief. */
export function Tried({ parsed, claimed, question }: Props) {
  const [briefId, setBriefId] = useState('');
  const briefs = useList('briefs').data ?? [];
  const designs = useList('designs').data;
  const brief = briefs.find(({ id }) => id === briefId) ?? briefs[0];
  const speaks = useMemo(() => {
    if (!parsed || !claimed || !brief || !designs) return undefined;
    const situation = situationOf(brief.document);
    try {
      return designs.filter(({ document, summary }) => {
        if (!summary?.ok) return false;
        const head: Head = { design: document, values: summary.readings };
        return holdsFor({ when: parsed, claim: claimed, question }, situation, head);
      });
    } catch {
      return undefined;
    }
  }, [parsed, claimed, brief, designs, question]);
  if (!brief) return null;
  return (
    <div className="rule-test">
      <Choice
        label="Tried in"
        value={brief.id}
        options={briefs.map(({ id, document }) => [id, document.name] as const)}
        onChange={setBriefId}
      />
      <p role="status">
        {speaks === undefined
          ? 'Cannot be tried as it stands.'
          : speaks.length === 0
            ? 'Applies to none of your heads there.'
            : `Applies to ${speaks.length}: ${speaks
                .slice(0, 8)
                .map(({ document }) => document.name)
                .join(', ')}${speaks.length > 8 ? ' …' : ''}`}
      </p>
    </div>
  );
}
