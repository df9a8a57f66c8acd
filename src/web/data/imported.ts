import { isObject } from '../../core/kind/index.ts';

const KEY = 'fern-anvil.imported';
/** Files remembered. */
const MOST = 200;

interface Imported {
  readonly print: string;
  readonly at: string;
}

const isImported = (item: unknown): item is Imported =>
  isObject(item) && typeof item['print'] === 'string' && typeof item['at'] === 'string';

function remembered(): readonly Imported[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(list) ? list.filter(isImported) : [];
  } catch {
    return [];
  }
}

/** Returns what a file’s contents are known again by; `into` is what they were imported into. */
export async function fingerprint(into: string, contents: string | Uint8Array): Promise<string> {
  const bytes = typeof contents === 'string' ? new TextEncoder().encode(contents) : contents;
  // A page that was not reached safely has no digest; then a file counts as new.
  const digest = await (crypto.subtle as SubtleCrypto | undefined)?.digest('SHA-256', bytes as BufferSource);
  const told =
    digest && [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return `${into} ${told ?? crypto.randomUUID()}`;
}

/**
 * Returns when a file with this fingerprint was imported by this browser, ISO 8601; undefined where it was
 * not.
 */
export const importedAt = (print: string): string | undefined =>
  remembered().find((one) => one.print === print)?.at;

/** Remembers that a file was imported. */
export function rememberImport(print: string): void {
  const others = remembered().filter((one) => one.print !== print);
  try {
    localStorage.setItem(
      KEY,
      JSON.stringify([{ print, at: new Date().toISOString() }, ...others].slice(0, MOST)),
    );
  } catch {
    // A full store costs only the question.
  }
}
