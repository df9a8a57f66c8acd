import { kindOf } from '../../kind/registry.ts';
import type { PlasticKind } from './kind.ts';
import { chunk } from './chunk.ts';
import { claw } from './claw.ts';
import { creature } from './creature.ts';
import { curlTail } from './curl-tail.ts';
import { doubleCurl } from './double-curl.ts';
import { flatCreature } from './flat-creature.ts';
import { hollow } from './hollow.ts';
import { micro } from './micro.ts';
import { minnow } from './minnow.ts';
import { own } from './own.ts';
import { paddleTail } from './paddle-tail.ts';
import { ribbonWorm } from './ribbon-worm.ts';
import { stick } from './stick.ts';
import { straightTail } from './straight-tail.ts';
import { stubby } from './stubby.ts';
import { taperedWorm } from './tapered-worm.ts';
import { tube } from './tube.ts';

const ALL = [
  paddleTail,
  straightTail,
  curlTail,
  doubleCurl,
  stick,
  taperedWorm,
  stubby,
  creature,
  claw,
  chunk,
  tube,
  hollow,
  flatCreature,
  minnow,
  ribbonWorm,
  micro,
  own,
] as const;

/** Every kind of plastic, in the order of menus; a new one is one file and one line here. */
export const PLASTIC_KINDS: readonly PlasticKind<PlasticKey>[] = ALL;
/** The key of a plastic’s kind. */
export type PlasticKey = (typeof ALL)[number]['key'];

/** The kind of a key. Throws for one that is not of `PLASTIC_KINDS`. */
export const plasticKindOf = (key: string): PlasticKind => kindOf(PLASTIC_KINDS, key, 'Plastic');
