import { it } from 'vitest';
import { wildHalf } from './wild-half.test-kit.ts';

it(
  '10,000 random specifications give readings and a drawing without NaN, or a reason: second half',
  wildHalf,
);
