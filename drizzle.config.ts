import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: ['./src/server/schema.ts', './src/server/schema-passing.ts'],
  out: './src/server/migrations',
});
