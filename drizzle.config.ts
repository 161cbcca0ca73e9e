import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'sqlite',
  schema: ['./server/db/tables/schema.ts', './server/db/tables/log-schema.ts', './server/db/tables/access-schema.ts'],
  out: './server/db/migrations',
});
