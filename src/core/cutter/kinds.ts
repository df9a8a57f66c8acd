import { kindOf } from '../kind/registry.ts';
import { ball } from './ball.ts';
import { cone } from './cone.ts';
import type { CutterKind } from './cutter.ts';
import { flat } from './flat.ts';
import { roundNosed } from './round-nosed.ts';

const ALL = [roundNosed, flat, ball, cone] as const;

/** Every end of a cutter; a new one is one file and one line here. */
export const CUTTERS: readonly CutterKind<CutterKey>[] = ALL;
/** The key of a cutter’s end. */
export type CutterKey = (typeof ALL)[number]['key'];

/** The cutter of a key. Throws for one that is not of `CUTTERS`. */
export const cutterOf = (key: string): CutterKind => kindOf(CUTTERS, key, 'Cutter');
