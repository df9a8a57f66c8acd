import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import PQueue from 'p-queue';

/**
 * Argon2id with 19 MiB, two passes and one lane: the first of the settings that OWASP's Password Storage
 * Cheat Sheet gives (2025).
 */
const SETTINGS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/** Passwords worked on at once: many sign-ins must not take all memory, nor all of the processor. */
const queue = new PQueue({ concurrency: 2 });

/** Returns a password’s salted hash, in the PHC string format. */
export const hashPassword = (password: string): Promise<string> =>
  queue.add(() => hash(password.normalize('NFKC'), SETTINGS));

/**
 * Whether a password is the one of a stored hash. Of a person who has none, or is not there, the same work is
 * done, so that the time tells nobody who has an account.
 */
export async function verifyPassword(password: string, stored: string | null | undefined): Promise<boolean> {
  nobody ??= hashPassword(randomBytes(16).toString('hex'));
  const against = stored ?? (await nobody);
  const fits = await queue.add(() => verify(against, password.normalize('NFKC')));
  return fits && stored !== null && stored !== undefined;
}
let nobody: Promise<string> | undefined;

/** A secret nobody can guess: 256 bits, in letters that addresses hold as they are. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** A secret as it is kept: who reads the database cannot use it. */
export const digestOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
