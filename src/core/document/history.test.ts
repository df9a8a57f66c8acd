import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Design, Station } from './design.ts';
import { DesignSchema } from './design.ts';
import type { FieldSpec } from './fields.ts';
import { FEATURE_FIELDS, GUARD_FIELDS, KEEPER_FIELDS } from './fields.ts';
import { GUARDS } from '../fitting/guards/index.ts';
import { KEEPERS } from '../fitting/keepers/index.ts';
import { GuardSchema, KeeperSchema } from './fitting-schema.ts';
import { OWN_STATIONS } from '../head/families/own.ts';
import { describeChange } from './history.ts';
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

describe('history in words', () => {
  it.each<[Design, Design, string | RegExp]>([
    [design, { ...design, eye: { ...design.eye, angle: 30 } }, 'Eye angle: ⟦60|angle⟧ → ⟦30|angle⟧'],
    [design, withHead({ dimensions: { breadth: 11 } }), 'Breadth: ⟦9|size⟧ → ⟦11|size⟧'],
    [design, withHead({ family: 'wedge', dimensions: { length: 3 } }), 'Shape: round ball → rounded wedge'],
    [design, withHead({ metal: 'tungsten' }), 'Metal: lead → tungsten (heavy alloy)'],
    [design, { ...design, keeper: { kind: 'none' } }, 'Keeper: cast collar → none'],
    [design, soled, 'Sole added'],
    [soled, design, 'Sole taken away'],
    [soled, withHead({ features: { sole: { cut: 0.4, tilt: 0 } } }), 'Sole takes off: ⟦0.3|share⟧ → ⟦0.4|share⟧'],
    [soled, withHead({ features: { slot: { open: 'below', width: 2 } } }), 'Sole taken away; Slot added'],
    [design, { ...design, name: 'Other' }, 'Name: Other'],
    [design, withHead({ target: { grams: 7, of: 'metal' } }), 'Weight held'],
    [withHead({ target: { grams: 7, of: 'metal' } }), design, 'Weight let go'],
    [design, withHead({ paint: { thickness: 0.1, density: 1.5 } }), 'Paint added'],
    [design, { ...design, eye: { angle: 30, plane: 'in line', setback: 0.1 } }, /and 1 more$/],
    [own, stationed(3, { rise: 0.9 }), 'Rise of station 4: ⟦0.7|share⟧ → ⟦0.9|share⟧'],
    [own, stationed(1, { at: 0.3 }), 'Place of station 2: ⟦0.25|share⟧ → ⟦0.3|share⟧'],
    [own, stationed(3, { rise: 0.9, drop: 0.9 }, true), 'Rise of station 4: ⟦0.7|share⟧ → ⟦0.9|share⟧; Symmetry: on'],
    [stationed(3, { rise: 0.8, drop: 0.8 }, true), stationed(3, { rise: 0.9, drop: 0.9 }, true), 'Rise of station 4: ⟦0.8|share⟧ → ⟦0.9|share⟧'],
    [own, withHead({ family: 'own', stations: OWN_STATIONS.slice(1) }), 'Stations: ⟦5|count⟧ → ⟦4|count⟧'],
    [design, design, ''],
  ])('tells what was done: %#', (before, after, words) => {
    const said = describeChange(before, after);
    if (words instanceof RegExp) expect(said).toMatch(words);
    else expect(said).toBe(words);
  }); // prettier-ignore

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
    ...KEEPERS.map(({ kind, initial }) => ['keeper', kind, initial, KEEPER_FIELDS[kind]] as const),
    ...GUARDS.map(({ kind, initial }) => ['guard', kind, initial, GUARD_FIELDS[kind]] as const),
  ];
  it.each(fittings)('%s %s: every number is told as its form calls it, in its unit', (part, _, spec, fields) => {
    const before = { ...design, [part]: spec } as Design;
    for (const { key, label, kind } of fields) {
      const was = (spec as unknown as Record<string, number>)[key] ?? NaN;
      const after = { ...design, [part]: { ...spec, [key]: was + 1 } } as Design;
      const said = describeChange(before, after);
      expect(said.startsWith(`${label}: `) || said.startsWith(`Guard `) || said.startsWith('Trim line'), said).toBe(true); // prettier-ignore
      if (kind !== 'number') expect(said).toContain(`|${kind}⟧ → ⟦`);
    }
  }); // prettier-ignore
});

interface Bounded {
  readonly minimum?: number;
  readonly maximum?: number;
}
type Properties = Readonly<Record<string, Bounded & { readonly const?: string }>>;

describe('fields of the forms', () => {
  const within = (fields: readonly FieldSpec[], properties: Properties, where: string) => {
    for (const { key, min, max } of fields) {
      // A form that offered what the document refuses would lose what was typed.
      expect(properties[key], `${where} ${key}`).toBeDefined();
      expect(min, `${where} ${key}`).toBeGreaterThanOrEqual(properties[key]?.minimum ?? -Infinity);
      expect(max, `${where} ${key}`).toBeLessThanOrEqual(properties[key]?.maximum ?? Infinity);
    }
  };
  const kinds = (schema: unknown): readonly Properties[] =>
    (schema as { anyOf: { properties: Properties }[] }).anyOf.map(({ properties }) => properties);

  it('of keepers and guards stay within the document’s ranges, and leave no number of it out', () => {
    for (const [schema, fields] of [
      [KeeperSchema, KEEPER_FIELDS],
      [GuardSchema, GUARD_FIELDS],
    ] as const) {
      for (const properties of kinds(schema)) {
        const kind = properties['kind']?.const ?? '';
        const own = (fields as Record<string, readonly FieldSpec[]>)[kind] ?? [];
        within(own, properties, kind);
        const numbers = Object.entries(properties).filter(([, { minimum }]) => minimum !== undefined);
        // How far a trimmed end stands over the point is asked for only of trimmed fibres, by a field of its own.
        const asked = new Set([...own.map(({ key }) => key), 'over']);
        for (const [key] of numbers) expect(asked, `${kind} ${key}`).toContain(key);
      }
    }
  });

  it('of features stay within the document’s ranges', () => {
    const head = (DesignSchema as unknown as { properties: { head: { properties: { features: { properties: Record<string, { properties: Properties }> } } } } }).properties.head; // prettier-ignore
    const features = head.properties.features.properties;
    expect(Object.keys(FEATURE_FIELDS).sort()).toEqual(Object.keys(features).sort());
    for (const [key, fields] of Object.entries(FEATURE_FIELDS))
      within(fields, features[key]?.properties ?? {}, key);
  });
});
