import { Ajv } from 'ajv';
import { describe, expect, it } from 'vitest';
import {
  angle,
  choice,
  count,
  fieldProperties,
  fieldSchema,
  figure,
  flag,
  initialValues,
  optional,
  share,
  size,
} from './field.ts';
import { keySchema, kindOf, kindSchema } from './registry.ts';

/*
 * What a kind says of its fields, and what a general checker of JSON Schema (Ajv) makes of the schema that
 * comes of it.
 */

const brush = {
  key: 'brush',
  name: 'brush',
  does: 'A brush of fibres.',
  fields: {
    fibre: size('Fibre', [0.2, 0.4, 1]),
    fibres: count('Fibres', [4, 20, 60]),
    lean: angle('Leans', [0, 40, 90], { note: 'From the shank.' }),
    cut: share('Cut', [0, 0.1, 0.5], { step: 0.05 }),
    of: choice('Made of', ['nylon', 'steel'], 'As it says on the spool.'),
    fanned: optional(angle('Fanned', [0, 30, 120])),
    glued: flag('Glued', true),
    turns: figure('Turns', [1, 2.5, 9]),
  },
} as const;
const none = { key: 'none', name: 'none', fields: {} } as const;
const ajv = new Ajv({ allErrors: true, strict: true, allowUnionTypes: true });
const check = (schema: object) => ajv.compile(schema);

describe('a field', () => {
  it('holds its range, its first value and its step', () => {
    expect(brush.fields.fibre).toMatchObject({
      type: 'number',
      quantity: 'size',
      min: 0.2,
      initial: 0.4,
      max: 1,
      step: 0.1,
      whole: false,
    });
    expect(brush.fields.fibres).toMatchObject({ quantity: 'count', step: 1, whole: true });
    expect(brush.fields.lean).toMatchObject({ quantity: 'angle', step: 1, note: 'From the shank.' });
    expect(brush.fields.cut).toMatchObject({ quantity: 'share', step: 0.05 });
    expect(brush.fields.turns).toMatchObject({ quantity: 'number', step: 0.5 });
    expect(brush.fields.of).toMatchObject({
      type: 'choice',
      initial: 'nylon',
      note: 'As it says on the spool.',
    });
    expect(brush.fields.glued).toMatchObject({ type: 'flag', initial: true });
    expect('note' in brush.fields.fibre).toBe(false);
    expect('note' in brush.fields.glued).toBe(false);
    expect('note' in choice('x', ['a'])).toBe(false);
  });

  it('becomes a schema that takes its range and nothing beyond', () => {
    const takes = (of: Parameters<typeof fieldSchema>[0]) => check(fieldSchema(of));
    const fibre = takes(brush.fields.fibre);
    expect([0.2, 1, 0.19, 1.01, '0.4', null].map((value) => fibre(value))).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
    ]);
    const fibres = takes(brush.fields.fibres);
    expect([4, 60, 3, 61, 4.5].map((value) => fibres(value))).toEqual([true, true, false, false, false]);
    const of = takes(brush.fields.of);
    expect(['nylon', 'steel', 'hair', 1].map((value) => of(value))).toEqual([true, true, false, false]);
    const glued = takes(brush.fields.glued);
    expect([true, false, 0, 'true'].map((value) => glued(value))).toEqual([true, true, false, false]);
  });

  it('says in the schema what it is, in its unit', () => {
    expect(fieldSchema(brush.fields.fibre).description).toBe('Fibre; mm');
    expect(fieldSchema(brush.fields.lean).description).toBe('Leans: From the shank; degrees');
    expect(fieldSchema(brush.fields.cut).description).toBe('Cut; a share of 1');
    expect(fieldSchema(brush.fields.fibres).description).toBe('Fibres');
    expect(fieldSchema(brush.fields.of).description).toBe('Made of: As it says on the spool.');
    expect(fieldSchema(brush.fields.glued).description).toBe('Glued');
  });
});

describe('a kind', () => {
  const holds = check(kindSchema([brush, none], 'Either'));
  const whole = { kind: 'brush', ...initialValues(brush.fields) };

  it('begins with every field that must be there, and none that may be left out', () => {
    expect(initialValues(brush.fields)).toEqual({
      fibre: 0.4,
      fibres: 20,
      lean: 40,
      cut: 0.1,
      of: 'nylon',
      glued: true,
      turns: 2.5,
    });
    expect(initialValues(none.fields)).toEqual({});
    expect(Object.keys(fieldProperties(brush.fields))).toEqual(Object.keys(brush.fields));
  });

  it('is taken as it begins, with what may be left out too, and with nothing it does not know', () => {
    expect(holds(whole)).toBe(true);
    expect(holds({ ...whole, fanned: 60 })).toBe(true);
    expect(holds({ ...whole, fanned: 121 })).toBe(false);
    expect(holds({ ...whole, colour: 'red' })).toBe(false);
    const { glued: _, ...short } = whole;
    expect(holds(short)).toBe(false);
    expect(holds({ kind: 'none' })).toBe(true);
    expect(holds({ kind: 'none', fibre: 0.4 })).toBe(false);
    expect(holds({ kind: 'comb' })).toBe(false);
  });

  it('tells what it does in the schema, where it says so', () => {
    const { anyOf, description } = kindSchema([brush, none], 'Either') as unknown as {
      anyOf: { description?: string }[];
      description: string;
    };
    expect(description).toBe('Either');
    expect(anyOf.map((one) => one.description)).toEqual(['A brush of fibres.', undefined]);
    const keys = check(keySchema([brush, none], 'Which'));
    expect(['brush', 'none', 'comb'].map((key) => keys(key))).toEqual([true, true, false]);
  });

  it('of a key is found, and one that there is not is a mistake that names what there is', () => {
    expect(kindOf([brush, none], 'none', 'Guard')).toBe(none);
    expect(() => kindOf([brush, none], 'comb', 'Guard')).toThrow('Guard: “comb” is not one of brush, none.');
    expect(() => kindOf([brush], 'x'.repeat(90), 'Guard')).toThrow(`“${'x'.repeat(40)}”`);
  });
});
