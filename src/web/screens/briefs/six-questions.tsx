import type { Kept } from '../../../contract/api.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import { BOTTOMS, COVERS, LINES, RETRIEVES, WATERS } from '../../../core/document/index.ts';
import { PLASTIC_KINDS } from '../../../core/plastic/index.ts';
import { Choice } from '../../parts/choice.tsx';
import type { PartProps } from './brief-parts.tsx';
import { plain, Said } from './brief-parts.tsx';

/** The six questions that give a first answer. */
export function SixQuestions({
  plastics,
  ...part
}: PartProps & { readonly plastics: readonly Kept<Plastic>[] }) {
  const { brief, problem, edit } = part;
  const { water, bottom, cover, fishing, line } = brief;
  const first = <T extends string>(kinds: readonly T[], kind: T): T[] => [
    kind,
    ...kinds.slice(1).filter((other) => other !== kind),
  ];
  return (
    <div className="six">
      <fieldset>
        <legend>1 Water and depth</legend>
        <Choice
          label="Water"
          value={water.kind}
          options={plain(WATERS)}
          onChange={(kind) => edit((now) => ({ ...now, water: { ...now.water, kind } }))}
        />
        <Said
          label="Depth"
          kind="depth"
          range="depth"
          path="/water/depth"
          value={water.depth}
          step={0.25}
          part={part}
          put={(now, depth) => ({ ...now, water: { ...now.water, depth } })}
        />
      </fieldset>
      <fieldset>
        <legend>2 Bottom</legend>
        <Choice
          label="Bottom"
          value={bottom.kinds[0] ?? 'flat clean'}
          options={plain(BOTTOMS)}
          problem={problem('/bottom/kinds')}
          onChange={(kind) =>
            edit((now) => ({ ...now, bottom: { ...now.bottom, kinds: first(now.bottom.kinds, kind) } }))
          }
        />
      </fieldset>
      <fieldset>
        <legend>3 Cover</legend>
        <Choice
          label="Cover"
          term="cover"
          value={cover.kinds[0] ?? 'open'}
          options={[['open', 'open water'] as const, ...plain(COVERS)]}
          onChange={(kind) =>
            edit((now) => ({
              ...now,
              cover: { ...now.cover, kinds: kind === 'open' ? [] : first(now.cover.kinds, kind) },
            }))
          }
        />
      </fieldset>
      <fieldset>
        <legend>4 Way of fishing</legend>
        <Choice
          label="Fished"
          term="retrieve"
          value={fishing.retrieve}
          options={plain(RETRIEVES)}
          onChange={(retrieve) => edit((now) => ({ ...now, fishing: { ...now.fishing, retrieve } }))}
        />
      </fieldset>
      <fieldset>
        <legend>5 Bait</legend>
        <BaitFields plastics={plastics} {...part} />
      </fieldset>
      <fieldset>
        <legend>6 Line</legend>
        <Choice
          label="Line"
          term="line test"
          value={line.material}
          options={plain(LINES)}
          onChange={(material) => edit((now) => ({ ...now, line: { ...now.line, material } }))}
        />
        <Said
          label="Line test"
          kind="lineTest"
          range="test"
          path="/line/test"
          value={line.test}
          step={0.25}
          part={part}
          put={(now, test) => ({ ...now, line: { ...now.line, test } })}
        />
      </fieldset>
    </div>
  );
}

/** A plastic of the shelf, or a bait by its kind and length. */
function BaitFields({ plastics, ...part }: PartProps & { readonly plastics: readonly Kept<Plastic>[] }) {
  const { edit } = part;
  const { bait } = part.brief;
  return (
    <>
      <Choice
        label="From the shelf"
        value={bait.plastic ?? ''}
        options={[
          ['', 'none of these'] as const,
          ...plastics.map(({ id, document }) => [id, document.name] as const),
        ]}
        onChange={(id) =>
          edit((now) => {
            const found = plastics.find((row) => row.id === id)?.document;
            if (!found) {
              const { plastic: _gone, ...rest } = now.bait;
              return { ...now, bait: rest };
            }
            return { ...now, bait: { ...now.bait, kind: found.kind, length: found.length, plastic: id } };
          })
        }
      />
      {bait.plastic === undefined && (
        <>
          <Choice
            label="Bait"
            value={bait.kind}
            options={PLASTIC_KINDS.map(({ key, name }) => [key, name] as const)}
            onChange={(kind) => edit((now) => ({ ...now, bait: { ...now.bait, kind } }))}
          />
          <Said
            label="Bait length"
            kind="size"
            range="bait"
            path="/bait/length"
            value={bait.length}
            step={1}
            part={part}
            put={(now, length) => ({ ...now, bait: { ...now.bait, length } })}
          />
        </>
      )}
    </>
  );
}
