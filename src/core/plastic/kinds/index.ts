import { kindOf } from '../../kind/registry.ts';
import { claw } from './claw.ts';
import type { PlasticKind } from './kind.ts';
import { paddleTail } from './paddle-tail.ts';
import { stick } from './stick.ts';

const ALL = [paddleTail, stick, claw] as const;

/** Every kind of plastic, in the order of menus; a new one is one file and one line here. */
export const PLASTIC_KINDS: readonly PlasticKind<PlasticKey>[] = ALL;
export type PlasticKey = (typeof ALL)[number]['key'];

/** The kind of a key. Throws for one that is not of `PLASTIC_KINDS`. */
export const plasticKindOf = (key: string): PlasticKind => kindOf(PLASTIC_KINDS, key, 'Plastic');
