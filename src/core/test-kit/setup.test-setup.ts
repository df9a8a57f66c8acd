import fc from 'fast-check';
import { loadSolids } from '../head/kernel.ts';

// What evaluates designs with features needs the solid library first, in tests as in the program.
await loadSolids();

// Random checks can be run again as they were: npm test prints the seed it takes, SEED=… takes that one.
const seed = process.env['SEED'];
if (seed !== undefined) fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(seed) });
