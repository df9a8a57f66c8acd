import { kindOf } from '../../kind/registry.ts';
import { clip } from './clip.ts';
import type { JointKind } from './joint.ts';
import { openLoop } from './open-loop.ts';
import { splitRing } from './split-ring.ts';

const ALL = [openLoop, splitRing, clip] as const;

/** Every joint of a hinged head; a new one is one file and one line here. */
export const JOINTS: readonly JointKind<JointKey>[] = ALL;
/** The key of a joint. */
export type JointKey = (typeof ALL)[number]['key'];

/** The joint of a key. Throws for one that is not of `JOINTS`. */
export const jointOf = (key: string): JointKind => kindOf(JOINTS, key, 'Joint');
