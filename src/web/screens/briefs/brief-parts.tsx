import type { Brief, SchoolTopic } from '../../../core/index.ts';
import {
  BOTTOMS,
  CLARITIES,
  COVERS,
  LINES,
  MOODS,
  PLASTIC_KINDS,
  RETRIEVES,
  schoolOf,
  SCHOOLS,
  WATERS,
} from '../../../core/index.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';

export interface PartProps {
  readonly brief: Brief;
  /** the message of a field, or of what lies under it */
  readonly at: (path: string) => string | undefined;
  readonly edit: (change: (brief: Brief) => Brief) => void;
}

const plain = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);

/** Salt, depth, current, temperature and clarity. */
export function WaterPart({ brief, at, edit }: PartProps) {
  const { water } = brief;
  const setWater = (change: Partial<Brief['water']>) =>
    edit((now) => ({ ...now, water: { ...now.water, ...change } }));
  return (
    <>
      <h3>Water</h3>
      <Choice
        label="Water"
        value={water.kind}
        options={plain(WATERS)}
        onChange={(kind) => setWater({ kind })}
      />
      <QuantityField
        label="Depth"
        kind="depth"
        value={water.depth}
        min={0.2}
        max={120}
        step={0.25}
        problem={at('/water/depth')}
        onCommit={(depth) => setWater({ depth })}
      />
      <QuantityField
        label="Current"
        kind="speed"
        value={water.current}
        min={0}
        max={4}
        step={0.05}
        problem={at('/water/current')}
        onCommit={(current) => setWater({ current })}
      />
      <QuantityField
        label="Temperature"
        kind="temperature"
        value={water.temperature}
        min={0}
        max={38}
        step={1}
        problem={at('/water/temperature')}
        onCommit={(temperature) => setWater({ temperature })}
      />
      <Choice
        label="Clarity"
        value={water.clarity}
        options={plain(CLARITIES)}
        onChange={(clarity) => setWater({ clarity })}
      />
    </>
  );
}

/** What lies below, and what stands in the way. */
export function BottomPart({ brief, at, edit }: PartProps) {
  const { bottom } = brief;
  return (
    <>
      <h3>Bottom and cover</h3>
      <Choice
        label="Bottom"
        value={bottom.kind}
        options={plain(BOTTOMS)}
        onChange={(kind) => edit((now) => ({ ...now, bottom: { ...now.bottom, kind } }))}
      />
      <QuantityField
        label="Slope"
        kind="angle"
        value={bottom.slope}
        min={0}
        max={85}
        step={1}
        problem={at('/bottom')}
        onCommit={(slope) => edit((now) => ({ ...now, bottom: { ...now.bottom, slope } }))}
      />
      <Choice
        label="Cover"
        value={brief.cover}
        options={plain(COVERS)}
        onChange={(cover) => edit((now) => ({ ...now, cover }))}
      />
    </>
  );
}

/** Retrieve, tackle, bait and fish. */
export function FishingPart({ brief, at, edit }: PartProps) {
  const { line, bait } = brief;
  return (
    <>
      <h3>Fishing</h3>
      <Choice
        label="Retrieve"
        value={brief.retrieve}
        options={plain(RETRIEVES)}
        onChange={(retrieve) => edit((now) => ({ ...now, retrieve }))}
      />
      <Choice
        label="Line"
        value={line.material}
        options={plain(LINES)}
        onChange={(material) => edit((now) => ({ ...now, line: { ...now.line, material } }))}
      />
      <QuantityField
        label="Line test"
        kind="lineTest"
        value={line.test}
        min={0.5}
        max={60}
        step={0.25}
        problem={at('/line')}
        onCommit={(test) => edit((now) => ({ ...now, line: { ...now.line, test } }))}
      />
      <Choice
        label="Bait"
        value={bait.kind}
        options={PLASTIC_KINDS.map(({ key, name }) => [key, name] as const)}
        onChange={(kind) => edit((now) => ({ ...now, bait: { ...now.bait, kind } }))}
      />
      <QuantityField
        label="Bait length"
        kind="size"
        value={bait.length}
        min={20}
        max={400}
        step={1}
        problem={at('/bait')}
        onCommit={(length) => edit((now) => ({ ...now, bait: { ...now.bait, length } }))}
      />
      <Choice
        label="Fish"
        value={brief.mood}
        options={plain(MOODS)}
        onChange={(mood) => edit((now) => ({ ...now, mood }))}
      />
    </>
  );
}

/** Which school is followed where practitioners disagree. */
export function SchoolsPart({ brief, edit }: Omit<PartProps, 'at'>) {
  return (
    <>
      <h3>Where schools differ</h3>
      {(Object.keys(SCHOOLS) as SchoolTopic[]).map((topic) => {
        const sides = SCHOOLS[topic].sides as Readonly<Record<string, string>>;
        const side = schoolOf(brief, topic) ?? '';
        return (
          <div key={topic} className="school">
            <Choice
              label={SCHOOLS[topic].title}
              value={side}
              options={plain(Object.keys(sides))}
              onChange={(next) => edit((now) => ({ ...now, schools: { ...now.schools, [topic]: next } }))}
            />
            <p>{sides[side]}</p>
          </div>
        );
      })}
    </>
  );
}
