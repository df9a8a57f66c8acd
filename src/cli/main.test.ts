import { MADE_BY } from '../contract/version.ts';
import type { Reading } from '../core/behaviour/index.ts';
import type { Fit } from '../core/judge/index.ts';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Papa from 'papaparse';
import type { Operation } from 'rfc6902';
import { applyPatch } from 'rfc6902';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { massProperties, openEdges } from '../core/head/mesh.ts';
import { starterDesign } from '../core/document/index.ts';
import { evaluate } from '../core/judge/index.ts';
import { SITUATIONS } from '../core/match/index.ts';
import { usualPlastic } from '../core/plastic/index.ts';
import { football } from '../core/head/families/football.ts';
import { readStl } from '../core/exchange/stl.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import { runProgram } from './program.ts';
import { checkDesignDocument } from '../contract/collections/designs.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'fern-anvil-cli-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Ended {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** The terminal as a person runs it: the program as built, in a process of its own. */
function started(args: readonly string[], input = ''): Ended {
  // scripts/anvil.mjs looks whether it is of these sources and then runs this.
  const { status, stdout, stderr } = spawnSync(process.execPath, ['dist/node/anvil.js', ...args], {
    cwd: root,
    encoding: 'utf8',
    input,
  });
  return { code: status, out: stdout, err: stderr };
}

/** The same program within this process, which loads and warms up the computation only once. */
async function anvil(args: readonly string[]): Promise<Ended> {
  let [out, err] = ['', ''];
  const print = (text: unknown) => {
    out += String(text);
    return true;
  };
  const spies = [
    vi.spyOn(process.stdout, 'write').mockImplementation(print),
    vi.spyOn(console, 'log').mockImplementation((text: unknown) => void print(`${String(text)}\n`)),
    vi.spyOn(console, 'error').mockImplementation((text: unknown) => void (err += `${String(text)}\n`)),
  ];
  try {
    return { code: await runProgram(args), out, err };
  } finally {
    for (const spy of spies) spy.mockRestore();
  }
}
function file(name: string, value: unknown): string {
  const path = join(folder, name);
  writeFileSync(path, typeof value === 'string' ? value : JSON.stringify(value));
  return path;
}
type Printed = {
  name: string;
  readings: Record<string, Reading>;
  match?: { answers: { question: string; grade: string; decisive: boolean; grounds: { rule?: string }[] }[] };
};

it('says which version it is', () => {
  expect(started(['--version'])).toEqual({ code: 0, out: `${MADE_BY}\n`, err: '' });
});

describe('an answer as a table', () => {
  const wedge = sampleDesign('wedge', { hook: { size: '3/0' } });
  const one = () => file('one.json', wedge);

  it('has a reading a line, in columns or as CSV that a spreadsheet reads, the same figures as the JSON', async () => {
    const { readings } = JSON.parse((await anvil(['evaluate', one()])).out) as Printed;
    const csv = await anvil(['evaluate', one(), '--format', 'csv']);
    expect(csv.code).toBe(0);
    const { data, meta } = Papa.parse<Record<string, string>>(csv.out.trim(), { header: true });
    expect(meta.fields).toEqual(['reading', 'name', 'value', 'unit', 'least', 'most', 'kind']);
    expect(data.map(({ reading }) => reading)).toEqual(Object.keys(readings));
    for (const { reading = '', value } of data) expect(Number(value)).toBe(readings[reading]?.value);
    const table = (await anvil(['evaluate', one(), '--format', 'table'])).out.trimEnd().split('\n');
    expect(table).toHaveLength(data.length + 1);
    // Every column begins at one place: a figure ends where its heading does.
    const end = (table[0] ?? '').indexOf('value') + 'value'.length;
    for (const line of table) expect(line.slice(end, end + 2).trim()).toBe('');
  });

  it('has a head a line in its place, with the marks of the questions that are asked', async () => {
    const [brief, designs] = [
      file('brief.json', SITUATIONS[0]?.brief),
      file('two.json', [wedge, sampleDesign('football')]),
    ];
    const rows = JSON.parse((await anvil(['match', brief, designs])).out) as {
      place: number;
      name: string;
      answers: { question: string; grade: string }[];
    }[];
    const { data } = Papa.parse<Record<string, string>>(
      (await anvil(['match', brief, designs, '--format', 'csv'])).out.trim(),
      { header: true },
    );
    expect(data.map(({ place, head }) => [Number(place), head])).toEqual(
      rows.map(({ place, name }) => [place, name]),
    );
    for (const [i, { answers }] of rows.entries())
      for (const { question, grade } of answers)
        expect(data[i]?.[question]).toBe(grade === 'unsaid' ? '' : grade);
    expect((await anvil(['match', brief, designs, '--format', 'table'])).out).toMatch(/^place +head +shape/);
  });

  it('of another kind is refused, and a file goes to standard output where - stands for it', async () => {
    expect((await anvil(['evaluate', one(), '--format', 'xml'])).code).toBe(2);
    const out = await anvil(['export', one(), '--format', 'json', '--out', '-']);
    expect(out.code).toBe(0);
    expect(JSON.parse(out.out)).toEqual(wedge);
  });
});

describe('a plastic on the head', () => {
  const design = sampleDesign('wedge', { hook: { size: '3/0' } });
  const stick = usualPlastic('stick', 5);

  it('is judged point by point, with steps and fixes as data', async () => {
    const { code, out } = await anvil([
      'evaluate',
      file('rig.json', design),
      '--plastic',
      file('stick.json', stick),
      '--method',
      'screwed',
    ]);
    expect(code).toBe(0);
    expect(out).not.toMatch(/null|NaN|⟦/);
    const { fit } = JSON.parse(out) as { fit: Fit };
    expect(fit.verdict).toBe('bad');
    expect(fit.obstacle?.text).toMatch(/no screw/);
    expect(fit.obstacle?.remedies[0]).toMatchObject({
      of: 'design',
      path: '/keeper',
      value: { kind: 'screw' },
    });
    expect(fit.checks.map(({ id }) => id)).toContain('rig.exit');
    expect(fit.steps.length).toBeGreaterThan(3);
  });

  it('writes a rigging card, and refuses what it cannot write in a sentence', async () => {
    const out = join(folder, 'card.pdf');
    const asked = ['card', file('rig.json', design), '--plastic', file('stick.json', stick), '--out', out];
    expect((await anvil(asked)).code).toBe(0);
    expect(readFileSync(out).subarray(0, 5).toString()).toBe('%PDF-');
    const glued = await anvil([...asked, '--method', 'glued']);
    expect([glued.code, glued.err]).toEqual([
      2,
      expect.stringMatching(/--method: “glued” is not known/) as string,
    ]);
    const nowhere = await anvil([...asked.slice(0, -1), '/nowhere/card.pdf']);
    expect([nowhere.code, nowhere.err]).toEqual([2, expect.stringMatching(/cannot be written/) as string]);
  });
});

describe('evaluate', () => {
  const design = sampleDesign('pointed');

  it('prints the core’s own readings of one design', async () => {
    const { code, out } = await anvil(['evaluate', file('one.json', design)]);
    expect(code).toBe(0);
    const printed = JSON.parse(out) as Printed;
    const result = evaluate(design);
    expect(printed.readings).toEqual(result.ok ? JSON.parse(JSON.stringify(result.readings)) : undefined);
    for (const id of [
      'head.castVolume',
      'head.length',
      'head.breadth',
      'head.height',
      'mass.metal',
      'mass.total',
      'mass.submerged',
      'hook.gap',
      'hook.biteAboveEye',
      'fall.speed',
      'hang.attitude',
    ]) {
      expect(printed.readings, id).toHaveProperty([id, 'value']);
    }
    expect(printed.readings['fall.speed']).toMatchObject({
      unit: 'm/s',
      kind: 'model',
      range: [expect.any(Number), expect.any(Number)],
    });
  });

  it('takes an array from standard input, a water and a temperature', () => {
    const text = JSON.stringify([design, sampleDesign('ball')]);
    const fresh = JSON.parse(started(['evaluate', '-'], text).out) as Printed[];
    const sea = JSON.parse(
      started(['evaluate', '-', '--water', 'sea', '--temp', '5'], text).out,
    ) as Printed[];
    expect(fresh.length).toBe(2);
    const weight = (printed: Printed | undefined) => printed?.readings['mass.submerged']?.value ?? NaN;
    expect(weight(sea[0])).toBeLessThan(weight(fresh[0]));
  });

  it('speaks to a brief with reasons', async () => {
    const [first] = JSON.parse(readFileSync(join(root, 'demo/briefs.json'), 'utf8')) as {
      document: unknown;
    }[];
    const { out } = await anvil([
      'evaluate',
      file('two.json', sampleDesign('football')),
      '--brief',
      file('brief.json', first?.document),
    ]);
    const answers = (JSON.parse(out) as Printed).match?.answers ?? [];
    const cracks = answers.find(({ question }) => question === 'cracks');
    expect(cracks).toMatchObject({ grade: 'yes', decisive: true });
    expect(cracks?.grounds.map(({ rule }) => rule)).toContain('cracks-football');
  });

  it.each([
    [
      'letters in a number',
      () => ({ ...design, eye: { ...design.eye, angle: 'steep' } }),
      /\/eye\/angle: .*must be a number/,
    ],
    [
      'a hook that is not in the chart',
      () => ({ ...design, hook: { ...design.hook, size: '9/0' } }),
      /\/hook\/size: .*not in the chart/,
    ],
    [
      'a head that cannot be',
      () => sampleDesign('ball', { head: { dimensions: { breadth: 999 } } }),
      /\/head\/dimensions\/breadth: Breadth: 999\.0 mm is outside/,
    ],
    ['broken JSON', () => '{"format":', /is not JSON/],
  ])('%s ends with code 2 and the field on standard error', async (_, make, message) => {
    const { code, out, err } = await anvil(['evaluate', file('bad.json', make())]);
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err).toMatch(message);
    expect(err).not.toMatch(/\n\s+at /);
  });

  it.each([
    [['evaluate', '/nowhere.json'], /cannot be read/],
    [['evaluate'], /missing required argument 'FILE'/],
    [['forge', 'x'], /unknown command/],
    [['evaluate', '-', '--water', 'beer'], /--water/],
    [['evaluate', '-', '--temp', 'warm'], /--temp/],
    [['evaluate', '-', '--colour'], /--colour/],
  ] as const)('%j ends with code 2 and says why', (args, message) => {
    const { code, err } = started(args, '{}');
    expect(code).toBe(2);
    expect(err).toMatch(message);
  });
});

describe('match', () => {
  const old = {
    format: 'fern-anvil/brief',
    version: 1,
    name: 'Old rock',
    water: { kind: 'fresh', temperature: 16, depth: 6, current: 0, clarity: 'clear' },
    bottom: { kind: 'broken rock', slope: 10 },
    cover: 'none',
    retrieve: 'drag',
    line: { material: 'fluorocarbon', test: 6.8 },
    bait: { kind: 'paddle-tail', length: 102 },
    mood: 'willing',
  };
  interface Row {
    place: number | null;
    name: string;
    method?: string;
    plastic?: string;
    answers?: {
      question: string;
      grade: string;
      decisive: boolean;
      grounds: { side: string; text: string }[];
    }[];
    change?: { question: string; says: string; patch?: Operation[] } | null;
  }
  const weighed = (family: string, name: string) => ({
    ...sampleDesign(family, {
      head: { target: { grams: 14.2, of: 'metal' } },
      hook: { size: '4/0' },
      eye: { angle: 60, plane: 'crosswise' },
    }),
    name,
  });

  it('prints the order for a brief of version 1, with ties, answers, grounds and the smallest change', async () => {
    const heads = [
      weighed('pointed', 'Cone'),
      weighed('football', 'Oval'),
      weighed('football', 'Twin'),
      sampleDesign('ball', { hook: { size: '9/0' } }),
    ];
    const { code, out } = await anvil(['match', file('old.json', old), file('heads.json', heads)]);
    expect(code).toBe(0);
    const rows = JSON.parse(out) as Row[];
    expect(rows.map(({ name, place }) => [name, place])).toEqual([
      ['Oval', 1],
      ['Twin', 1],
      ['Cone', 3],
      ['Sample', null],
    ]);
    const [oval, , cone] = rows;
    expect(oval?.method).toBe('threaded');
    expect(oval?.plastic).toMatch(/paddle-tail/);
    const cracks = cone?.answers?.find(({ question }) => question === 'cracks');
    expect(cracks).toMatchObject({ grade: 'no', decisive: true });
    expect(cracks?.grounds[0]?.text).not.toContain('⟦');
    expect(cone?.change?.question).toBe('cracks');
    // The change is printed as a patch: applied as it stands it gives the document that stands so.
    const patched = JSON.parse(JSON.stringify(heads[0])) as object;
    expect(applyPatch(patched, cone?.change?.patch ?? []).filter((error) => error !== null)).toEqual([]);
    expect(checkDesignDocument(patched)).toMatchObject({ ok: true });
    expect(patched).not.toEqual(heads[0]);
  });

  it('takes plastics and rules of one’s own, and refuses what cannot be read with its place', async () => {
    const heads = file('one-head.json', weighed('football', 'Oval'));
    const brief = file('old.json', old);
    const plastic = {
      format: 'fern-anvil/plastic',
      version: 1,
      name: 'Own Paddle',
      kind: 'paddle-tail',
      length: 100,
      breadth: 11,
      height: 13,
      density: 1.05,
      toughness: 'standard',
    };
    const rule = {
      id: 'never-here',
      question: 'moves',
      when: [{ fact: 'shape', in: ['football'] }],
      grade: 'never',
      strength: 1,
      says: 'Not in this shop, for once.',
      kind: 'practice',
      source: 'a test',
    };
    const rules = { format: 'fern-anvil/rules', version: 2, rules: [rule] };
    const { out } = await anvil([
      'match',
      brief,
      heads,
      '--plastics',
      file('p.json', [plastic]),
      '--rules',
      file('r.json', rules),
    ]);
    const [row] = JSON.parse(out) as Row[];
    expect(row?.plastic).toBe('Own Paddle');
    expect(row?.answers?.find(({ question }) => question === 'moves')).toMatchObject({ grade: 'no' });
    const wrong = await anvil([
      'match',
      brief,
      heads,
      '--rules',
      file('w.json', { ...rules, rules: [{ ...rule, when: [{ fact: 'moon', in: ['full'] }] }] }),
    ]);
    expect(wrong).toMatchObject({
      code: 2,
      out: '',
      err: expect.stringMatching(/\/rules\/0\/when\/0\/fact: .*moon/),
    });
    expect(await anvil(['match', file('b.json', { ...old, cover: 'kelp' }), heads])).toMatchObject({
      code: 2,
      err: expect.stringMatching(/\/cover/),
    });
  });
});

describe('export', () => {
  it('writes the closed solid with the cast volume', async () => {
    const design = sampleDesign('ball');
    const out = join(folder, 'head.stl');
    const { code } = await anvil(['export', file('three.json', design), '--format', 'stl', '--out', out]);
    expect(code).toBe(0);
    const mesh = readStl(new Uint8Array(readFileSync(out)));
    const result = evaluate(design);
    const expected = result.ok ? (result.readings['head.castVolume']?.value ?? NaN) : NaN;
    expect(openEdges(mesh)).toBe(0);
    expect(Math.abs(massProperties(mesh).volume / expected - 1)).toBeLessThan(1e-3);
  });

  it('refuses another format, several designs and a place that cannot be written', async () => {
    const one = file('four.json', sampleDesign('ball'));
    expect(await anvil(['export', one, '--format', 'obj', '--out', 'x'])).toMatchObject({
      code: 2,
      err: expect.stringMatching(/--format/),
    });
    expect(await anvil(['export', one])).toMatchObject({ code: 2, err: expect.stringMatching(/--out/) });
    expect(await anvil(['export', one, '--out', '/nowhere/at/all.stl'])).toMatchObject({
      code: 2,
      err: expect.stringMatching(/cannot be written/),
    });
    const many = file('five.json', [sampleDesign('ball')]);
    expect(await anvil(['export', many, '--out', join(folder, 'x.stl')])).toMatchObject({
      code: 2,
      err: expect.stringMatching(/several designs/),
    });
  });
});

describe('options', () => {
  const path = () => file('sound.json', sampleDesign('ball'));

  it.each([
    [['--water', 'toString'], '--water'],
    [['--water', '__proto__'], '--water'],
    [['--temp', 'warm'], '--temp'],
    [['--temp', '-2'], '--temp'],
    [['--depth', '1e400'], '--depth'],
    [['--nonsense'], '--nonsense'],
    [['more'], 'too many'],
  ] as const)('%j are refused with code 2 and a sentence', async (args, named) => {
    const { code, out, err } = await anvil(['evaluate', path(), ...args]);
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err).toContain(named);
    expect(err).not.toMatch(/\n\s+at /);
  });

  it('may be negative numbers', async () => {
    const { code, out } = await anvil(['evaluate', path(), '--water', 'sea', '--temp', '-1']);
    expect(code).toBe(0);
    expect((JSON.parse(out) as { surroundings: { temperature: number } }).surroundings.temperature).toBe(-1);
  });

  it.each([
    [['--format', 'toString'], '--format'],
    [['--format', 'svg', '--shrink', '3'], '--shrink'],
    [['--angle', 'constructor'], '--angle'],
    [['--units', '__proto__'], '--units'],
  ] as const)('of an export, %j, are refused with code 2 and a sentence', async (args, named) => {
    const { code, err } = await anvil(['export', path(), '--out', join(folder, 'never'), ...args]);
    expect(code).toBe(2);
    expect(err).toContain(named);
    expect(err).not.toMatch(/\n\s+at /);
  });

  it('of a list without designs are told, not answered with nothing', async () => {
    const { code, err } = await anvil(['evaluate', file('none.json', [])]);
    expect(code).toBe(2);
    expect(err).toContain('no design');
  });
});

describe('a mould', () => {
  const path = () => file('to-mould.json', starterDesign(football, 'To mould'));
  it('goes out as closed halves and volumes that add up, of a design alone too', async () => {
    const out = join(folder, 'half.stl');
    expect(await anvil(['mould', path(), '--file', 'right.stl', '--out', out])).toMatchObject({ code: 0 });
    expect(openEdges(readStl(new Uint8Array(readFileSync(out))))).toBe(0);
    const told = join(folder, 'volumes.json');
    expect(
      (await anvil(['mould', path(), '--file', 'volumes.json', '--shrink', '2', '--out', told])).code,
    ).toBe(0);
    const volumes = JSON.parse(readFileSync(told, 'utf8')) as Record<string, number>;
    const parts = ['left', 'right', 'heads', 'channels', 'sprues', 'vents', 'sockets'];
    expect(parts.reduce((sum, key) => sum + (volumes[key] ?? 0), 0) / (volumes['block'] ?? 1)).toBeCloseTo(
      1,
      6,
    );
  });
  it.each([
    [['--file', 'toString'], '--file'],
    [['--shrink', '-1'], '--shrink'],
    [['--making', 'bake'], '--making'],
  ] as const)('%j is refused with code 2 and a sentence', async (args, name) => {
    const { code, err } = await anvil(['mould', path(), '--out', join(folder, 'never'), ...args]);
    expect(code).toBe(2);
    expect(err).toContain(name);
    expect(err).not.toMatch(/\n\s+at /);
  });
});

describe('backup and verify', () => {
  it('write a shop’s backup from its folder and read it whole; what is no backup is told', async () => {
    const { openDatabase } = await import('../server/database.ts');
    const data = join(folder, 'shop');
    const { close } = await openDatabase(data);
    await close();
    const out = join(folder, 'shop.fern-backup.gz');
    const made = started(['backup', '--data', data, '--out', out]);
    expect([made.err, made.code]).toEqual(['', 0]);
    expect(made.out).toMatch(/a whole backup of 20\d\d-.*, \d+ rows; every document fits/);
    const cut = file('cut.gz', '');
    writeFileSync(cut, readFileSync(out).subarray(0, -40));
    const told = started(['verify', cut]);
    expect([told.code, told.err]).toEqual([
      2,
      expect.stringMatching(/cut\.gz: .*cannot be read as a backup/) as string,
    ]);
    const away = started(['backup', '--server', 'http://127.0.0.1:9', '--out', out]);
    expect([away.code, away.err]).toEqual([2, expect.stringMatching(/--server: nothing answers/) as string]);
    // What was there before is not lost by that.
    expect(started(['verify', out]).code).toBe(0);
  });
});
