import { runProgram } from './program.ts';

const code = await runProgram(process.argv.slice(2));
// What ends in an error ends at once, whatever is still open.
if (code !== 0) process.exit(code);
