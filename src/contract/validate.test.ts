import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { starterDesign } from '../core/document/index.ts';
import { guardInitial, keeperInitial } from '../core/fitting/index.ts';
import { FAMILIES } from '../core/head/index.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import { checkShop, checkListQuery, checkMetalEdit } from './validate.ts';
import { checkBriefDocument } from './collections/briefs.ts';
import { checkDesignDocument } from './collections/designs.ts';
import { checkPlasticDocument } from './collections/plastics.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));
const problemsOf = (data: unknown) => {
  const checked = checkDesignDocument(data);
  return checked.ok ? [] : checked.problems;
};
const at = (data: unknown, path: string) =>
  problemsOf(data).find((problem) => problem.path === path)?.message;

describe('sound documents', () => {
  it.each(FAMILIES.map(({ key }) => key))('the starter of %s, with every keeper and guard', (family) => {
    const chosen = FAMILIES.find(({ key }) => key === family);
    if (!chosen) throw new Error(`${family} is not a family`);
    const base = starterDesign(chosen, 'New');
    for (const keeper of (['none', 'collar', 'wire'] as const).map(keeperInitial)) {
      for (const guard of (['none', 'fibre'] as const).map(guardInitial)) {
        expect(problemsOf({ ...base, keeper, guard })).toEqual([]);
      }
    }
  });

  it('the example in docs/formats.md', () => {
    const page = readFileSync(`${root}/docs/formats.md`, 'utf8');
    const example = /```json\n(\{\n {2}"format": "fern-anvil\/design"[\s\S]*?)```/.exec(page)?.[1];
    expect(example).toBeDefined();
    expect(problemsOf(JSON.parse(example ?? ''))).toEqual([]);
  });

  it('come through as they are: nothing is added, nothing taken away', () => {
    const design = sampleDesign('football');
    const text = JSON.stringify(design);
    const checked = checkDesignDocument(JSON.parse(text));
    expect(checked.ok && JSON.stringify(checked.value)).toBe(text);
  });
});

describe('messages name the field and the remedy', () => {
  const design = sampleDesign('ball');

  it.each([
    ['/name', { ...design, name: '' }, 'Name: must not be empty. Type something.'],
    ['/name', { ...design, name: 7 }, 'Name: must be text, not 7.'],
    ['/head', { ...design, head: null }, 'Head: must be an object, not null.'],
    [
      '/head/family',
      { ...design, head: { ...design.head, family: ['ball'] } },
      'Head, family: must be text, not a list.',
    ],
    [
      '/head/target/grams',
      { ...design, head: { ...design.head, target: { grams: 0, of: 'metal' } } },
      'Head, target, grams: must be more than 0, not 0.',
    ],
    [
      '/head/target/of',
      { ...design, head: { ...design.head, target: { grams: 1, of: 'paint' } } },
      'Head, target, of: “paint” is not one of metal, total, submerged.',
    ],
    [
      '/hook/grade',
      { ...design, hook: { size: '1/0', grade: 'thick' } },
      'Hook, grade: “thick” is not one of 1X fine, standard, 1X strong, 2X strong, 3X strong.',
    ],
    [
      '/eye/setback',
      { ...design, eye: { ...design.eye, setback: -3.1 } },
      'Eye, setback: must be at least -3, not -3.1.',
    ],
    ['/format', { ...design, format: 'other' }, 'Format: must be “fern-anvil/design”, not “other”.'],
    [
      '/keeper/kind',
      { ...design, keeper: { length: 3 } },
      'Keeper: kind is missing; use one of collar, barrel, wire, barbs, screw, spring, none.',
    ],
    [
      '/keeper/barbs',
      { ...design, keeper: { ...keeperInitial('collar'), barbs: 1.5 } },
      'Keeper, barbs: must be a whole number, not 1.5.',
    ],
    [
      '/guard/trimmed',
      { ...design, guard: { ...guardInitial('fibre'), trimmed: 'yes' } },
      'Guard, trimmed: must be true or false, not “yes”.',
    ],
    [
      '/eye/colour',
      { ...design, eye: { ...design.eye, colour: 'red' } },
      'Eye: “colour” is not a field here. Remove it, or check its spelling.',
    ],
    [
      '/notes',
      { ...design, notes: 'x'.repeat(9000) },
      'Notes: is 9000 characters long; at most 8000 fit. Shorten it.',
    ],
  ])('%s', (path, data, message) => {
    expect(at(data, path)).toBe(message);
  });

  it('several mistakes are told at once, but never more than a screenful', () => {
    const many = { ...design, name: '', eye: { angle: 200, plane: 'up', setback: 4 } };
    expect(
      problemsOf(many)
        .map(({ path }) => path)
        .sort(),
    ).toEqual(['/eye/angle', '/eye/plane', '/eye/setback', '/name']);
    const dimensions = Object.fromEntries(Array.from({ length: 40 }, (_, i) => [`d${i}`, -1]));
    expect(problemsOf({ ...design, head: { ...design.head, dimensions } }).length).toBeLessThanOrEqual(20);
  });

  it('a value that was sent is shown, but never at length', () => {
    const message = at({ ...design, format: 'y'.repeat(5000) }, '/format') ?? '';
    expect(message.length).toBeLessThan(140);
    expect(message).toContain('…');
  });

  it('no input whatever makes it throw, and whatever is refused has a reason', () => {
    fc.assert(
      fc.property(fc.anything(), (data) => {
        const checked = checkDesignDocument(data);
        return (
          checked.ok ||
          (checked.problems.length > 0 && checked.problems.every(({ message }) => message.length > 8))
        );
      }),
      { numRuns: 500 },
    );
  });

  it('one field of a sound design made wrong is refused at that field or its part', () => {
    const wrong = fc.constantFrom<unknown>(null, [], {}, 'word', -5, 1e12, true);
    fc.assert(
      fc.property(fc.constantFrom('name', 'head', 'hook', 'eye', 'keeper', 'guard'), wrong, (key, value) => {
        const problems = problemsOf({ ...design, [key]: value });
        return (
          (key === 'name' && value === 'word') || problems.some(({ path }) => path.startsWith(`/${key}`))
        );
      }),
    );
  });
});

describe('other documents and queries', () => {
  it('a plastic and a brief are held to their own schemas', () => {
    expect(checkPlasticDocument(sampleDesign('ball'))).toMatchObject({ ok: false });
    expect(checkBriefDocument({ format: 'fern-anvil/brief' })).toMatchObject({ ok: false });
  });

  it('queries arrive as text and are read as numbers', () => {
    expect(checkListQuery({ limit: '25' })).toEqual({ ok: true, value: { limit: 25 } });
    expect(checkListQuery({ limit: 'many' })).toMatchObject({ ok: false, problems: [{ path: '/limit' }] });
    expect(checkListQuery({ limit: '501' })).toMatchObject({ ok: false });
  });

  it('a density of metal must be one', () => {
    expect(checkMetalEdit({ density: 17 })).toEqual({ ok: true, value: { density: 17 } });
    for (const density of [0, 24, '17', null])
      expect(checkMetalEdit({ density })).toMatchObject({ ok: false });
  });
});

describe('a whole shop', () => {
  const design = sampleDesign('ball');
  const shop = { format: 'fern-anvil/shop', version: 1, designs: [{ id: 'one', document: design }] };

  it('is taken when every document in it is sound; what it leaves out is empty', () => {
    expect(checkShop(shop)).toMatchObject({
      ok: true,
      value: { designs: [{ id: 'one' }], hooks: [], plastics: [], briefs: [] },
    });
  });

  it.each([
    ['no shop', { format: 'x' }, '/format', /no shop file/],
    ['a list', [], '', /must be an object/],
    ['a strange field', { ...shop, jigs: [] }, '/jigs', /not a field here/],
    [
      'an id twice',
      { ...shop, designs: [...shop.designs, ...shop.designs] },
      '/designs/1/id',
      /stands twice/,
    ],
    ['no id', { ...shop, designs: [{ document: design }] }, '/designs/0/id', /must be 1 to 80/],
    [
      'a wrong document',
      { ...shop, designs: [{ id: 'a', document: { ...design, name: '' } }] },
      '/designs/0/document/name',
      /must not be empty/,
    ],
    ['no list', { ...shop, hooks: 3 }, '/hooks', /must be a list/],
  ] as const)('%s is told with its place', (_, data, path, message) => {
    const checked = checkShop(data);
    expect(checked.ok).toBe(false);
    if (checked.ok) return;
    expect(checked.problems[0]).toMatchObject({ path, message: expect.stringMatching(message) });
  });
});
