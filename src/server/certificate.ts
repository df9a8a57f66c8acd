import { X509Certificate } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';

const DAY_MS = 86_400_000;
/** How long the shop's own authority lasts, and a certificate of it: phones take none that lasts longer. */
const LASTS = { authority: 3650 * DAY_MS, certificate: 397 * DAY_MS } as const;
/** A certificate that ends sooner than this is made anew at a start, ms. */
const RENEWED_MS = 45 * DAY_MS;

/**
 * A certificate with its key, as PEM; and the authority that a device must come to trust, where it is our
 * own.
 */
export interface Certificate {
  readonly cert: string;
  readonly key: string;
  readonly authority?: string;
}

const USAGES = {
  authority: [
    { name: 'basicConstraints' as const, cA: true, pathLenConstraint: 0, critical: true },
    { name: 'keyUsage' as const, keyCertSign: true, cRLSign: true, critical: true },
  ],
  certificate: [
    { name: 'basicConstraints' as const, cA: false, critical: true },
    { name: 'keyUsage' as const, digitalSignature: true, critical: true },
    { name: 'extKeyUsage' as const, serverAuth: true },
  ],
} as const;

const EC = { keyType: 'ec', curve: 'P-256', algorithm: 'sha256' } as const;

const until = (from: Date, lasts: number) => ({
  notBeforeDate: new Date(from.getTime() - DAY_MS),
  notAfterDate: new Date(from.getTime() + lasts - DAY_MS),
});

/** Whether a certificate names all of these hosts, was signed by this authority, and lasts a while yet. */
function isGood(cert: string, authority: string, names: readonly string[], now: Date): boolean {
  const one = new X509Certificate(cert);
  return (
    one.verify(new X509Certificate(authority).publicKey) &&
    names.every((name) => (isIP(name) ? one.checkIP(name) : one.checkHost(name)) !== undefined) &&
    Date.parse(one.validTo) - now.getTime() > RENEWED_MS
  );
}

/**
 * The shop's own certificate for some host names or addresses, kept in a folder nobody else can read: made on
 * the first start by an authority of the shop's own, which devices come to trust once, and made anew by that
 * before it ends, or when a name is added.
 */
export async function ownCertificate(
  folder: string,
  names: readonly string[],
  now = new Date(),
): Promise<Required<Certificate>> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  const file = (name: string) => join(folder, name);
  const [authorityFile, authorityKey] = [file('authority.crt'), file('authority.key')];
  const [certFile, keyFile] = [file('server.crt'), file('server.key')];
  const write = (path: string, text: string) => writeFileSync(path, text, { mode: 0o600 });
  if (!existsSync(authorityFile) || !existsSync(authorityKey)) {
    const made = await generate([{ name: 'commonName', value: `Fern Anvil at ${names[0]}` }], {
      ...EC,
      ...until(now, LASTS.authority),
      extensions: [...USAGES.authority],
    });
    write(authorityKey, made.private);
    write(authorityFile, made.cert);
  }
  const authority = readFileSync(authorityFile, 'utf8');
  const isThere = existsSync(certFile) && existsSync(keyFile);
  if (!isThere || !isGood(readFileSync(certFile, 'utf8'), authority, names, now)) {
    const made = await generate([{ name: 'commonName', value: names[0] ?? 'localhost' }], {
      ...EC,
      ...until(now, LASTS.certificate),
      ca: { key: readFileSync(authorityKey, 'utf8'), cert: authority },
      extensions: [
        ...USAGES.certificate,
        {
          name: 'subjectAltName',
          altNames: names.map((name) => (isIP(name) ? { type: 7, ip: name } : { type: 2, value: name })),
        },
      ],
    });
    write(keyFile, made.private);
    write(certFile, made.cert);
  }
  return { cert: readFileSync(certFile, 'utf8'), key: readFileSync(keyFile, 'utf8'), authority };
}
