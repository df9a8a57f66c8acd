import { expect, it } from 'vitest';
import { inUnits, marked, usualQuantity, withUsual } from './phrase.ts';

// Conversions by the definitions of foot, inch and pound (0.3048 m, 25.4 mm, 0.45359237 kg), rounded by hand.
it.each([
  ['10 ft', '10 ft', '3 m'],
  ['20 ft', '20 ft', '6 m'],
  ['2 to 4 ft', '2 to 4 ft', '0.6 to 1.2 m'],
  ['7 ft 6 in', '7 ft 6 in', '2.3 m'],
  ['7 ft to 7 ft 6 in', '7 ft to 7 ft 6 in', '2.1 to 2.3 m'],
  ['6 to 8 in', '6 to 8 in', '150 to 200 mm'],
  ['15 lb', '15 lb', '7 kg'],
  ['10 to 12 lb', '10 to 12 lb', '4.5 to 5.5 kg'],
  ['1/12 to 3/8 oz', '1/12 to 3/8 oz', '2.4 to 11 g'],
  ['1/2 oz', '1/2 oz', '14 g'],
  ['9 to 12 g', '9 to 12 g', '9 to 12 g'],
  ['50 °F', '50 °F', '10 °C'],
  ['10 °C', '50 °F', '10 °C'],
  ['4 ft/s', '4 ft/s', '1.2 m/s'],
  ['3 m', '10 ft', '3 m'],
  ['25 m', '80 ft', '25 m'],
])('%s stands round in both systems', (text, imperial, metric) => {
  const mark = usualQuantity(text) ?? '';
  expect(inUnits(mark, 'imperial')).toBe(imperial);
  expect(inUnits(mark, 'metric')).toBe(metric);
});

it.each(['hook.size', 'ten feet', '10', '10 furlongs', 'ft', '1 to', 'a to b lb', '1/0 lb'])(
  'takes %s for no quantity',
  (text) => {
    expect(usualQuantity(text)).toBeUndefined();
    expect(withUsual(`{${text}}`)).toBe(`{${text}}`);
  },
);

it('marks every quantity of a sentence and leaves the rest', () => {
  const says = withUsual('Winding in {15 to 20 ft}, {20 lb} line lifts a {hook.size} at {15 lb}.');
  expect(inUnits(says, 'imperial')).toBe('Winding in 15 to 20 ft, 20 lb line lifts a {hook.size} at 15 lb.');
  expect(inUnits(says, 'metric')).toBe('Winding in 4.5 to 6 m, 9 kg line lifts a {hook.size} at 7 kg.');
});

it('a computed quantity keeps the digits of its kind', () => {
  expect(inUnits(`falls at ${marked(0.5, 'speed')}`, 'metric')).toBe('falls at 0.50 m/s');
});
