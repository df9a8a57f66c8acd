import { loadSolids } from '../head/kernel.ts';

// What evaluates designs with features needs the solid library first, in tests as in the program.
await loadSolids();
