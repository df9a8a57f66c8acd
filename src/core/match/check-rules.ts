import type { SchoolTopic } from '../document/brief.ts';
import { SCHOOLS } from '../document/brief.ts';
import type { Problem } from '../document/problem.ts';
import type { Condition, Rule } from '../document/rules.ts';
import { factOf, FACTS } from './facts.ts';

/**
 * What is wrong with rules of the schema's shape: facts that do not exist, words no form offers, spans of words, schools nobody knows, ids
 * that stand twice. An empty list means they can be used.
 */
export function checkRuleFacts(rules: readonly Rule[]): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  rules.forEach((rule, i) => {
    const at = `/rules/${i}`;
    const say = (path: string, message: string) => problems.push({ path: `${at}/${path}`, message });
    if (seen.has(rule.id)) say('id', `Id: “${rule.id}” stands twice. Give each rule its own.`);
    seen.add(rule.id);
    for (const part of ['when', 'if'] as const) {
      rule[part].forEach((condition, k) => {
        const wrong = wrongCondition(condition, part === 'when');
        if (wrong) say(`${part}/${k}/${wrong.field}`, wrong.message);
      });
    }
    for (const [, name = ''] of rule.says.matchAll(/\{([^}]+)\}/g))
      if (!factOf(name)) say('says', `Says: ${unknown(name)}`);
    if (rule.school) {
      const { topic, side } = rule.school;
      if (!Object.hasOwn(SCHOOLS, topic))
        say(
          'school/topic',
          `School: “${topic}” is not a topic. Use one of ${Object.keys(SCHOOLS).join(', ')}.`,
        );
      else if (!Object.hasOwn(SCHOOLS[topic as SchoolTopic].sides, side))
        say(
          'school/side',
          `School: “${side}” is not a side of ${topic}. Use one of ${Object.keys(SCHOOLS[topic as SchoolTopic].sides).join(', ')}.`,
        );
    }
  });
  return problems;
}

const unknown = (name: string): string =>
  `“${name.slice(0, 40)}” is not a fact. Use one of ${FACTS.map((fact) => fact.name).join(', ')}.`;

function wrongCondition(
  condition: Condition,
  isAboutBrief: boolean,
): { field: string; message: string } | undefined {
  const fact = factOf(condition.fact);
  if (!fact) return { field: 'fact', message: `Fact: ${unknown(condition.fact)}` };
  if (isAboutBrief && fact.about !== 'brief')
    return { field: 'fact', message: `Fact: ${fact.name} is not said by a brief. Ask for it under “if”.` };
  if ('choices' in fact) {
    if (!('in' in condition))
      return { field: 'in', message: `${fact.words}: is one of some words. List those meant under “in”.` };
    const odd = condition.in.find((word) => !fact.choices.includes(word));
    if (odd === undefined) return undefined;
    return {
      field: 'in',
      message: `${fact.words}: “${odd.slice(0, 40)}” is not known. Use one of ${fact.choices.join(', ')}.`,
    };
  }
  if ('in' in condition)
    return { field: 'in', message: `${fact.words}: is a number. Give “min”, “max” or both.` };
  if ((condition.min ?? -Infinity) > (condition.max ?? Infinity))
    return { field: 'min', message: `${fact.words}: its least is above its most, so it never holds.` };
  return undefined;
}
