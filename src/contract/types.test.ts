import { describe, expectTypeOf, it } from 'vitest';
import type { ReadingId, Readings } from '../core/behaviour/index.ts';
import { cutterKind } from '../core/cutter/cutter.ts';
import type { Batch, Brief, Design, Mould, Trial } from '../core/document/index.ts';
import type { TargetOf } from '../core/head/index.ts';
import { featureKind } from '../core/head/features/shape.ts';
import type { Known, LookedUp } from '../core/assembly/known.ts';
import { share } from '../core/kind/field.ts';
import type { Metal } from '../core/material/index.ts';
import type { MethodKey } from '../core/rigging/index.ts';
import type { Collection, Documents, WithHistory } from './collections/index.ts';
import { plainCollection, steppedCollection } from './collections/collection.ts';
import type { Kept } from './api.ts';

/*
 * What the compiler must know and refuse, so that a kind or a collection that lacks something does not get as
 * far as a run: npm test compiles this file, and a line marked below that compiles after all is an error.
 */

describe('the contract', () => {
  it('knows each collection’s documents by its key', () => {
    expectTypeOf<Documents['designs']>().toEqualTypeOf<Design>();
    expectTypeOf<Documents['briefs']>().toEqualTypeOf<Brief>();
    expectTypeOf<Documents['moulds']>().toEqualTypeOf<Mould>();
    expectTypeOf<Documents['batches']>().toEqualTypeOf<Batch>();
    expectTypeOf<Documents['trials']>().toEqualTypeOf<Trial>();
    expectTypeOf<keyof Documents>().toEqualTypeOf<Collection>();
    expectTypeOf<Kept<Design>['document']>().toEqualTypeOf<Design>();
  });

  it('tells collections that keep steps from those that do not', () => {
    expectTypeOf<'designs'>().toExtend<WithHistory>();
    expectTypeOf<'photos'>().not.toExtend<WithHistory>();
    expectTypeOf<WithHistory>().toExtend<Collection>();
  });

  it('takes no collection without its schema, nor one with steps that says none', () => {
    const check = (data: unknown) => ({ ok: true as const, value: data as { readonly name: string } });
    // @ts-expect-error a schema is wanted
    plainCollection({ key: 'jars', noun: 'jar', check });
    // @ts-expect-error steps are wanted
    steppedCollection({ key: 'jars', noun: 'jar', schema: {} as never, check });
  });
});

describe('kinds', () => {
  it('keep their key as it is written', () => {
    const blunt = cutterKind({ key: 'blunt', name: 'Blunt', outline: () => [] });
    expectTypeOf(blunt.key).toEqualTypeOf<'blunt'>();
    const dent = featureKind({
      key: 'dent',
      name: 'Dent',
      does: 'A dent.',
      fields: { depth: share('Dent depth', [0, 0.1, 0.5]) },
      shape: ({ depth }) => {
        expectTypeOf(depth).toEqualTypeOf<number>();
        throw new Error('never built');
      },
      check: () => [],
    });
    expectTypeOf(dent.key).toEqualTypeOf<'dent'>();
  });

  it('without what they must do are refused', () => {
    // @ts-expect-error an outline is wanted
    cutterKind({ key: 'blunt', name: 'Blunt' });
    // @ts-expect-error a check is wanted
    featureKind({ key: 'dent', name: 'Dent', does: 'A dent.', fields: {}, shape: () => ({}) as never });
    const metal = { key: 'mud', name: 'Mud', density: 2, densityRange: [1, 3], making: 'poured' } as const;
    // @ts-expect-error a source, a caution and a price are wanted
    expectTypeOf(metal).toExtend<Metal>();
  });

  it('are named by those there are', () => {
    expectTypeOf<'threaded'>().toExtend<MethodKey>();
    expectTypeOf<'glued'>().not.toExtend<MethodKey>();
    expectTypeOf<'fall.speed'>().toExtend<ReadingId>();
    expectTypeOf<'fall.colour'>().not.toExtend<ReadingId>();
    expectTypeOf<keyof Readings>().toExtend<ReadingId>();
    // A weight is of the metal, of all, or of what it weighs in water: one is never taken for another.
    expectTypeOf<TargetOf>().toEqualTypeOf<'metal' | 'total' | 'submerged'>();
  });

  it('are looked up whole, or it is said what there is not', () => {
    expectTypeOf<Extract<LookedUp, { ok: true }>['known']>().toEqualTypeOf<Known>();
    expectTypeOf<Extract<LookedUp, { ok: false }>>().toHaveProperty('problems');
  });
});
