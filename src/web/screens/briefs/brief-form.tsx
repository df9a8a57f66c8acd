import { useState } from 'react';
import type { Brief, Problem, SchoolTopic } from '../../../core/index.ts';
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

interface Props {
  readonly brief: Brief;
  readonly problems: readonly Problem[];
  readonly edit: (change: (brief: Brief) => Brief) => void;
}

const plain = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);

/** The situation, in the order a person tells it: water, bottom, cover, way of fishing, tackle, bait, fish. */
export function BriefForm({ brief, problems, edit }: Props) {
  const { water, bottom, line, bait } = brief;
  const at = (path: string) => problems.find((problem) => problem.path.startsWith(path))?.message;
  const setWater = (change: Partial<Brief['water']>) =>
    edit((now) => ({ ...now, water: { ...now.water, ...change } }));
  const [name, setName] = useState(brief.name);
  const bad =
    name.trim() === ''
      ? 'Give the brief a name.'
      : name.trim().length > 120
        ? 'At most 120 characters fit. Shorten it.'
        : '';
  return (
    <>
      <div className="qf qf-wide" data-bad={Boolean(bad)}>
        <label htmlFor="brief-name">Name</label>
        <span className="qf-box">
          <input
            id="brief-name"
            value={name}
            aria-invalid={Boolean(bad)}
            onChange={(event) => setName(event.currentTarget.value)}
            onBlur={() =>
              !bad && edit((now) => (now.name === name.trim() ? now : { ...now, name: name.trim() }))
            }
          />
        </span>
        {bad && <p className="field-said">{bad}</p>}
      </div>
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
