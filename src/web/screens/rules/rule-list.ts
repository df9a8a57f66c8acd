import { messageOf } from '../../../core/kind/index.ts';
import type { Rule, RuleSet } from '../../../core/document/index.ts';
import { conditionText, REFERENCE_RULES } from '../../../core/match/index.ts';
import { withUsual } from '../../../core/quantity/index.ts';

/**
 * Rules in whose id, words, conditions or source a text stands, whatever its case; of one question, or of all
 * where that is ''. `say` puts their quantities into the reader’s units, as they are shown.
 */
export function found(
  rules: readonly Rule[],
  text: string,
  question: string,
  say: (text: string) => string,
): readonly Rule[] {
  const find = text.toLowerCase();
  return rules.filter(
    (rule) =>
      (question === '' || rule.question === question) &&
      `${rule.id} ${say(withUsual(rule.says))} ${rule.when.map((one) => say(conditionText(one))).join(' ')} ${rule.source}`
        .toLowerCase()
        .includes(find),
  );
}

/** The rules with one in the place of that of an id, or first where it is new. */
export const withRule = (rules: readonly Rule[], rule: Rule, old?: string): readonly Rule[] =>
  old === undefined ? [rule, ...rules] : rules.map((one) => (one.id === old ? rule : one));

const SHIPPED = new Map(REFERENCE_RULES.rules.map((rule) => [rule.id, JSON.stringify(rule)]));

/**
 * Whether a rule is the shop's own or a shipped one that was changed; undefined of one that is as shipped.
 */
export function differs(rule: Rule): 'own' | 'changed' | undefined {
  const shipped = SHIPPED.get(rule.id);
  if (shipped === undefined) return 'own';
  return shipped === JSON.stringify(rule) ? undefined : 'changed';
}

/** The rules of a file's text, or what is wrong with it; whether they are rules is for the server to say. */
export function rulesFrom(text: string): RuleSet | string {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, '')) as RuleSet;
  } catch (error) {
    return `The file: is not JSON (${messageOf(error)}). Choose one that was exported here.`;
  }
}

/** Conditions as a person edits them: one to a line. */
export const listText = (conditions: Rule['when']): string =>
  conditions.length === 0 ? '[]' : `[\n  ${conditions.map((one) => JSON.stringify(one)).join(',\n  ')}\n]`;

/** The conditions of a text; undefined where it is no list in JSON. */
export function listFrom(text: string): Rule['when'] | undefined {
  try {
    const data: unknown = JSON.parse(text);
    return Array.isArray(data) ? (data as Rule['when']) : undefined;
  } catch {
    return undefined;
  }
}
