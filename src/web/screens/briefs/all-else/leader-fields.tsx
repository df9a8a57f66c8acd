import { LINES } from '../../../../core/document/index.ts';
import { Choice } from '../../../parts/choice.tsx';
import type { PartProps } from '../brief-parts.tsx';
import { plain, Said } from '../brief-parts.tsx';

/** The leader: none, or its material, test and length. */
export function LeaderFields({ part }: { readonly part: PartProps }) {
  const { leader } = part.brief;
  const { edit } = part;
  return (
    <>
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
    </>
  );
}
