import { parseArgs } from 'node:util';

const HELP = `Fern Anvil in the terminal

  npm run --silent anvil -- evaluate FILE.json [--brief FILE] [--water fresh|brackish|sea] [--temp C] [--depth M]
      prints the readings of a design, or of an array of designs, as JSON; FILE may be - for standard input
  npm run --silent anvil -- export FILE.json --format stl|3mf|svg|dxf|pdf|csv|json --out OUT
                                   [--shrink PERCENT] [--angle third|first] [--units metric|imperial|both]
      stl, 3mf: the closed solid of the metal as cast, in mm, enlarged for the mould by --shrink
      svg, dxf: the plate at true scale; pdf: a spec sheet; csv: the readings, of an array of designs too

Formats: docs/formats.md. Readings: docs/readings.md. Bad input ends with code 2 and a sentence that names the field.`;

async function main(): Promise<void> {
  const { positionals, values } = parseArgs({
    allowPositionals: true,
    options: {
      brief: { type: 'string' },
      water: { type: 'string' },
      temp: { type: 'string' },
      depth: { type: 'string' },
      format: { type: 'string', default: 'stl' },
      out: { type: 'string' },
      shrink: { type: 'string' },
      angle: { type: 'string' },
      units: { type: 'string' },
      help: { type: 'boolean', default: false },
    },
  });
  const [command, file, ...rest] = positionals;
  if (values.help || command === undefined) {
    console.log(HELP);
    return;
  }
  // Help is told without the computation; everything else loads it.
  const { BadInput, runEvaluate, runExport } = await import('./run.ts');
  try {
    if (rest.length > 0) throw new BadInput(`“${rest[0]}” is one argument too many. See --help.`);
    if (command !== 'evaluate' && command !== 'export')
      throw new BadInput(`“${command}” is not a command. Use evaluate or export; see --help.`);
    if (file === undefined) throw new BadInput(`${command}: name a file, or - for standard input.`);
    await (command === 'evaluate' ? runEvaluate(file, values) : runExport(file, values));
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    console.error(error.message);
    process.exit(2);
  }
}

/** What a wrong command line is called by the argument parser. */
const isUsage = (error: unknown): boolean =>
  String((error as { code?: unknown }).code).startsWith('ERR_PARSE_ARGS');

try {
  await main();
} catch (error) {
  if (!isUsage(error)) throw error;
  console.error((error as Error).message);
  process.exit(2);
}
