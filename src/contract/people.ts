/** What people of a shop are to it. */
export const ROLES = ['owner', 'maker', 'counter', 'guide'] as const;
/** What a person is to the shop. */
export type Role = (typeof ROLES)[number];

/**
 * What a request needs whoever sends it to be allowed: `anyone` may be nobody yet, `own` anybody who has
 * signed in, for what is his own.
 */
export type Permission = 'anyone' | 'own' | 'read' | 'prices' | 'briefs' | 'trials' | 'make' | 'own the shop';

/** What each role is allowed; whether a counter sees prices is said for each person. */
export const ROLE_PERMISSIONS: Readonly<Record<Role, readonly Permission[]>> = {
  owner: ['own', 'read', 'prices', 'briefs', 'trials', 'make', 'own the shop'],
  maker: ['own', 'read', 'prices', 'briefs', 'trials', 'make'],
  counter: ['own', 'read', 'briefs'],
  guide: ['own', 'read', 'trials'],
};

/** What a role is for, in words. */
export const ROLE_DESCRIPTIONS: Readonly<Record<Role, string>> = {
  owner: 'everything, and who else has an account, backups and their restoring',
  maker: 'designs, moulds, batches, stores, rules, prices',
  counter: 'looks, asks briefs, prints cards',
  guide: 'looks, and keeps days on the water',
};

/** Whether somebody may do what needs this. */
export const isAllowed = (
  { role, seesPrices }: { readonly role: Role; readonly seesPrices: boolean },
  need: Permission,
): boolean =>
  need === 'anyone' ||
  ROLE_PERMISSIONS[role].includes(need) ||
  (need === 'prices' && role === 'counter' && seesPrices);

/** Fewest and most characters of a password: the most is a bound on work, no rule of taste. */
export const PASSWORD_LENGTH = { least: 12, most: 256 } as const;

/** Somebody with an account, as others see him. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly seesPrices: boolean;
}

/** Somebody with an account, as an owner and he himself see him. */
export interface PersonRow extends Person {
  readonly mail: string;
  readonly since: string;
  readonly version: number;
  readonly hasPassword: boolean;
  readonly passkeys: number;
}

/** Whether accounts are asked for here, and who is signed in. */
export type SessionState =
  | { readonly isAsked: false }
  | {
      readonly isAsked: true;
      readonly person?: PersonRow;
      /** nobody has an account yet: the link that was printed at the start makes the first */
      readonly isFirst: boolean;
    };

/** A device somebody is signed in on. */
export interface Device {
  readonly id: string;
  /** what its browser says it is */
  readonly device: string;
  readonly address: string;
  readonly since: string;
  readonly seen: string;
  readonly isThis: boolean;
}

/** A passkey of somebody. */
export interface Passkey {
  readonly id: string;
  readonly name: string;
  readonly since: string;
  readonly used?: string;
}

/** What somebody has of his own. */
export interface Own {
  readonly person: PersonRow;
  readonly devices: readonly Device[];
  readonly passkeys: readonly Passkey[];
}

/** An invitation, or a way back in, with the token that is shown once. */
export interface Ticket {
  readonly token: string;
  readonly until: string;
}

/** What the token of an invitation leads to. */
export interface TicketRead {
  readonly kind: TicketKind;
  readonly role: Role;
  /** whose password is set anew */
  readonly mail?: string;
}
/** What a token is good for: the first account, another one, or a password set anew. */
export type TicketKind = 'first' | 'invitation' | 'reset';

/** Something somebody did, or was refused. */
export interface AuditRow {
  readonly id: string;
  readonly at: string;
  /** who, as he was called then; nobody where none was signed in */
  readonly person?: string;
  readonly act: AuditAct;
  readonly what: string;
  readonly address: string;
}

/** What is written down of what people do. */
export const AUDIT_ACTS = {
  'signed in': 'signed in',
  'not signed in': 'was not let in',
  'signed out': 'signed out',
  refused: 'was refused',
  exported: 'took out',
  deleted: 'deleted',
  'made an account': 'made an account',
  'changed an account': 'changed an account',
  'ended an account': 'ended an account',
  invited: 'invited somebody',
} as const;
/** What is written down. */
export type AuditAct = keyof typeof AUDIT_ACTS;
