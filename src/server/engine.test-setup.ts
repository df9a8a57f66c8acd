import { inject } from 'vitest';

declare module 'vitest' {
  interface ProvidedContext {
    /** address of the PostgreSQL server that a project's tests run on */
    readonly postgres?: string;
  }
}

// The engine of a project's tests; a worker may have run another project's before.
const postgres = inject('postgres');
if (postgres === undefined) delete process.env['FERN_ANVIL_TEST_POSTGRES'];
else process.env['FERN_ANVIL_TEST_POSTGRES'] = postgres;
