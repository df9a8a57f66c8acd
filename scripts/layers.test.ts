import { existsSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { ESLint } from 'eslint';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));

describe('layers only look down', () => {
  const eslint = new ESLint({ cwd: root });
  const complaints = async (file: string, code: string) => {
    const [result] = await eslint.lintText(code, { filePath: `${root}/${file}` });
    return (result?.messages ?? []).filter(({ ruleId }) => ruleId === 'no-restricted-imports').length;
  };

  it.each([
    ['src/core/probe.ts', '../web/parts/keys.ts'],
    ['src/core/probe.ts', '../contract/api.ts'],
    ['src/core/head/probe.ts', 'react'],
    ['src/core/head/probe.ts', 'node:fs'],
    ['src/contract/probe.ts', '../server/app.ts'],
    ['src/server/probe.ts', '../web/router.tsx'],
    ['src/web/data/probe.ts', '../../server/app.ts'],
    ['src/cli/probe.ts', '../server/app.ts'],
    ['src/core/head/probe.ts', '../assembly/rig.ts'],
    ['src/core/head/families/probe.ts', '../../document/design.ts'],
    ['src/core/behaviour/probe.ts', '../document/design.ts'],
    ['src/core/assembly/probe.ts', '../judge/evaluate.ts'],
    ['src/core/plate/probe.ts', '../judge/evaluate.ts'],
    ['src/core/numeric/probe.ts', '../quantity/units.ts'],
    ['src/core/match/probe.ts', '../judge/index.ts'],
    ['src/core/match/engine/probe.ts', '../practice/uses.ts'],
  ])('%s may not import %s', async (file, target) => {
    expect(await complaints(file, `import '${target}';\n`)).toBe(1);
  });

  it.each([
    ['src/core/head/probe.ts', '../numeric/vec.ts'],
    ['src/contract/probe.ts', '../core/index.ts'],
    ['src/server/probe.ts', '../contract/api.ts'],
    ['src/web/data/probe.ts', '../../core/index.ts'],
    ['src/core/behaviour/probe.ts', '../assembly/rig.ts'],
    ['src/core/document/probe.ts', '../fitting/guards/index.ts'],
  ])('%s may import %s', async (file, target) => {
    expect(await complaints(file, `import '${target}';\n`)).toBe(0);
  });
});

it('the core is rooms alone, each with a door that somebody uses', () => {
  const entries = readdirSync(`${root}/src/core`, { withFileTypes: true });
  expect(entries.filter((entry) => entry.isFile())).toEqual([]);
  const rooms = entries.map(({ name }) => name).filter((name) => name !== 'test-kit');
  expect(rooms.filter((room) => !existsSync(`${root}/src/core/${room}/index.ts`))).toEqual([]);
});
