import { describe, expect, it } from 'vitest';
import { formatForEditing, formatQuantity, isUsualFraction } from './format.ts';
import { hookRank } from './hook-size.ts';
import { parseNumber, parseQuantity } from './parse.ts';
import { unitSpelled } from './units.ts';

describe('a plain number', () => {
  it.each([
    ['1,5', 1.5],
    ['12,25', 12.25],
    ['-2,5', -2.5],
    [',5', 0.5],
    // Three figures after a comma could be thousands; four cannot.
    ['1,000', undefined],
    ['-12,000', undefined],
    ['+1,000', undefined],
    ['1,0005', 1.0005],
    ['a1,000', undefined],
    ['1,5,0', undefined],
    ['1,5x', undefined],
    ['x1,5', undefined],
    ['1.5', 1.5],
    ['1.', 1],
    ['1e3', 1000],
    ['1e999', undefined],
    ['3/0', undefined],
    ['+1/2', 0.5],
    ['-1 1/2', -1.5],
    ['−½', -0.5],
    ['', undefined],
    ['--1', undefined],
  ])('%s', (text, value) => {
    expect(parseNumber(text)).toBe(value);
  });
});

describe('feet and inches', () => {
  it.each([
    [`7'6"`, 2286],
    [`7'6`, 2286],
    [`10' 6"`, 3200.4],
    [`7 ft 6 in`, 2286],
    [`7 FT 10.5 IN`, 2400.3],
    [`7’6”`, 2286],
    [`7′6″`, 2286],
    [`1 ft 1/2 in`, 317.5],
  ])('%s', (text, mm) => {
    const parsed = parseQuantity(text, 'size', 'metric');
    expect(parsed.ok && parsed.value).toBeCloseTo(mm, 9);
  });
  it.each([`7'6"x`, `x7'6"`, `'6"`])('not %s', (text) => {
    expect(parseQuantity(text, 'size', 'metric').ok).toBe(false);
  });
  it('only of lengths', () => {
    expect(parseQuantity(`7'6"`, 'mass', 'metric').ok).toBe(false);
  });
});

describe('what cannot be read is answered with what can', () => {
  const said = (text: string, kind: Parameters<typeof parseQuantity>[1]) => {
    const parsed = parseQuantity(text, kind, 'metric');
    return parsed.ok ? '' : parsed.message;
  };
  it.each([
    ['5 furlongs', 'depth', /not a unit for this\. Use (m|ft).*, for example/],
    ['5 kg', 'count', /not a unit for this\. Type the number alone, for example/],
    ['1,000 g', 'mass', /one or a thousand/],
    [' 12,000 mm', 'size', /one or a thousand/],
    ['x1,000', 'mass', /not a number/],
    ['1,0000', 'mass', /^$/],
    ['', 'mass', /Type a value/],
    ['9'.repeat(61), 'mass', /too long/],
  ] as const)('%s as %s', (text, kind, message) => {
    expect(said(text, kind)).toMatch(message);
  });
  it('takes a unit with spaces and one stop behind it, and none with a stop within', () => {
    expect(unitSpelled('mass', ' Oz. ')?.label).toBe('oz');
    expect(unitSpelled('mass', 'o.z')).toBeUndefined();
  });
});

describe('hook sizes', () => {
  it.each([
    ['#8', -8],
    ['12', -12],
    ['no. 4', -4],
    ['No4', -4],
    ['size 10', -10],
    [' 2 ', -2],
    ['1/0', 0],
    [' 10/0 ', 9],
    ['#0', undefined],
    ['0', undefined],
    ['0/0', undefined],
    ['123', undefined],
    ['#', undefined],
    ['x2', undefined],
    ['2x', undefined],
  ])('%s', (text, rank) => {
    expect(hookRank(text)).toBe(rank);
  });
});

describe('weights near a packet’s fraction', () => {
  it('are shown as it up to four thousandths off, and in grams beyond', () => {
    const half = 14.1747615625;
    expect(isUsualFraction(half * 1.00399)).toBe(true);
    expect(isUsualFraction(half * 0.9961)).toBe(true);
    expect(isUsualFraction(half * 1.0041)).toBe(false);
    expect(isUsualFraction(0)).toBe(false);
    expect(isUsualFraction(-half)).toBe(false);
    expect(formatQuantity(half * 1.0041, 'mass', 'imperial')).toBe('14.2 g');
    expect(formatQuantity(0, 'mass', 'imperial')).toBe('0.00 g');
    // Editing begins with the fraction only where it is the very weight.
    expect(formatForEditing(half, 'mass', 'imperial')).toBe('1/2');
    expect(formatForEditing(half * 1.001, 'mass', 'imperial')).toBe('0.5005');
    expect(formatForEditing(0, 'mass', 'imperial')).toBe('0');
    expect(formatForEditing(half, 'mass', 'metric')).toBe('14.1747615625');
  });
});

describe('a number by what its reader writes before decimals', () => {
  const metric = (text: string, mark: '.' | ',') => parseQuantity(text, 'size', 'metric', undefined, mark);
  it('one comma is a decimal comma to whoever writes one, and one point could mean either', () => {
    for (const [text, value] of [
      ['9,125', 9.125],
      ['0,5', 0.5],
      ['12,5 mm', 12.5],
      ['1.000,5', 1000.5],
      ['2.5', 2.5],
      ['0.125', 0.125],
    ] as const)
      expect(metric(text, ','), text).toMatchObject({ ok: true, value });
    const asked = metric('9.125', ',');
    expect(asked).toMatchObject({ ok: false });
    expect(asked.ok ? '' : asked.message).toContain('could mean one or a thousand. Leave the point out');
  });
  it('and the other way round', () => {
    expect(metric('9.125', '.')).toMatchObject({ ok: true, value: 9.125 });
    const asked = metric('9,125', '.');
    expect(asked.ok ? '' : asked.message).toContain('Leave the comma out');
  });
  it('what a field shows is read back as it was, by either mark', () => {
    for (const stored of [0.125, 1.234, 9.125, 10.4, 123.456, 0.001]) {
      const shown = String(stored);
      expect(metric(shown, '.')).toMatchObject({ ok: true, value: stored });
      expect(metric(shown.replace('.', ','), ',')).toMatchObject({ ok: true, value: stored });
    }
  });
});

describe('at the edges of what is read', () => {
  const read = (text: string, kind: 'share' | 'mass' | 'size' = 'mass') =>
    parseQuantity(text, kind, 'metric');

  it('sixty characters are a value, sixty-one are not, blanks at the ends not counted', () => {
    const number = `${'0'.repeat(58)}12`;
    expect(read(number)).toMatchObject({ ok: true, value: 12 });
    expect(read(`  ${number}  `)).toMatchObject({ ok: true, value: 12 });
    expect(read(`0${number}`)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/too long/) as string,
    });
  });

  it('a per cent between nothing and one says how it was read, the ends themselves do not', () => {
    expect(read('0.4', 'share')).toMatchObject({ ok: true, value: 0.004, said: 'Read as 0.4 %, not 40 %.' });
    for (const [text, value] of [
      ['0', 0],
      ['1', 0.01],
      ['-0.4', -0.004],
      ['40', 0.4],
    ] as const) {
      const found = read(text, 'share');
      expect(found.ok && found.value).toBeCloseTo(value, 12);
      expect(found.ok && found.said).toBeUndefined();
    }
  });

  it('what stands before or behind a number and is no unit of it is refused', () => {
    for (const text of ['about 3 g', '3 g or so', '3,5,6', '1/2/3', '3 g 4'])
      expect(read(text).ok, text).toBe(false);
  });
});

describe('hook sizes at the edges', () => {
  it('are read with blanks and a leading zero, and nothing before or behind them', () => {
    for (const text of ['4/0', ' 4/0 ', '4 / 0', '04/0', '4 /0'])
      expect(hookRank(text), text).toBe(hookRank('4/0'));
    for (const text of ['x4/0', '4/0x', '4x/0', '4/x0', '4//0', '144/0'])
      expect(hookRank(text), text).not.toBe(hookRank('4/0'));
  });
});
