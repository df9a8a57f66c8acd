import type { ErrorObject } from 'ajv';
import type { Problem } from '../core/document/index.ts';
import { shortened } from '../core/quantity/index.ts';
import { ajv } from './engine.ts';
import { fieldName } from './field-name.ts';

/** At most this many problems are told at once: a wrecked document would fill the screen. */
export const MOST_PROBLEMS = 20;

/** Schema errors as sentences that name the field and the remedy. */
export function problemsFrom(errors: readonly ErrorObject[]): Problem[] {
  const problems: Problem[] = [];
  // A choice between forms reports every form it tried: keep the choice, and drop what lies beneath it.
  const choices = errors.filter(({ keyword }) => keyword === 'anyOf');
  for (const choice of choices) problems.push(...choiceProblems(choice));
  for (const error of errors) {
    const beneath = choices.some(
      ({ schemaPath }) => error.keyword !== 'anyOf' && error.schemaPath.startsWith(schemaPath),
    );
    if (!beneath && error.keyword !== 'anyOf') problems.push(sentence(error));
  }
  const seen = new Set<string>();
  return problems
    .filter(({ path, message }) => {
      const key = `${path} ${message}`;
      return seen.has(key) ? false : (seen.add(key), true);
    })
    .slice(0, MOST_PROBLEMS);
}

interface Branch {
  readonly const?: unknown;
  readonly properties?: { readonly kind?: { readonly const?: unknown } };
}

function choiceProblems(error: ErrorObject): Problem[] {
  const branches = (error.schema as Branch[] | undefined) ?? [];
  const name = fieldName(error.instancePath);
  if (branches.every((branch) => 'const' in branch)) {
    const allowed = branches.map((branch) => String(branch.const)).join(', ');
    return [{ path: error.instancePath, message: `${name}: ${shown(error.data)} is not one of ${allowed}.` }];
  }
  const kind = (error.data as { kind?: unknown } | null)?.kind;
  const branch = branches.find((candidate) => candidate.properties?.kind?.const === kind);
  if (!branch) {
    const allowed = branches.map((candidate) => String(candidate.properties?.kind?.const)).join(', ');
    return [
      {
        path: `${error.instancePath}/kind`,
        message: `${name}: kind is ${shown(kind)}; use one of ${allowed}.`,
      },
    ];
  }
  const validate = ajv.compile(branch as object);
  validate(error.data);
  return (validate.errors ?? []).map((inner) =>
    sentence({ ...inner, instancePath: error.instancePath + inner.instancePath }),
  );
}

function sentence(error: ErrorObject): Problem {
  const { keyword, params, instancePath, data } = error;
  const name = fieldName(instancePath);
  const at = (message: string, path = instancePath): Problem => ({ path, message });
  switch (keyword) {
    case 'required': {
      const missing = String(params['missingProperty']);
      return at(
        `${fieldName(`${instancePath}/${missing}`)} is missing. Add it.`,
        `${instancePath}/${missing}`,
      );
    }
    case 'additionalProperties': {
      const extra = shortened(String(params['additionalProperty']), 60);
      return at(
        `${name}: “${extra}” is not a field here. Remove it, or check its spelling.`,
        `${instancePath}/${extra}`,
      );
    }
    case 'type':
      return at(`${name}: must be ${withArticle(String(params['type']))}, not ${shown(data)}.`);
    case 'const':
      return at(`${name}: must be ${shown(params['allowedValue'])}, not ${shown(data)}.`);
    case 'minimum':
    case 'maximum':
    case 'exclusiveMinimum':
    case 'exclusiveMaximum': {
      const words: Record<string, string> = {
        '>=': 'at least',
        '<=': 'at most',
        '>': 'more than',
        '<': 'less than',
      };
      return at(
        `${name}: must be ${words[String(params['comparison'])] ?? ''} ${String(params['limit'])}, not ${shown(data)}.`,
      );
    }
    case 'maxLength':
      return at(
        `${name}: is ${String(data).length} characters long; at most ${String(params['limit'])} fit. Shorten it.`,
      );
    case 'pattern':
      return params['pattern'] === '^$|\\S'
        ? at(`${name}: must not be blank. Type something.`)
        : at(`${name}: ${error.message ?? 'is not right'}.`);
    case 'minLength':
      return at(`${name}: must not be empty. Type something.`);
    default:
      return at(`${name}: ${error.message ?? 'is not right'}.`);
  }
}

const withArticle = (type: string): string =>
  ({
    number: 'a number',
    integer: 'a whole number',
    string: 'text',
    object: 'an object',
    array: 'a list',
    boolean: 'true or false',
  })[type] ?? type;

/** A value as it may stand in a sentence, never longer than a line. */
function shown(data: unknown): string {
  if (data === undefined) return 'missing';
  if (typeof data === 'string') return `“${data.length > 40 ? `${shortened(data, 40)}…` : data}”`;
  if (typeof data === 'object') return data === null ? 'null' : Array.isArray(data) ? 'a list' : 'an object';
  return String(data);
}

/** `/head/dimensions/breadth` → `Head, dimensions, breadth`; the whole document is called “The document”. */
