// Makes docs/readings.md, docs/rules.md, docs/api.md and docs/schema/*.json from the code; with --check,
// fails when they are not what the code says.
import { publishedSchema } from '../src/contract/published-schema.ts';
import { apiPage } from './api-page.ts';
import { TRADE } from './trade.ts';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { format } from 'oxfmt';
import type { FormatOptions } from 'oxfmt';
import type { TSchema } from '@sinclair/typebox';
import { COLLECTIONS, kindOf } from '../src/contract/collections/index.ts';
import { READING_GROUPS, READING_IDS, READINGS } from '../src/core/behaviour/index.ts';
import { wordName, HOOK_RULES, RulesSchema, SCHOOL_TOPICS, SCHOOLS } from '../src/core/document/index.ts';
import { EXPORTS } from '../src/core/exchange/index.ts';
import { GUARDS, KEEPERS } from '../src/core/fitting/index.ts';
import { DRAWN_FAMILIES, FEATURES } from '../src/core/head/index.ts';
import { GRADES, HOOK_CHART, JOINTS, STYLES } from '../src/core/hook/index.ts';
import { initialValues } from '../src/core/kind/index.ts';
import { conditionText, FACTS, QUESTIONS, REFERENCE_RULES } from '../src/core/match/index.ts';
import { METALS } from '../src/core/material/index.ts';
import { PLASTIC_KINDS } from '../src/core/plastic/index.ts';
import { inUnits, withUsual } from '../src/core/quantity/index.ts';
import { METHODS } from '../src/core/rigging/index.ts';

const root = fileURLToPath(new URL('..', import.meta.url));

function readingsPage(): string {
  const cell = (text: string) => text.replace(/\|/g, '\\|');
  const sections = READING_GROUPS.flatMap((group) => {
    const rows = READING_IDS.filter((id) => READINGS[id].group === group).map((id) => {
      const { name, unit, kind, formula, note, behaviour } = READINGS[id];
      const file = `src/core/behaviour/${behaviour}.ts`;
      return `| \`${id}\` | ${name} | ${unit} | ${kind} | ${cell(formula)} | ${cell(inUnits(withUsual(note), 'metric'))} | [${behaviour}.ts](../${file}) |`;
    });
    if (rows.length === 0) return [];
    return [
      `## ${group}

| id | name | unit | kind | formula | how it is made | file |
| --- | --- | --- | --- | --- | --- | --- |
${rows.join('\n')}
`,
    ];
  });
  return `# Readings

Made from \`src/core/behaviour/\` by \`npm run docs\`; do not edit by hand.

Every reading has a stable id, a fixed unit, and a kind that says what it is based on:
**measured** (typed in or weighed), **geometry** (follows from the shape), **model** (physics with stated assumptions, shown with a
plausible range), **index** (relative only), **practice** (a rule of the trade). Ids are never reused for something else.
A reading that does not apply to a design (a guard's, where there is no guard) is absent.

${sections.join('\n')}`;
}

/** A stored word of a brief, with what the interface calls it where that is another. */
const asSaid = (word: string): string => {
  const said = wordName(word);
  return said === word ? word : `${said} (stored as \`${word}\`)`;
};

function factsPage(): string {
  const rows = FACTS.map((fact) => {
    const takes = 'choices' in fact ? fact.choices.map(asSaid).join(', ') : `a number: ${fact.quantity}`;
    return `| \`${fact.name}\` | ${fact.words} | ${fact.about} | ${takes} |`;
  });
  return `

## Facts a rule can ask for

| fact | what it is | from | takes |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
}

function rulesPage(): string {
  const rows = REFERENCE_RULES.rules.map(
    ({ id, question, grade, strength, says, when, school, source }) =>
      `| \`${id}\` | ${question} | ${grade} | ${strength} | ${says} | ${when.map((one) => inUnits(conditionText(one), 'metric')).join('; ') || 'always'} | ${school ? `${school.topic}: ${school.side}` : ''} | ${source} |`,
  );
  const asks = QUESTIONS.map(
    ({ key, name, asks: asked, compute, isBoth }) =>
      `| \`${key}\` | ${name} | ${asked} | ${compute ? (isBoth ? 'computed, and the usual choice: the worse of both' : 'computed first, then the usual choice') : 'the usual choice'} |`,
  );
  const schools = SCHOOL_TOPICS.map((topic) => {
    const { title, why, sides } = SCHOOLS[topic];
    return `| \`${topic}\` | ${title} | ${Object.entries(sides)
      .map(([side, text], i) => `**${side}**${i === 0 ? ' (default)' : ''}: ${text}`)
      .join(' ')} | ${why} |`;
  });
  return `# Questions, rules and schools of the match

Made from \`src/core/match/\` by \`npm run docs\`; do not edit by hand. A shop may have a set of its own (\`PUT /api/rules\`), checked
against the facts below when it is loaded. A value in braces is filled in when the rule speaks;
a quantity in braces (\`{10 to 12 lb}\`, \`{9 to 12 g}\`, \`{7 ft 6 in}\`) is shown in the reader’s units.

Within a question nothing adds up: of the rules that hold the strongest speaks, of equals the one that asks more, then the more cautious;
“never” is a hard stop that nothing outranks. What is computed goes first. Where the shape answers (moves, cover, cracks, rest) a rule of a trait,
such as a hinge, can only lessen the shape’s own grade. A rule with a claim is spoken only of heads whose readings, where they are known, agree with it.

## Questions

| question | name | asked as | answered by |
| --- | --- | --- | --- |
${asks.join('\n')}

## What the trade says, and where it stands

| what is said | where |
| --- | --- |
${TRADE.map(([said, where]) => `| ${said} | ${where} |`).join('\n')}

## Schools

| topic | about | sides | why the default |
| --- | --- | --- | --- |
${schools.join('\n')}

## Rules

| id | question | answer | strength | reason | when | school | source |
| --- | --- | --- | --- | --- | --- | --- | --- |
${rows.join('\n')}${factsPage()}`;
}

function shapesPage(): string {
  const told = (value: number, kind: string) =>
    kind === 'share'
      ? `${Math.round(value * 100)}%`
      : `${value}${kind === 'angle' ? '°' : kind === 'size' ? ' mm' : ''}`;
  const families = DRAWN_FAMILIES.map(
    ({ key, name, group, purpose, badAt, dimensions, within }) => `### ${name}

\`${key}\`, ${group}${within ? '; the metal lies inside the plastic' : ''}. ${purpose} Bad at: ${badAt.charAt(0).toLowerCase()}${badAt.slice(1)}

| dimension | name | least | at first | most | meaning |
| --- | --- | --- | --- | --- | --- |
${dimensions.map((d) => `| \`${d.key}\` | ${d.name} | ${told(d.min, d.kind)} | ${told(d.initial, d.kind)} | ${told(d.max, d.kind)} | ${d.note} |`).join('\n')}
`,
  );
  const fields = (initial: object) =>
    Object.entries(initial)
      .filter(([key]) => key !== 'kind')
      .map(([key, value]) => `\`${key}\` ${String(value)}`)
      .join(', ');
  return `# Shapes, hooks, fittings and other kinds

Made from the code by \`npm run docs\`; do not edit by hand. What each is good and bad for is common practice, no source. Sizes grow with
the head when a weight is solved for; shares, angles and exponents stay.

## Families

${families.join('\n')}
### Imported solid

\`imported\`: a closed solid from an STL or 3MF file, with \`length\`, \`breadth\` and \`height\` to stretch it by. Its mass properties are
those of its mesh; it takes a collar, but no other features.

## Features

On any family (\`head.features\`); one that belongs to a family is replaced by one of the same name. Cuts and joins are worked in this order,
with the collar before the slot and the eye's pocket last.

| feature | name | what it does | at first |
| --- | --- | --- | --- |
${FEATURES.map(({ key, name, does, fields: own }) => `| \`${key}\` | ${name} | ${does} | ${fields(initialValues(own))} |`).join('\n')}

## Hook styles

Factors on the generic round-bend chart, from memory.

| style | uses | gap × | shank × | point leg (of the gap) | point turned | step of the shank (of the gap) |
| --- | --- | --- | --- | --- | --- | --- |
${STYLES.map(({ key, does, gap, shank, pointLeg, lean, offset }) => `| ${key} | ${does} | ${gap} | ${shank} | ${pointLeg} | ${lean}° | ${offset} |`).join('\n')}

## Joints

| \`hook.joint.kind\` | what it does |
| --- | --- |
${JOINTS.map(({ key, does }) => `| \`${key}\` | ${does} |`).join('\n')}

## Metals

| \`head.metal\` | name | g/cm³ | typical range | made | source |
| --- | --- | --- | --- | --- | --- |
${METALS.map(({ key, name, density, densityRange: [low, high], making, source }) => `| \`${key}\` | ${name} | ${density} | ${low} to ${high} | ${making} | ${source} |`).join('\n')}

## Plastics and methods

| \`kind\` of a plastic | what it is |
| --- | --- |
${PLASTIC_KINDS.map(({ key, does }) => `| \`${key}\` | ${does} |`).join('\n')}

| method | what it does |
| --- | --- |
${METHODS.map(({ key, does }) => `| \`${key}\` | ${does} |`).join('\n')}

## Files out

| ending | name | what is in it |
| --- | --- | --- |
${EXPORTS.map(({ key, name, does }) => `| \`${key}\` | ${name} | ${does} |`).join('\n')}

## Keepers

| \`keeper.kind\` | name | fields at first |
| --- | --- | --- |
${KEEPERS.map(({ key, name, initial }) => `| \`${key}\` | ${name} | ${fields(initial)} |`).join('\n')}

## Guards

| \`guard.kind\` | name | fields at first |
| --- | --- | --- |
${GUARDS.map(({ key, name, initial }) => `| \`${key}\` | ${name} | ${fields(initial)} |`).join('\n')}
`;
}

/**
 * What a design's fields may be, where the code decides it: the part of docs/formats.md between its two
 * marks.
 */
function kindsOfFields(): string {
  const code = (names: readonly string[]) => names.map((name) => `\`${name}\``).join(' ');
  const fields = (initial: object) =>
    Object.keys(initial)
      .filter((key) => key !== 'kind')
      .join(', ');
  const kinds = (all: readonly { readonly key: string; readonly initial: object }[]) =>
    all.map(({ key, initial }) => `\`${key}\`${fields(initial) ? ` (${fields(initial)})` : ''}`).join('; ');
  const rows = [
    ['head.family', code([...DRAWN_FAMILIES.map(({ key }) => key), 'imported'])],
    ['head.metal', code(METALS.map(({ key }) => key))],
    ['head.features', code(FEATURES.map(({ key }) => key))],
    ['hook.size', code(HOOK_CHART.map(({ size }) => size))],
    ['hook.grade', code(GRADES)],
    ['hook.style', code(STYLES.map(({ key }) => key))],
    ['hook.joint.kind', code(JOINTS.map(({ key }) => key))],
    ['keeper.kind', kinds(KEEPERS)],
    ['guard.kind', kinds(GUARDS)],
    ['kind of a plastic', code(PLASTIC_KINDS.map(({ key }) => key))],
    ['method', code(METHODS.map(({ key }) => key))],
    ['ladder.rule', code(HOOK_RULES)],
  ];
  return `| field | what it may be |
| --- | --- |
${rows.map(([field, what]) => `| \`${field}\` | ${what} |`).join('\n')}`;
}

const FORMATS = 'docs/formats.md';

/** What a collection's documents say they are, without what all of them begin with. */
function formatOf(schema: TSchema): { readonly name: string; readonly version: number } {
  const { format, version } = schema['properties'] as Readonly<Record<'format' | 'version', TSchema>>;
  return { name: String(format['const']).replace('fern-anvil/', ''), version: Number(version['const']) };
}

/** What the server keeps, collection by collection: another part of docs/formats.md between two marks. */
function collectionsTable(): string {
  const rows = COLLECTIONS.map((collection) => {
    const { key, noun, schema, steps } = kindOf(collection);
    const { name, version } = formatOf(schema);
    const history = steps ? `up to ${steps.most} steps, and named versions` : 'none';
    return `| \`/api/${key}\` | ${noun} | \`fern-anvil/${name}\` | ${version} | [schema](schema/${name}.schema.json) | ${history} |`;
  });
  return `| address | one of them | format | version | fields | history |
| --- | --- | --- | --- | --- | --- |
${rows.join('\n')}`;
}

/** The page is written by hand but for some parts, and laid out like the rest of what is. */
async function formatsPage(): Promise<string> {
  let page = readFileSync(join(root, FORMATS), 'utf8');
  for (const [part, text] of [
    ['collections', collectionsTable()],
    ['kinds', kindsOfFields()],
  ] as const) {
    const between = new RegExp(`(<!-- made from the code: ${part} -->\n\n)[\\s\\S]*?(\n\n<!-- end -->)`);
    if (!between.test(page))
      throw new Error(`${FORMATS} has lost the marks between which its ${part} stand.`);
    page = page.replace(between, (_, open: string, close: string) => `${open}${text}${close}`);
  }
  return styled(FORMATS, page);
}

const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
/** Returns a page as the formatter would have it. */
async function styled(name: string, text: string): Promise<string> {
  const style = JSON.parse(readFileSync(join(root, '.oxfmtrc.json'), 'utf8')) as FormatOptions;
  return (await format(join(root, name), text, style)).code;
}
const files: Readonly<Record<string, string>> = {
  'docs/readings.md': readingsPage(),
  'docs/rules.md': rulesPage(),
  'docs/shapes.md': shapesPage(),
  'docs/api.md': await styled('docs/api.md', apiPage()),
  [FORMATS]: await formatsPage(),
  'docs/schema/rules.schema.json': json(publishedSchema(RulesSchema, 'rules')),
  ...Object.fromEntries(
    COLLECTIONS.map(kindOf).map(({ schema }) => {
      const { name } = formatOf(schema);
      return [`docs/schema/${name}.schema.json`, json(publishedSchema(schema, name))];
    }),
  ),
};

const check = process.argv.includes('--check');
let stale = 0;
for (const [name, text] of Object.entries(files)) {
  const path = join(root, name);
  const now = existsSync(path) ? readFileSync(path, 'utf8') : '';
  if (now === text) continue;
  stale++;
  if (check) console.error(`${name} is not what the code says. Run npm run docs.`);
  else {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, text);
    console.log(`${name} written`);
  }
}
if (check && stale > 0) process.exit(1);
if (check) console.log('documents agree with the code');
