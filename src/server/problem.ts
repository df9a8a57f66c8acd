import type { Problem } from '../core/document/index.ts';
import { inUnits } from '../core/quantity/index.ts';
import type { ProblemDetails } from '../contract/api.ts';

/** An answer that is not a success, told as problem details (RFC 9457). */
export class HttpProblem extends Error {
  readonly details: ProblemDetails;

  constructor(status: number, title: string, detail: string, errors?: readonly Problem[]) {
    super(detail);
    this.details = {
      type: `about:blank#${title.toLowerCase().replace(/[^a-z]+/g, '-')}`,
      title,
      status,
      detail,
      ...(errors ? { errors } : {}),
    };
  }
}

/** Returns the error of something that is not there, 404. */
export const notFound = (what: string): HttpProblem =>
  new HttpProblem(404, 'Not found', `${what} is not here. It may have been deleted; look through the list.`);

/** Returns the error of a document with wrong fields, 422. */
export const invalid = (errors: readonly Problem[]): HttpProblem =>
  new HttpProblem(
    422,
    'Not valid',
    inUnits(errors[0]?.message ?? 'The document is not valid.', 'metric'),
    errors,
  );
