import { it } from 'vitest';
import { UNHURRIED, wildQuarter } from '../test-kit/wild-quarter.test-kit.ts';

it(
  '10,000 random specifications give readings and a drawing without NaN, or a reason: first quarter',
  wildQuarter,
  UNHURRIED,
);
