import { causesOf } from '../core/kind/index.ts';

/** The code of a failure that tells nothing of what became of the statement: its connection was lost. */
export const LOST = 'DATABASE_LOST';

/**
 * PostgreSQL's classes and the system's words for a connection that is lost, cannot be had, or leads to a
 * server that only follows (25006, read_only_sql_transaction).
 */
const LOST_CODES =
  /^(?:08...|57P0[1-5]|53300|25006|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|EHOSTUNREACH|ENETUNREACH|ENOTFOUND|EAI_AGAIN|DATABASE_LOST)$/;
const LOST_WORDS =
  /Connection terminated|Client has encountered a connection error|timeout exceeded when trying to connect|Query read timeout|Client was closed/;

/** Whether a failure is of the connection, and not of what was asked over it. */
export const isLost = (error: unknown): boolean =>
  [...causesOf(error)].some(
    ({ code, message }) => LOST_CODES.test(String(code)) || LOST_WORDS.test(String(message)),
  );

/**
 * Returns the address of each server that one address names, such as
 * `postgres://shop@one:5432,two:5433/anvil`: several stand with commas between them, as PostgreSQL's own
 * programs read them. Throws with a sentence where it is no such address.
 */
export function hostsOf(url: string): readonly string[] {
  const [, begin, hosts, end] = /^(postgres(?:ql)?:\/\/(?:[^@/?#]*@)?)([^/?#]*)([^]*)$/.exec(url) ?? [];
  if (begin === undefined || hosts === undefined || end === undefined)
    throw new Error(
      '--database: that is no address of a PostgreSQL server. Write it as postgres://USER@HOST:5432/NAME.',
    );
  return hosts.split(',').map((host) => `${begin}${host}${end}`);
}

/** An address as it may be shown: without its password. */
export function shownAddress(url: string): string {
  return url
    .replace(/^(postgres(?:ql)?:\/\/[^:@/?#]*):[^@/?#]*@/, '$1:…@')
    .replace(/([?&]password=)[^&]*/g, '$1…');
}

/** Why a database cannot be opened, in a sentence that names the remedy. */
export function refusedAt(url: string, cause: unknown): Error {
  const { code, message } = cause as { code?: string; message?: string };
  if (message?.startsWith('--database:')) return cause as Error;
  const shown = shownAddress(url);
  const words: Record<string, string> = {
    '3D000': `there is no such database at ${shown}. Make it with: createdb -E UTF8 -T template0 NAME`,
    '28P01': `the password for ${shown} was not taken. Put the right one in the address, or in PGPASSWORD.`,
    '28000': `${shown} does not let this user in. Ask whoever runs it to add a line to pg_hba.conf.`,
    '42501': `this user may not make tables at ${shown}. Let the user own the database.`,
  };
  const said =
    (code === undefined ? undefined : words[code]) ??
    `${shown} cannot be reached (${code ?? message ?? 'no reason given'}). Start the server, or correct the address.`;
  return Object.assign(new Error(`--database: ${said}`, { cause }), { code });
}
