import { Ajv } from 'ajv';

/** What checks documents, every error told. */
export const ajv = new Ajv({ allErrors: true, verbose: true, strict: true, allowUnionTypes: true });

/** What checks queries, whose numbers come as text. */
export const coercing = new Ajv({ allErrors: true, verbose: true, strict: true, coerceTypes: true });
