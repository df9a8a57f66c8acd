import type { RuleSet } from '../../document/rules.ts';
import data from './rules.json' with { type: 'json' };

/**
 * The rules that ship, after what practitioners say: what a shop begins with, and what stands until it has
 * its own. Checked like any others where they are loaded.
 */
export const REFERENCE_RULES = data as RuleSet;
