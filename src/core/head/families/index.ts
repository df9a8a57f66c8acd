import type { Family } from '../family.ts';
import type { HeadSpec, Station } from '../schema.ts';
import { ball } from './ball.ts';
import { bellyweight } from './bellyweight.ts';
import { caster } from './caster.ts';
import { core } from './core.ts';
import { dart } from './dart.ts';
import { drop } from './drop.ts';
import { football } from './football.ts';
import { glider } from './glider.ts';
import { hidden } from './hidden.ts';
import { hooded } from './hooded.ts';
import { imported } from './imported.ts';
import { mushroom } from './mushroom.ts';
import { oval } from './oval.ts';
import { own } from './own.ts';
import { pointed } from './pointed.ts';
import { roller } from './roller.ts';
import { standup } from './standup.ts';
import { stubby } from './stubby.ts';
import { swimmer } from './swimmer.ts';
import { torpedo } from './torpedo.ts';
import { tube } from './tube.ts';
import { wedge } from './wedge.ts';

/** Every head family, in the order of menus; a new one is one file and one line here. */
export const FAMILIES: readonly Family[] = [
  ball,
  football,
  stubby,
  mushroom,
  standup,
  pointed,
  wedge,
  hooded,
  oval,
  caster,
  torpedo,
  roller,
  dart,
  swimmer,
  glider,
  drop,
  tube,
  core,
  hidden,
  bellyweight,
  own,
  imported,
];

/** Families a designer can begin with: all but an imported solid, which begins with its file. */
export const DRAWN_FAMILIES: readonly Family[] = FAMILIES.filter(({ fromFile }) => !fromFile);

/** The family of a key, or undefined. */
export function familyOf(key: string): Family | undefined {
  return FAMILIES.find((family) => family.key === key);
}

/** The stations of a head drawn by them: its own, or those its family begins with. */
export const stationsOf = (head: Pick<HeadSpec, 'family' | 'stations'>): readonly Station[] =>
  head.stations ?? familyOf(head.family)?.start?.stations ?? [];
