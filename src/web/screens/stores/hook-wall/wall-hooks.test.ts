import { describe, expect, it } from 'vitest';
import type { Kept } from '../../../../contract/api.ts';
import type { HookDocument } from '../../../../core/document/index.ts';
import { HOOK_CHART } from '../../../../core/hook/index.ts';
import type { WallFilter } from './wall-hooks.ts';
import { boxOf, hooksOf, hooksOnWall } from './wall-hooks.ts';

const own = (id: string, gap: number, style: HookDocument['style'] = 'round bend'): Kept<HookDocument> => ({
  id,
  version: 1,
  updatedAt: '2026-11-30T00:00:00Z',
  document: {
    format: 'fern-anvil/hook',
    version: 1,
    name: `Own ${id}`,
    size: '3/0',
    style,
    gap,
    shank: 30,
    wire: 1,
  },
});
const HOOKS = [own('b', 14), own('a', 12), own('w', 13, 'wide gap')];
const ALL: WallFilter = { find: '', of: 'all', style: '', grade: 'standard' };
const names = (filter: Partial<WallFilter>) =>
  hooksOnWall(HOOKS, { ...ALL, ...filter }).map(({ name }) => name);

describe('the wall of hooks', () => {
  it('hangs the shop’s own first, each group from small to large', () => {
    expect(names({})).toEqual(['Own a', 'Own w', 'Own b', ...HOOK_CHART.map(({ size }) => size)]);
    expect(names({ of: 'own' })).toHaveLength(3);
    expect(names({ of: 'chart' })).toHaveLength(HOOK_CHART.length);
  });

  it('is narrowed to a style, a wire and a name', () => {
    expect(names({ style: 'wide gap', of: 'own' })).toEqual(['Own w']);
    expect(names({ style: 'wide gap', grade: '2X strong', of: 'chart' })[7]).toBe('3/0 wide gap 2X strong');
    expect(names({ find: 'own B' })).toEqual(['Own b']);
    expect(names({ find: '3/0' })).toEqual(['3/0']);
  });

  it('makes a design’s hook what is picked: of the chart by size, style and wire, of the shop as measured', () => {
    const [first] = hooksOnWall(HOOKS, { ...ALL, of: 'own' });
    expect(first?.spec).toEqual({
      size: '3/0',
      style: 'round bend',
      grade: 'standard',
      measured: { gap: 12, shank: 30, wire: 1, name: 'Own a' },
    });
    const charted = hooksOnWall([], { ...ALL, style: 'wide gap', grade: '1X fine', find: '2/0' })[0];
    expect(charted?.spec).toEqual({ size: '2/0', style: 'wide gap', grade: '1X fine', measured: undefined });
  });

  it('finds hooks again by their ids, in that order, and leaves out what is gone or never was', () => {
    const ids = hooksOnWall(HOOKS, ALL).map(({ id }) => id);
    expect(hooksOf(HOOKS, [...ids].reverse()).map(({ id }) => id)).toEqual([...ids].reverse());
    expect(
      hooksOf(HOOKS, ['gone', '12/0~round bend~standard', '3/0~square~standard', '3/0~round bend~thick', '']),
    ).toEqual([]);
  });

  it('has room for the largest of all that hang', () => {
    const hooks = hooksOnWall(HOOKS, ALL).map(({ picture }) => picture);
    const [low, high] = boxOf(hooks);
    expect(Math.max(...hooks.map(({ box }) => box[1][0]))).toBe(high[0]);
    expect(Math.min(...hooks.map(({ box }) => box[0][1]))).toBe(low[1]);
    expect(boxOf([])).toEqual([
      [0, 0],
      [0, 0],
    ]);
  });
});
