import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import { and, asc, eq, gt, isNull, lt } from 'drizzle-orm';
import type { Passkey, PersonRow } from '../../contract/people.ts';
import type { NewPasskey, PasskeyUse } from '../../contract/people-requests.ts';
import type { Database } from '../database.ts';
import { HttpProblem, notFound } from '../problem.ts';
import { passkeys } from '../schema.ts';
import { challenges } from '../schema-passing.ts';

/** How long a browser has to answer, ms: a finger must be found, or a phone. */
const ANSWER_MS = 300_000;

/** Where passkeys are good: the name of the place, and where its pages come from. */
export interface Site {
  /** the name without port, which is WebAuthn's relying party */
  readonly name: string;
  readonly origins: readonly string[];
}

const notTaken = (cause?: unknown) =>
  Object.assign(
    new HttpProblem(
      401,
      'Passkey not taken',
      'This passkey was not taken. Try again, or sign in by mail and password.',
    ),
    { cause },
  );

/** Passkeys by WebAuthn: nothing that could be stolen from the shop's data lets anybody in. */
export class PasskeyStore {
  private readonly db: Database;
  private readonly site: Site;

  constructor(db: Database, site: Site) {
    this.db = db;
    this.site = site;
  }

  async list(personId: string): Promise<Passkey[]> {
    const rows = await this.db
      .select()
      .from(passkeys)
      .where(eq(passkeys.personId, personId))
      .orderBy(asc(passkeys.since));
    return rows.map(({ id, name, since, usedAt }) => ({
      id,
      name,
      since: since.toISOString(),
      ...(usedAt ? { used: usedAt.toISOString() } : {}),
    }));
  }

  /** What a browser is asked to make a passkey of somebody by. */
  async beginMaking(person: PersonRow) {
    const there = await this.list(person.id);
    const options = await generateRegistrationOptions({
      rpName: 'Fern Anvil',
      rpID: this.site.name,
      userName: person.mail,
      userDisplayName: person.name,
      userID: new TextEncoder().encode(person.id),
      attestationType: 'none',
      excludeCredentials: there.map(({ id }) => ({ id })),
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    await this.ask(options.challenge, person.id);
    return options;
  }

  /** Keeps the passkey that a browser has made. */
  async make(personId: string, { name = 'Passkey', answer }: NewPasskey): Promise<void> {
    const { verified, registrationInfo } = await verifyRegistrationResponse({
      response: answer,
      expectedChallenge: (challenge) => this.answered(challenge, personId),
      expectedOrigin: [...this.site.origins],
      expectedRPID: this.site.name,
      requireUserVerification: true,
    }).catch((error: unknown) => {
      throw notTaken(error);
    });
    if (!verified) throw notTaken();
    const { id, publicKey, counter, transports = [] } = registrationInfo.credential;
    const made = await this.db
      .insert(passkeys)
      .values({
        id,
        personId,
        name: name.trim() || 'Passkey',
        publicKey: Buffer.from(publicKey).toString('base64url'),
        counter,
        transports,
      })
      .onConflictDoNothing()
      .returning({ id: passkeys.id });
    if (made.length === 0) throw notTaken();
  }

  /** What a browser is asked to sign in by, whoever it may be. */
  async beginSignIn() {
    const options = await generateAuthenticationOptions({
      rpID: this.site.name,
      userVerification: 'required',
    });
    await this.ask(options.challenge, undefined);
    return options;
  }

  /** Whose passkey a browser has answered with. */
  async signIn({ answer }: PasskeyUse): Promise<string> {
    const [row] = await this.db.select().from(passkeys).where(eq(passkeys.id, answer.id));
    if (!row) throw notTaken();
    const { verified, authenticationInfo } = await verifyAuthenticationResponse({
      response: answer,
      expectedChallenge: (challenge) => this.answered(challenge, undefined),
      expectedOrigin: [...this.site.origins],
      expectedRPID: this.site.name,
      requireUserVerification: true,
      credential: {
        id: row.id,
        publicKey: Uint8Array.from(Buffer.from(row.publicKey, 'base64url')),
        counter: row.counter,
      },
    }).catch((error: unknown) => {
      throw notTaken(error);
    });
    if (!verified) throw notTaken();
    await this.db
      .update(passkeys)
      .set({ counter: authenticationInfo.newCounter, usedAt: new Date() })
      .where(eq(passkeys.id, row.id));
    return row.personId;
  }

  async remove(personId: string, id: string): Promise<void> {
    const gone = await this.db
      .delete(passkeys)
      .where(and(eq(passkeys.id, id), eq(passkeys.personId, personId)))
      .returning({ id: passkeys.id });
    if (gone.length === 0) throw notFound('This passkey');
  }

  private async ask(challenge: string, personId: string | undefined): Promise<void> {
    await this.db.delete(challenges).where(lt(challenges.until, new Date()));
    await this.db.insert(challenges).values({ challenge, personId, until: new Date(Date.now() + ANSWER_MS) });
  }

  /** Whether somebody was asked this, and has not answered yet: each question is good once. */
  private async answered(challenge: string, personId: string | undefined): Promise<boolean> {
    const gone = await this.db
      .delete(challenges)
      .where(
        and(
          eq(challenges.challenge, challenge),
          gt(challenges.until, new Date()),
          personId === undefined ? isNull(challenges.personId) : eq(challenges.personId, personId),
        ),
      )
      .returning({ challenge: challenges.challenge });
    return gone.length > 0;
  }
}
