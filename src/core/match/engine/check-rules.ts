import { withUsual } from '../../quantity/phrase.ts';
import { isKeyOf } from '../../kind/keys.ts';
import type { Problem } from '../../document/problem.ts';
import type { Condition, Rule } from '../../document/rules.ts';
import { SCHOOL_TOPICS, SCHOOLS } from '../../document/schools.ts';
import { factOf, FACTS } from './facts.ts';

/** How deep conditions may stand in one another. */
const DEEPEST = 8;

/**
 * What is wrong with rules of the schema's shape: facts that do not exist, words no form offers, spans of
 * words, schools nobody knows, ids that stand twice. An empty list means they can be used.
 */
export function checkRuleFacts(
  rules: readonly Rule[],
  schools: Readonly<Record<string, string>> = {},
): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  for (const [topic, side] of Object.entries(schools)) {
    const wrong = wrongSchool(topic, side);
    if (wrong) problems.push({ path: `/schools/${topic.slice(0, 40)}`, message: wrong.message });
  }
  rules.forEach((rule, i) => {
    const at = `/rules/${i}`;
    const say = (path: string, message: string) => problems.push({ path: `${at}/${path}`, message });
    if (seen.has(rule.id)) say('id', `Id: “${rule.id}” stands twice. Give each rule its own.`);
    seen.add(rule.id);
    rule.when.forEach((condition, k) => {
      for (const { path, message } of wrongConditions(condition)) say(`when/${k}${path}`, message);
    });
    rule.claim?.forEach((condition, k) => {
      for (const { path, message } of wrongConditions(condition)) say(`claim/${k}${path}`, message);
    });
    for (const [, name = ''] of withUsual(rule.says).matchAll(/\{([^}]+)\}/g))
      if (!factOf(name)) say('says', `Says: ${unknown(name)}`);
    if (rule.school) {
      const wrong = wrongSchool(rule.school.topic, rule.school.side);
      if (wrong) say(`school/${wrong.field}`, wrong.message);
    }
  });
  return problems;
}

function wrongSchool(topic: string, side: string): { field: string; message: string } | undefined {
  if (!isKeyOf(SCHOOLS, topic))
    return {
      field: 'topic',
      message: `School: “${topic.slice(0, 40)}” is not a topic. Use one of ${SCHOOL_TOPICS.join(', ')}.`,
    };
  const { sides } = SCHOOLS[topic];
  if (Object.hasOwn(sides, side)) return undefined;
  return {
    field: 'side',
    message: `School: “${side.slice(0, 40)}” is not a side of ${topic}. Use one of ${Object.keys(sides).join(', ')}.`,
  };
}

/** Names so much like a wrong one that they are worth telling; all of them would fill a screen. */
const LIKELY = 12;

function unknown(name: string): string {
  const [stem = ''] = name.toLowerCase().split('.');
  const alike = FACTS.filter((fact) => fact.name.toLowerCase().startsWith(stem.slice(0, 3)));
  const told = (alike.length > 0 ? alike : FACTS).slice(0, LIKELY).map((fact) => fact.name);
  return `“${name.slice(0, 40)}” is not a fact. Use one of ${told.join(', ')}${told.length === LIKELY ? ' …' : ''}.`;
}

/** What is wrong with a condition and those in it, each with its place below it. */
function wrongConditions(condition: Condition, path = '', depth = 0): Problem[] {
  if (depth > DEEPEST)
    return [{ path, message: `When: conditions stand more than ${DEEPEST} deep. Say it with fewer.` }];
  if ('not' in condition) return wrongConditions(condition.not, `${path}/not`, depth + 1);
  if ('all' in condition || 'any' in condition) {
    const [key, inner] =
      'all' in condition ? (['all', condition.all] as const) : (['any', condition.any] as const);
    return inner.flatMap((one, i) => wrongConditions(one, `${path}/${key}/${i}`, depth + 1));
  }
  const wrong = wrongLeaf(condition);
  return wrong ? [{ path: `${path}/${wrong.field}`, message: wrong.message }] : [];
}

function wrongLeaf(
  condition: Extract<Condition, { fact: string }>,
): { field: string; message: string } | undefined {
  const fact = factOf(condition.fact);
  if (!fact) return { field: 'fact', message: `Fact: ${unknown(condition.fact)}` };
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
