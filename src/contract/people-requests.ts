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
const Token = Type.String({ minLength: 8, maxLength: 200, description: 'the token of an invitation' });
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
  { token: Token, name: Type.Optional(PersonName), mail: Type.Optional(Mail), password: Password },
  exact,
);
/** The token of an invitation. */
export const TokenSchema = Type.Object({ token: Token }, exact);
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
/** Bytes as WebAuthn writes them in JSON: base64url without padding. */
const Bytes = Type.String({ minLength: 1, maxLength: 20_000, pattern: '^[\\w-]+$' });
/** What both answers of a browser have (WebAuthn Level 3, 5.1). */
const ANSWER = {
  id: Bytes,
  rawId: Bytes,
  type: Type.Literal('public-key'),
  authenticatorAttachment: Type.Optional(
    Type.Union([Type.Literal('platform'), Type.Literal('cross-platform')]),
  ),
  clientExtensionResults: Type.Object({}, { additionalProperties: true }),
};
/** A passkey as a browser has made it (RegistrationResponseJSON), with the name it is to have. */
export const NewPasskeySchema = Type.Object(
  {
    name: Type.Optional(Type.String({ minLength: 1, maxLength: 80 })),
    answer: Type.Object(
      {
        ...ANSWER,
        response: Type.Object(
          {
            clientDataJSON: Bytes,
            attestationObject: Bytes,
            authenticatorData: Type.Optional(Bytes),
            transports: Type.Optional(Type.Array(Type.String({ maxLength: 40 }), { maxItems: 10 })),
            publicKeyAlgorithm: Type.Optional(Type.Integer()),
            publicKey: Type.Optional(Bytes),
          },
          exact,
        ),
      },
      exact,
    ),
  },
  exact,
);
/** A passkey as a browser has used it (AuthenticationResponseJSON). */
export const PasskeyUseSchema = Type.Object(
  {
    answer: Type.Object(
      {
        ...ANSWER,
        response: Type.Object(
          {
            clientDataJSON: Bytes,
            authenticatorData: Bytes,
            signature: Bytes,
            userHandle: Type.Optional(Bytes),
          },
          exact,
        ),
      },
      exact,
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
/** A passkey that was made. */
export type NewPasskey = Static<typeof NewPasskeySchema>;
/** A passkey that was used. */
export type PasskeyUse = Static<typeof PasskeyUseSchema>;

/** Returns a sign-in, or what is wrong with it. */
export const checkSignIn = checker<SignIn>(SignInSchema);
/** Returns an invitation, or what is wrong with it. */
export const checkInvitation = checker<Invitation>(InvitationSchema);
/** Returns an invitation taken up, or what is wrong with it. */
export const checkAcceptance = checker<Acceptance>(AcceptanceSchema);
/** Returns the token of an invitation, or what is wrong with it. */
export const checkToken = checker<Static<typeof TokenSchema>>(TokenSchema);
/** Returns a change of a person, or what is wrong with it. */
export const checkPersonEdit = checker<PersonEdit>(PersonEditSchema);
/** Returns a change of oneself, or what is wrong with it. */
export const checkOwnEdit = checker<OwnEdit>(OwnEditSchema);
/** Returns a passkey that was made, or what is wrong with it. */
export const checkNewPasskey = checker<NewPasskey>(NewPasskeySchema);
/** Returns a passkey that was used, or what is wrong with it. */
export const checkPasskeyUse = checker<PasskeyUse>(PasskeyUseSchema);
/** Returns which page of the log is asked for, or what is wrong with the question. */
export const checkAuditQuery = checker<Static<typeof AuditQuerySchema>>(AuditQuerySchema, coercing);
