import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type * as Cutters from '../src/core/make/cutter.ts';
import type * as Exchange from '../src/core/exchange/export-design.ts';
import type * as Assembly from '../src/core/assembly/index.ts';
import type * as Document_ from '../src/core/document/index.ts';
import type * as Fitting from '../src/core/fitting/index.ts';
import type * as Head from '../src/core/head/index.ts';
import type * as Hook from '../src/core/hook/index.ts';
import type * as Judge from '../src/core/judge/index.ts';
import type * as Match from '../src/core/match/index.ts';
import type * as Material from '../src/core/material/index.ts';
import type * as PlasticRoom from '../src/core/plastic/index.ts';
import type * as Plate from '../src/core/plate/index.ts';
import type * as Rigging from '../src/core/rigging/index.ts';
import type { Brief, Design } from '../src/core/document/index.ts';
import type { Plastic } from '../src/core/plastic/index.ts';

/**
 * A throw-away kind of every sort, each one file and one line of its index, put into a copy of the core: what
 * it says of itself must reach schema, form, drawing, files and documents by that alone.
 */
const root = fileURLToPath(new URL('..', import.meta.url));
const copy = join(root, '.cache/kinds-probe');

interface Probe {
  /** folder of the kinds, and what the list in its index is called */
  readonly folder: string;
  readonly code: string;
  /** the file of that list, where it is not index.ts */
  readonly list?: string;
  /** a file whose list of words gets its key too, where documents name it before the room that knows it */
  readonly words?: string;
}

const PROBES: Readonly<Record<string, Probe>> = {
  keeper: {
    folder: 'fitting/keepers',
    code: `
import { size } from '../../kind/field.ts';
import { keeperKind } from './keeper.ts';
export const probe = keeperKind({
  key: 'probe', name: 'probe spike',
  fields: { reach: size('Spike reach', [1, 5, 12]) },
  build: ({ reach }) => ({ cast: undefined, wires: [{ path: [[0, 0, -1], [-reach, 0, -1]], diameter: 0.5 }], anchor: undefined, insertion: reach, diameter: 2, holdArea: 3 }),
  check: ({ reach }) => (reach > 11 ? [{ field: 'reach', message: 'Spike: it is far too long. Shorten it.' }] : []),
});`,
  },
  guard: {
    folder: 'fitting/guards',
    code: `
import { size } from '../../kind/field.ts';
import { asStrands, guardFrame, guardKind, PLACE, strandBulk } from './guard.ts';
export const probe = guardKind({
  key: 'probe', name: 'probe whisker',
  fields: { whisker: size('Whisker', [0.2, 0.5, 2]), ...PLACE },
  build: (spec, ground) => {
    const frame = guardFrame(spec, ground, spec.whisker / 2);
    const strands = [{ path: [frame.at(0), frame.at(9)], diameter: spec.whisker }];
    return { ...frame, free: 9, end: frame.at(9), ...strandBulk(strands, 1, frame.depth, frame.at), material: 'nylon', density: 1.1, spread: 0, strand: spec.whisker, count: 1, parting: 0, ...asStrands(strands), overPoint: frame.overPoint(9) };
  },
});`,
  },
  feature: {
    folder: 'head/features',
    code: `
import { share } from '../../kind/field.ts';
import { box, FAR, featureKind } from './shape.ts';
export const probe = featureKind({
  key: 'probe', name: 'Probe notch', does: 'A notch across the nose.',
  fields: { notch: share('Notch', [0.01, 0.1, 0.4]) },
  shape: ({ notch }, { profile, drop }) => {
    const from = profile.length * (1 - notch);
    return {
      of: 'probe', path: '/head/features/probe', sign: -1, from, to: FAR, breaks: [from], edges: () => [],
      span: (x) => (x >= from ? [-FAR, -drop / 2] : undefined),
      solid: (kernel) => box(kernel, [from, -FAR, -FAR], [FAR, FAR, -drop / 2]),
      drawn: () => ({ side: [{ path: [[from, -drop], [from, -drop / 2]], hidden: false }] }),
    };
  },
  check: () => [],
});`,
  },
  family: {
    folder: 'head/families',
    code: `
import type { Family } from '../family.ts';
import { size } from '../family.ts';
import { EMPTY_SECTION } from '../profile.ts';
export const probe: Family = {
  key: 'probe', name: 'Probe drum', group: 'bottom', purpose: 'Nothing at all, it is a probe.', badAt: 'Everything else.',
  dimensions: [size('breadth', 'Drum across', [4, 12, 40], 'Diameter of the drum.')],
  profile: ({ breadth = 0 }) => ({ length: breadth, breaks: [0, breadth], section: (x) => (x >= 0 && x <= breadth ? { b: breadth / 2, t: breadth / 2, d: breadth / 2, nt: 2, nb: 2 } : EMPTY_SECTION) }),
};`,
  },
  'hook style': {
    folder: 'hook/styles',
    code: `
import { hookStyle } from './style.ts';
export const probe = hookStyle({ key: 'probe', does: 'A probe.', gap: 1.5, shank: 1, pointLeg: 0.6, lean: 0, offset: 0 });`,
  },
  joint: {
    folder: 'hook/joints',
    code: `
import { jointKind, linkRing } from './joint.ts';
export const probe = jointKind({ key: 'probe', name: 'probe link', sizeLabel: 'Probe inside', does: 'A probe.', link: (size, behind, wire) => linkRing(size, behind, wire, 3) });`,
  },
  plastic: {
    folder: 'plastic/kinds',
    code: `
import { plasticKind } from './kind.ts';
export const probe = plasticKind({ key: 'probe', name: 'probe cigar', does: 'A probe.', stations: [[0, 1, 1], [1, 1, 1]], tail: 0.9, action: 'glide', moves: { cold: 0.5, warm: 0.5 }, exit: { good: [0.1, 0.9], tight: [0, 1] }, usual: { inches: [4], breadth: 0.1, height: 0.1, density: 1, toughness: 'soft' } });`,
  },
  method: {
    folder: 'rigging/methods',
    code: `
import { methodKind } from '../method.ts';
export const probe = methodKind({ key: 'probe', name: 'probe hung', does: 'A probe.', point: 'bare', exitName: 'Out at', gapName: 'Free', freeGap: { good: 0.1, tight: 0 }, wants: '', steps: () => ['Hang it there.'], lay: () => ({ rise: () => 0, exit: 7, freeGap: 9, filling: 1, bend: 0, cover: 0, start: 0, entry: NaN }) });`,
  },
  metal: {
    folder: 'material/metals',
    code: `
import type { Metal } from './metal.ts';
export const probe: Metal = { key: 'probe', name: 'Probe metal', density: 10, densityRange: [9, 11], making: 'poured', source: 'a probe', caution: 'None.', price: 1 };`,
  },
  cutter: {
    folder: 'cutter',
    list: 'kinds.ts',
    code: `
import { cutterKind } from './cutter.ts';
export const probe = cutterKind({ key: 'probe', name: 'probe square', outline: (radius, reach) => [[0, 0], [radius, 0], [radius, reach + 1]] });`,
  },
  export: {
    folder: 'exchange/exports',
    code: `
import { exportKind } from './kind.ts';
export const probe = exportKind({ key: 'probe', name: 'Probe text', does: 'The name, loudly.', mediaType: 'text/x-probe', write: async ({ design }) => design.name.toUpperCase() });`,
  },
  question: {
    folder: 'match/questions',
    words: 'document/brief-words.ts',
    code: `
import type { Question } from './question.ts';
export const probe: Question = {
  key: 'probe', name: 'Is probed', asks: 'Does it take a probe?', mistake: 'none at all',
  isAsked: () => true, isDecisive: () => false,
  compute: () => () => [{ score: 0.9, isFirm: true, by: 'head.length', says: () => 'It takes a probe.' }],
};`,
  },
  behaviour: {
    folder: 'behaviour',
    list: 'registry.ts',
    code: `
import { behaviour } from './behaviour.ts';
export const probe = behaviour({
  key: 'probe', needs: 'at once',
  readings: { 'probe.depth': { name: 'Probe depth', quantity: 'size', unit: 'mm', kind: 'index', group: 'Head', formula: 'p = 42', note: 'A probe.', compared: true } },
  read: () => ({ 'probe.depth': 42 }),
});`,
  },
};

/** Rooms whose doors are asked here. */
const ROOMS = [
  'assembly',
  'document',
  'fitting',
  'head',
  'hook',
  'judge',
  'match',
  'material',
  'plastic',
  'plate',
  'rigging',
];
type Core = typeof Assembly &
  typeof Document_ &
  typeof Fitting &
  typeof Head &
  typeof Hook &
  typeof Judge &
  typeof Match &
  typeof Material &
  typeof PlasticRoom &
  typeof Plate &
  typeof Rigging;
let core: Core;
let cutters: typeof Cutters;
let exports: typeof Exchange;

/** Compiles the copy as the project is compiled; what it says of what does not fit. */
function compiled(): string {
  writeFileSync(
    join(copy, 'tsconfig.json'),
    JSON.stringify({
      extends: join(root, 'tsconfig.json'),
      compilerOptions: { paths: {} },
      include: Object.values(PROBES).map(({ folder }) => `src/core/${folder}/probe.ts`),
    }),
  );
  const { stdout } = spawnSync(
    process.execPath,
    [join(root, 'node_modules/tsc-native/bin/tsc'), '--noEmit', '-p', join(copy, 'tsconfig.json')],
    { encoding: 'utf8' },
  );
  return stdout;
}

beforeAll(async () => {
  rmSync(copy, { recursive: true, force: true });
  mkdirSync(copy, { recursive: true });
  cpSync(join(root, 'src'), join(copy, 'src'), { recursive: true });
  for (const [sort, { folder, code, words, list = 'index.ts' }] of Object.entries(PROBES)) {
    if (words) {
      const list = join(copy, 'src/core', words);
      const before = readFileSync(list, 'utf8');
      const after = before.replace(/(const QUESTION_KEYS = \[)/, "$1'probe', ");
      expect(after, sort).not.toBe(before);
      writeFileSync(list, after);
    }
    const at = join(copy, 'src/core', folder);
    writeFileSync(join(at, 'probe.ts'), code);
    const index = join(at, list);
    const before = readFileSync(index, 'utf8');
    // One import and one word in the list: that is all a new kind touches besides its file.
    const after = `import { probe } from './probe.ts';\n${before.replace(/((?:const ALL|export const \w+)[^=]*= \[)/, '$1probe, ')}`;
    expect(after, sort).toContain('[probe, ');
    writeFileSync(index, after);
  }
  const doors = await Promise.all(
    ROOMS.map(
      (room) => import(pathToFileURL(join(copy, `src/core/${room}/index.ts`)).href) as Promise<object>,
    ),
  );
  core = Object.assign({}, ...doors) as Core;
  exports = (await import(
    pathToFileURL(join(copy, 'src/core/exchange/export-design.ts')).href
  )) as typeof exports;
  cutters = (await import(pathToFileURL(join(copy, 'src/core/make/cutter.ts')).href)) as typeof cutters;
  await core.loadSolids();
});
afterAll(() => rmSync(copy, { recursive: true, force: true }));

/** The probe of everything at once, as a person would put it together. */
function probed(): Design {
  const family = core.familyOf('probe');
  if (!family) throw new Error('the probe family is not found');
  const base = core.starterDesign(family, 'Probe');
  const given: object = {
    head: { metal: 'probe', features: { probe: { notch: 0.2 } } },
    hook: { style: 'probe' },
    keeper: core.keeperInitial('probe'),
    guard: core.guardInitial('probe'),
  };
  const { head, hook, keeper, guard } = given as Pick<Design, 'head' | 'hook' | 'keeper' | 'guard'>;
  return { ...base, head: { ...base.head, ...head }, hook: { ...base.hook, ...hook }, keeper, guard };
}

describe('a kind of each sort from one file', () => {
  it('compiles as it stands', () => {
    expect(compiled()).toBe('');
  });

  it('is in the published schema with its ranges', () => {
    const schema = JSON.stringify(core.DesignSchema);
    for (const words of ['Spike reach', 'Whisker', 'Notch', '"const":"probe"'])
      expect(schema).toContain(words);
    expect(JSON.stringify(core.PlasticSchema)).toContain('"const":"probe"');
    expect(JSON.stringify(core.MouldSchema)).toContain('"const":"probe"');
    expect(schema).toMatch(/"reach":\{[^}]*"minimum":1[^}]*"maximum":12|"reach":\{[^}]*"maximum":12/);
  });

  it('is offered by the forms, which read the same fields', () => {
    expect(core.keeperOf('probe').fields).toHaveProperty('reach.label', 'Spike reach');
    expect(core.guardOf('probe').fields).toHaveProperty('whisker.max', 2);
    expect(core.FEATURES.map(({ name }) => name)).toContain('Probe notch');
    expect(core.STYLES.map(({ key }) => String(key))).toContain('probe');
    expect(core.JOINTS.map(({ name }) => name)).toContain('probe link');
    expect(core.PLASTIC_KINDS.map(({ name }) => name)).toContain('probe cigar');
    expect(core.METHODS.map(({ name }) => name)).toContain('probe hung');
    expect(core.METALS.map(({ name }) => name)).toContain('Probe metal');
  });

  it('is judged, drawn, told and written', async () => {
    const design = probed();
    const result = core.evaluate(design);
    if (!result.ok) throw new Error(result.problems[0]?.message);
    expect(result.readings).toHaveProperty(['probe.depth', 'value'], 42);
    for (const [id, { value, range }] of Object.entries(result.readings))
      expect([value, ...(range ?? [])], id).not.toContain(NaN);
    expect(result.readings['keeper.insertion']?.value).toBe(5);
    expect(result.rig.measures.gap).toBeCloseTo(13 * 1.5, 9);
    expect(result.rig.density).toBe(10);
    const drawing = core.drawingOf(result.rig);
    expect(drawing.keeper).toHaveLength(1);
    expect(drawing.guard?.strands).toHaveLength(1);
    expect(drawing.edges.side.some(({ path }) => path.length === 2)).toBe(true);
    const reaching = (reach: number): Design => ({
      ...design,
      keeper: Object.assign({}, design.keeper, { reach }),
    });
    const longer = reaching(9);
    expect(core.describeChange(design, longer)).toBe('Spike reach: ⟦5|size⟧ → ⟦9|size⟧');
    const refused = core.checkDesign(reaching(11.5));
    expect(refused.map(({ path }) => path)).toContain('/keeper/reach');
    const options = { shrink: 0, arrangement: 'third', units: 'metric' } as const;
    const made = await exports.exportDesign(design, 'probe' as never, core.PLAIN_WATER, options);
    expect(made).toEqual({ ok: true, data: 'PROBE' });
    const csv = await exports.exportDesign(design, 'csv', core.PLAIN_WATER, options);
    expect(csv.ok && String(csv.data)).toContain('probe.depth (mm)');
  });

  it('cuts a mould by its own outline', async () => {
    const cut = {
      cutter: 'probe' as never,
      diameter: 4,
      side: 'left' as const,
      at: { x: 0, z: 0 },
      depth: 2,
    };
    const solid = cutters.cutterSolid(await core.loadSolids(), cut);
    // π/4 · 4² · 2
    expect(solid.volume()).toBeCloseTo(8 * Math.PI, 6);
    solid.delete();
  });

  it('a plastic is put on by a method, and a hook hung on a joint', () => {
    const plastic = {
      format: 'fern-anvil/plastic',
      version: 1,
      name: 'P',
      kind: 'probe',
      length: 80,
      breadth: 8,
      height: 8,
      density: 1,
      toughness: 'soft',
    } as unknown as Plastic;
    const rigged = core.evaluate(probed(), core.PLAIN_WATER, { plastic, method: 'probe' as never });
    if (!rigged.ok) throw new Error(rigged.problems[0]?.message);
    expect(rigged.readings['rig.exitAt']?.value).toBe(7);
    const hinged = {
      ...probed(),
      hook: { size: '4/0', grade: 'standard', joint: { kind: 'probe', size: 4 } },
      keeper: core.keeperInitial('none'),
      guard: core.guardInitial('none'),
    } as unknown as Design;
    const swung = core.evaluate(hinged);
    if (!swung.ok) throw new Error(swung.problems[0]?.message);
    expect(swung.rig.hook.hinge?.link?.turns).toBe(3);
  });

  it('a question is asked in every brief, and may be said to decide', () => {
    const brief = {
      ...core.SITUATIONS[0]?.brief,
      decisive: { probe: true },
    } as unknown as Brief;
    const result = core.evaluate(probed());
    if (!result.ok) throw new Error(result.problems[0]?.message);
    const matching = core.matchingFor(brief, core.REFERENCE_RULES);
    const { answers } = core.matchKept(matching, result.design, core.valuesOf(result.readings));
    expect(answers.all.find(({ question }) => String(question.key) === 'probe')).toMatchObject({
      mark: 'yes',
      isDecisive: true,
    });
  });

  it('an unknown kind is refused, never taken for another', () => {
    for (const ask of [
      core.keeperOf,
      core.guardOf,
      core.jointOf,
      core.methodOf,
      core.plasticKindOf,
      core.styleShape,
    ])
      expect(() => ask('no such kind')).toThrow(/is not one of/);
    for (const key of ['toString', '__proto__', 'constructor'])
      expect(() => core.keeperOf(key)).toThrow(/is not one of/);
  });
});
