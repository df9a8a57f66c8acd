import { describe, expect, it } from 'vitest';
import { inParts } from './in-parts.ts';

describe('a job in parts', () => {
  it('tells of each part, and brings all of them in their order', async () => {
    const told: (readonly [number, number])[] = [];
    const made = await inParts(
      [3, 1, 2],
      (n) => n * n,
      (done, of) => told.push([done, of]) > 0,
    );
    expect(made).toEqual([9, 1, 4]);
    expect(told).toEqual([
      [1, 3],
      [2, 3],
      [3, 3],
    ]);
    expect(
      await inParts(
        [],
        (n: number) => n,
        () => true,
      ),
    ).toEqual([]);
  });

  it('ends with what there is once whoever asked has enough, and works on nothing more', async () => {
    const worked: number[] = [];
    const work = (n: number) => {
      worked.push(n);
      return n;
    };
    // The word comes by another road, while a part is under way.
    let isEnough = false;
    setTimeout(() => (isEnough = true), 5);
    const slow = () => new Promise<boolean>((resolve) => setTimeout(() => resolve(!isEnough), 4));
    const made = await inParts(
      Array.from({ length: 50 }, (_, i) => i),
      work,
      slow,
    );
    expect(made).toEqual(worked);
    expect(made.length).toBeGreaterThan(0);
    expect(made.length).toBeLessThan(50);
  });

  it('fails as its part does', async () => {
    const broken = inParts(
      [1, 2],
      (n) => {
        if (n === 2) throw new Error('two');
        return n;
      },
      () => true,
    );
    await expect(broken).rejects.toThrow('two');
  });
});
