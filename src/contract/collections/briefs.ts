import { isObject } from '../../core/kind/index.ts';
import type { Brief, Brief1 } from '../../core/document/index.ts';
import { BriefSchema, BriefSchema1, upgradeBrief } from '../../core/document/index.ts';
import type { Checked } from '../checker.ts';
import { checker } from '../checker.ts';
import { plainCollection } from './collection.ts';

const checkBrief = checker<Brief>(BriefSchema);
const checkBrief1 = checker<Brief1>(BriefSchema1);

/** A brief: of the present version as it is, of version 1 taken over. */
export function checkBriefDocument(data: unknown): Checked<Brief> {
  const isOld = isObject(data) && data['version'] === 1;
  if (!isOld) return checkBrief(data);
  const old = checkBrief1(data);
  return old.ok ? { ok: true, value: upgradeBrief(old.value) } : old;
}

/** Briefs: waters and ways of fishing that heads are judged for. */
export const briefs = plainCollection({
  key: 'briefs',
  noun: 'brief',
  schema: BriefSchema,
  check: checkBriefDocument,
});
