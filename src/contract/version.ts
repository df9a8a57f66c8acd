/**
 * Version of the program, as package.json has it: of `--version`, the sheet of keys, backups and shop files.
 */
export const VERSION = '0.5.0';

/** What a file says it was made by. */
export const MADE_BY = `Fern Anvil ${VERSION}`;
