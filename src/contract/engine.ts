import { Ajv } from 'ajv';
import { NAMES } from '../core/document/index.ts';

/** What checks documents, every error told. */
export const ajv = new Ajv({ allErrors: true, verbose: true, strict: true, allowUnionTypes: true });

/** What checks queries, whose numbers come as text. */
export const coercing = new Ajv({ allErrors: true, verbose: true, strict: true, coerceTypes: true });

// What a text is the id of is no rule of it.
ajv.addKeyword({ keyword: NAMES, schemaType: 'string' });
