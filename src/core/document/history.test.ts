import type { Station } from '../head/schema.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Design } from './design.ts';
import { DesignSchema } from './design.ts';
import { GUARDS } from '../fitting/guards/index.ts';
import { KEEPERS } from '../fitting/keepers/index.ts';
import { FEATURES } from '../head/features/index.ts';
import type { Fields } from '../kind/field.ts';
import { OWN_STATIONS } from '../head/families/own.ts';
import { describeChange, designDifferences } from './history.ts';
import { inUnits } from '../quantity/phrase.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { anyDesign } from '../test-kit/wild.test-kit.ts';

const design = sampleDesign('ball');
const withHead = (head: Partial<Design['head']>): Design => ({
  ...design,
  head: { ...design.head, ...head },
});
const own = withHead({ family: 'own', stations: [...OWN_STATIONS] });
const stationed = (i: number, change: Partial<Station>, symmetric?: true) =>
  withHead({
    family: 'own',
    stations: OWN_STATIONS.map((station, k) => (k === i ? { ...station, ...change } : station)),
    ...(symmetric ? { symmetric } : {}),
  });
const soled = withHead({ features: { sole: { cut: 0.3, tilt: 0 } } });

describe('differences of two designs', () => {
  it('are told field by field by their names, in the reader’s units, what is gone by what it was', () => {
    const theirs: Design = {
      ...design,
      name: 'Theirs',
      eye: { ...design.eye, angle: 30 },
      keeper: { kind: 'none' },
    };
    const said = designDifferences(design, theirs).map(({ name, before, after }) =>
      [name, ...[before, after].map((text) => inUnits(text, 'metric'))].join(' | '),
    );
    expect(said).toContain('Eye angle | 60° | 30°');
    expect(said).toContain(`Name | ${design.name} | Theirs`);
    expect(said).toContain('Keeper | cast collar | none');
    expect(said.filter((line) => /^Collar.*\d mm \| $/.test(line)).length).toBeGreaterThan(1);
    expect(said.filter((line) => /[A-Z][a-z]+[A-Z]|undefined|NaN/.test(line))).toEqual([]);
    expect(designDifferences(design, structuredClone(design))).toEqual([]);
  });

  it('of any two have a name and at least one value each, and are there when history has words for them', () => {
    fc.assert(
      fc.property(anyDesign, anyDesign, (one, other) => {
        const found = designDifferences(one, other);
        for (const { name, before, after } of found) {
          expect(name).not.toBe('');
          expect(before + after).not.toBe('');
        }
        expect(found.length > 0).toBe(describeChange(one, other) !== '');
      }),
      { numRuns: 60 },
    );
  });
});

describe('history in words', () => {
  it.each<[Design, Design, string | RegExp]>([
    [design, { ...design, eye: { ...design.eye, angle: 30 } }, 'Eye angle: ⟦60|angle⟧ → ⟦30|angle⟧'],
    [design, withHead({ dimensions: { breadth: 11 } }), 'Breadth: ⟦9|size⟧ → ⟦11|size⟧'],
    [design, withHead({ family: 'wedge', dimensions: { length: 3 } }), 'Shape: round ball → rounded wedge'],
    [design, withHead({ metal: 'tungsten' }), 'Metal: lead → tungsten (heavy alloy)'],
    [design, { ...design, keeper: { kind: 'none' } }, 'Keeper: cast collar → none'],
    [design, soled, 'Sole added'],
    [soled, design, 'Sole taken away'],
    [
      soled,
      withHead({ features: { sole: { cut: 0.4, tilt: 0 } } }),
      'Sole takes off: ⟦0.3|share⟧ → ⟦0.4|share⟧',
    ],
    [soled, withHead({ features: { slot: { open: 'below', width: 2 } } }), 'Sole taken away; Slot added'],
    [design, { ...design, name: 'Other' }, 'Name: Other'],
    [design, withHead({ target: { grams: 7, of: 'metal' } }), 'Weight held'],
    [withHead({ target: { grams: 7, of: 'metal' } }), design, 'Weight released'],
    [design, withHead({ paint: { thickness: 0.1, density: 1.5 } }), 'Paint added'],
    [design, { ...design, eye: { angle: 30, plane: 'in line', setback: 0.1 } }, /and 1 more$/],
    [own, stationed(3, { rise: 0.9 }), 'Rise of station 4: ⟦0.7|share⟧ → ⟦0.9|share⟧'],
    [own, stationed(1, { at: 0.3 }), 'Place of station 2: ⟦0.25|share⟧ → ⟦0.3|share⟧'],
    [
      own,
      stationed(3, { rise: 0.9, drop: 0.9 }, true),
      'Rise of station 4: ⟦0.7|share⟧ → ⟦0.9|share⟧; Symmetry: on',
    ],
    [
      stationed(3, { rise: 0.8, drop: 0.8 }, true),
      stationed(3, { rise: 0.9, drop: 0.9 }, true),
      'Rise of station 4: ⟦0.8|share⟧ → ⟦0.9|share⟧',
    ],
    [own, withHead({ family: 'own', stations: OWN_STATIONS.slice(1) }), 'Stations: ⟦5|count⟧ → ⟦4|count⟧'],
    [design, design, ''],
  ])('tells what was done: %#', (before, after, words) => {
    const said = describeChange(before, after);
    if (words instanceof RegExp) expect(said).toMatch(words);
    else expect(said).toBe(words);
  });

  it('says something whenever anything differs, and nothing when nothing does', () => {
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(design)), fc.boolean(), (key, isSame) => {
        const after = isSame
          ? structuredClone(design)
          : ({
              ...design,
              [key]: key === 'name' ? 'x' : { ...(design[key as 'eye'] as object), extra: 1 },
            } as unknown as Design);
        return (describeChange(design, after) === '') === isSame;
      }),
    );
  });

  it('between any two designs it is words: no gap, no key of the document, in either system', () => {
    fc.assert(
      fc.property(anyDesign, anyDesign, (before, after) => {
        const said = describeChange(before, after);
        expect(describeChange(before, structuredClone(before))).toBe('');
        for (const system of ['imperial', 'metric'] as const)
          expect(inUnits(said, system)).not.toMatch(/undefined|NaN|\[object|⟦|⟧|\w\.\w+[a-z]/);
      }),
      { numRuns: 200 },
    );
  });

  /** Every field of a fitting, changed alone. */
  const fittings = [
    ...KEEPERS.map(({ key, initial, fields }) => ['keeper', key, initial, fields] as const),
    ...GUARDS.map(({ key, initial, fields }) => ['guard', key, initial, fields] as const),
  ];
  it.each(fittings)(
    '%s %s: every number is told as its form calls it, in its unit',
    (part, _, spec, fields) => {
      const before = { ...design, [part]: spec } as Design;
      for (const [key, field] of Object.entries(fields)) {
        if (field.type !== 'number') continue;
        const was = Number(Object.entries(spec).find(([name]) => name === key)?.[1] ?? 0);
        const after = { ...design, [part]: { ...spec, [key]: was + 1 } } as Design;
        const said = describeChange(before, after);
        expect(said.startsWith(`${field.label}: `) || said.startsWith(`Guard `), said).toBe(true);
        const isTold = field.optional || field.quantity === 'number';
        if (!isTold) expect(said).toContain(`|${field.quantity}⟧ → ⟦`);
      }
    },
  );
});

interface Bounded {
  readonly minimum?: number;
  readonly maximum?: number;
  readonly type?: string;
}
type Properties = Readonly<Record<string, Bounded & { readonly const?: string }>>;

describe('fields of the forms', () => {
  /** The published schema, read as any reader would, and the kinds it must be made from. */
  const schema = JSON.parse(JSON.stringify(DesignSchema)) as {
    properties: Record<'keeper' | 'guard', { anyOf: { properties: Properties }[] }> & {
      head: { properties: { features: { properties: Record<string, { properties: Properties }> } } };
    };
  };
  const alike = (fields: Fields, properties: Properties, where: string) => {
    expect(
      Object.keys(properties).filter((key) => key !== 'kind'),
      where,
    ).toEqual(Object.keys(fields));
    for (const [key, field] of Object.entries(fields)) {
      if (field.type !== 'number') continue;
      // A form that offered what the document refuses would lose what was typed.
      expect([properties[key]?.minimum, properties[key]?.maximum], `${where} ${key}`).toEqual([
        field.min,
        field.max,
      ]);
      expect(properties[key]?.type, `${where} ${key}`).toBe(field.whole ? 'integer' : 'number');
      expect(field.initial).toBeGreaterThanOrEqual(field.min);
      expect(field.initial).toBeLessThanOrEqual(field.max);
    }
  };

  it.each([
    ['keeper', KEEPERS],
    ['guard', GUARDS],
  ] as const)('of every %s are those of the document', (part, kinds) => {
    const offered = schema.properties[part].anyOf;
    expect(offered.map(({ properties }) => properties['kind']?.const)).toEqual(kinds.map(({ key }) => key));
    kinds.forEach(({ key, fields }, i) => alike(fields, offered[i]?.properties ?? {}, key));
  });

  it('of features are those of the document', () => {
    const features = schema.properties.head.properties.features.properties;
    expect(Object.keys(features)).toEqual(FEATURES.map(({ key }) => key));
    for (const { key, fields } of FEATURES) alike(fields, features[key]?.properties ?? {}, key);
  });
});
