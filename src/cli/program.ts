import type { runBackup } from './backup.ts';
import type { runMatch } from './match.ts';
import type { runCard, runEvaluate, runExport, runMould } from './run.ts';
import { MADE_BY } from '../contract/version.ts';
import { Command, CommanderError, Option } from 'commander';

/** The readings or the order, whole, as a table for the eye, or as CSV. */
const printedAs = () =>
  new Option('--format <FORMAT>', 'how it is printed').choices(['json', 'table', 'csv']).default('json');

/** Takes options as the field types them: numbers may be negative, and a word is one of those offered. */
function terminal(): Command {
  const program = new Command('anvil')
    .version(MADE_BY, '--version', 'which version this is')
    .description(
      'Fern Anvil in the terminal. Bad input ends with code 2 and a sentence that names the field.',
    )
    .usage('COMMAND FILE [options]')
    .addHelpText(
      'after',
      '\nCall it as npm run --silent anvil -- COMMAND … so that nothing but the answer is ' +
        'printed.\nFormats: docs/formats.md. Readings: docs/readings.md.',
    );
  program
    .command('evaluate')
    .description('prints the readings of a design, or of an array of designs, as JSON, a table or CSV')
    .argument('<FILE>', 'a design’s document; - for standard input')
    .option('--brief <FILE>', 'judge it for a brief too')
    .addOption(new Option('--water <KIND>', 'the water').choices(['fresh', 'brackish', 'sea']))
    .option('--temp <C>', 'temperature of the water, °C')
    .option('--depth <M>', 'depth, m')
    .option('--speed <M/S>', 'speed over ground, m/s')
    .option('--line-out <M>', 'line from the rod’s tip to the head, m')
    .option('--plastic <FILE>', 'a plastic’s document, put on the head')
    .addOption(new Option('--method <METHOD>', 'how it is put on; threaded where nothing is said'))
    .addOption(printedAs())
    .action(async (file: string, options: Parameters<typeof runEvaluate>[1]) =>
      // Help is told without the computation; everything else loads it.
      (await import('./run.ts')).runEvaluate(file, options),
    );
  program
    .command('export')
    .description(
      'writes a file: stl and 3mf the closed solid of the metal as cast, in mm; svg and dxf the ' +
        'plate at true scale; pdf a spec sheet; csv the readings, of an array of designs too; ' +
        'json the document',
    )
    .argument('<FILE>', 'a design’s document; - for standard input')
    .option('--format <FORMAT>', 'kind of file', 'stl')
    .requiredOption('--out <OUT>', 'file to write; - for standard output')
    .option('--shrink <PERCENT>', 'enlarge a solid for the mould by this shrinkage; stl and 3mf only')
    .option(
      '--chord <MM>',
      'how far a facet may lie from the surface it stands for, 0.001 to 0.5; 0.01 where nothing ' +
        'is said; stl and 3mf only',
    )
    .addOption(new Option('--angle <ANGLE>', 'how views are laid out').choices(['third', 'first']))
    .addOption(new Option('--units <UNITS>', 'units of a drawing').choices(['metric', 'imperial', 'both']))
    .action(async (file: string, options: Parameters<typeof runExport>[1]) =>
      (await import('./run.ts')).runExport(file, options),
    );
  program
    .command('card')
    .description('writes a rigging card, PDF: how a plastic goes on a design, in order, at true scale')
    .argument('<FILE>', 'a design’s document; - for standard input')
    .requiredOption('--plastic <FILE>', 'a plastic’s document')
    .option('--method <METHOD>', 'how it is put on; threaded where nothing is said')
    .addOption(new Option('--units <UNITS>', 'units of the card').choices(['metric', 'imperial']))
    .requiredOption('--out <OUT>', 'file to write; - for standard output')
    .action(async (file: string, options: Parameters<typeof runCard>[1]) =>
      (await import('./run.ts')).runCard(file, options),
    );
  program
    .command('mould')
    .description(
      'writes a half of a mould as a closed solid in mm, its drawing, or the volumes that fill ' +
        'its block; a design gets a mould of one cavity',
    )
    .argument('<FILE>', 'a mould’s document, or a design’s; - for standard input')
    .option(
      '--file <NAME>',
      'left.stl, right.stl, left.3mf, right.3mf, drawing.svg, drawing.dxf or volumes.json',
      'left.stl',
    )
    .option('--shrink <PERCENT>', 'shrinkage of length, in place of the document’s')
    .addOption(new Option('--making <MAKING>', 'poured or pressed').choices(['pour', 'press']))
    .addOption(new Option('--units <UNITS>', 'units of a drawing').choices(['metric', 'imperial']))
    .requiredOption('--out <OUT>', 'file to write; - for standard output')
    .action(async (file: string, options: Parameters<typeof runMould>[1]) =>
      (await import('./run.ts')).runMould(file, options),
    );
  program
    .command('match')
    .description(
      'ranks designs for a brief and prints the order as JSON, a table or CSV, equals sharing a ' +
        'place, every answer with its grounds; a brief of version 1 is taken over',
    )
    .argument('<BRIEF>', 'a brief’s document')
    .argument('<DESIGNS>', 'a design’s document, or an array of designs')
    .option('--plastics <FILE>', 'the plastics to choose from; one of the usual proportions without it')
    .option('--rules <FILE>', 'a set of rules in place of those that ship')
    .addOption(printedAs())
    .addOption(new Option('--part <K/N>', 'judge every nth design only').hideHelp())
    .action(async (brief: string, designs: string, options: Parameters<typeof runMatch>[2]) =>
      (await import('./match.ts')).runMatch(brief, designs, options),
    );
  program
    .command('backup')
    .description('writes a backup of a whole shop, reads it back and checks every document')
    .requiredOption('--out <OUT>', 'file to write')
    .option('--server <ADDRESS>', 'the running server', 'http://127.0.0.1:4600')
    .option('--data <DIR>', 'a shop’s folder that no server holds, in place of a running one')
    .action(async (options: Parameters<typeof runBackup>[0]) =>
      (await import('./backup.ts')).runBackup(options),
    );
  program
    .command('verify')
    .description('reads a backup whole, its seal and every document, and says whether it can be restored')
    .argument('<FILE>', 'a backup')
    .action(async (file: string) => (await import('./backup.ts')).runVerify(file));
  for (const command of [program, ...program.commands]) {
    command.exitOverride();
    command.configureOutput({ outputError: () => undefined });
  }
  return program;
}

/**
 * Carries out a command line, printing its answer on standard output and what is wrong with it on standard
 * error. Returns the code to end with: 0, or 2 for bad input, or 1 where something failed here.
 */
export async function runProgram(args: readonly string[]): Promise<number> {
  try {
    await terminal().parseAsync(args.length === 0 ? ['--help'] : args, { from: 'user' });
    return 0;
  } catch (error) {
    const { message, isBadInput } = error as { message: string; isBadInput?: boolean };
    if (error instanceof CommanderError) {
      // Help and version have been printed; what else it says is a wrong command line.
      if (error.exitCode === 0) return 0;
      console.error(message.replace(/^error: /, ''));
      return 2;
    }
    console.error(isBadInput ? message : `Something went wrong here: ${message}`);
    return isBadInput ? 2 : 1;
  }
}
