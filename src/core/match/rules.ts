import type { RuleSet } from '../document/rules.ts';
import data from './rules.json' with { type: 'json' };

/** The rules that ship, after what practitioners say. The file is checked against `RulesSchema` in the tests. */
export const RULES = (data as RuleSet).rules;
