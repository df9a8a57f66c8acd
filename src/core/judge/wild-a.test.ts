import { wildHalf } from '../test-kit/wild-part.test-kit.ts';

wildHalf();
