import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { checker } from './checker.ts';
import { coercing } from './engine.ts';
import { PASSWORD_LENGTH, ROLES } from './people.ts';

const Mail = Type.String({
  minLength: 3,
  maxLength: 254,
  pattern: '^[^\\s@]+@[^\\s@]+$',
  description: 'a mail address; it is what somebody signs in by, and nothing is sent to it',
});
const PersonName = Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' });
const Password = Type.String({ minLength: PASSWORD_LENGTH.least, maxLength: PASSWORD_LENGTH.most });
const Word = Type.String({ minLength: 8, maxLength: 200, description: 'the word of an invitation' });
const RoleSchema = Type.Union(ROLES.map((role) => Type.Literal(role)));
const exact = { additionalProperties: false } as const;

/** Signing in by mail and password. */
export const SignInSchema = Type.Object(
  { mail: Mail, password: Type.String({ minLength: 1, maxLength: PASSWORD_LENGTH.most }) },
  exact,
);
/** Somebody to whom an account is offered. */
export const InvitationSchema = Type.Object(
  { role: RoleSchema, seesPrices: Type.Optional(Type.Boolean()) },
  exact,
);
/** An invitation taken up, or a password set anew: name and mail are wanted where an account is made. */
export const AcceptanceSchema = Type.Object(
  { word: Word, name: Type.Optional(PersonName), mail: Type.Optional(Mail), password: Password },
  exact,
);
/** The word of an invitation. */
export const WordSchema = Type.Object({ word: Word }, exact);
/** What an owner changes of a person. */
export const PersonEditSchema = Type.Object(
  { role: Type.Optional(RoleSchema), seesPrices: Type.Optional(Type.Boolean()) },
  { ...exact, minProperties: 1 },
);
/** What somebody changes of himself. */
export const OwnEditSchema = Type.Object(
  {
    name: Type.Optional(PersonName),
    mail: Type.Optional(Mail),
    password: Type.Optional(Password),
    now: Type.Optional(
      Type.String({ minLength: 1, maxLength: PASSWORD_LENGTH.most, description: 'the password so far' }),
    ),
  },
  { ...exact, minProperties: 1 },
);
/** A passkey as the browser made it, or used it, with the name it is to have. */
export const PasskeySchema = Type.Object(
  {
    name: Type.Optional(Type.String({ minLength: 1, maxLength: 80 })),
    answer: Type.Object(
      { id: Type.String({ minLength: 1, maxLength: 1400 }) },
      { additionalProperties: true },
    ),
  },
  exact,
);
/** A page of the log of what people did. */
export const AuditQuerySchema = Type.Object({ before: Type.Optional(Type.String({ maxLength: 80 })) }, exact);

/** Signing in. */
export type SignIn = Static<typeof SignInSchema>;
/** An invitation. */
export type Invitation = Static<typeof InvitationSchema>;
/** An invitation taken up. */
export type Acceptance = Static<typeof AcceptanceSchema>;
/** A change of a person. */
export type PersonEdit = Static<typeof PersonEditSchema>;
/** A change of oneself. */
export type OwnEdit = Static<typeof OwnEditSchema>;
/** A passkey from a browser. */
export type PasskeyAnswer = Static<typeof PasskeySchema>;

/** Returns a sign-in, or what is wrong with it. */
export const checkSignIn = checker<SignIn>(SignInSchema);
/** Returns an invitation, or what is wrong with it. */
export const checkInvitation = checker<Invitation>(InvitationSchema);
/** Returns an invitation taken up, or what is wrong with it. */
export const checkAcceptance = checker<Acceptance>(AcceptanceSchema);
/** Returns the word of an invitation, or what is wrong with it. */
export const checkWord = checker<Static<typeof WordSchema>>(WordSchema);
/** Returns a change of a person, or what is wrong with it. */
export const checkPersonEdit = checker<PersonEdit>(PersonEditSchema);
/** Returns a change of oneself, or what is wrong with it. */
export const checkOwnEdit = checker<OwnEdit>(OwnEditSchema);
/** Returns a passkey from a browser, or what is wrong with it. */
export const checkPasskey = checker<PasskeyAnswer>(PasskeySchema);
/** Returns which page of the log is asked for, or what is wrong with the question. */
export const checkAuditQuery = checker<Static<typeof AuditQuerySchema>>(AuditQuerySchema, coercing);
