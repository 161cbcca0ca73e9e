import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'sqlite',
  schema: ['./server/db/schema.ts', './server/db/log-schema.ts', './server/db/access-schema.ts'],
  out: './server/db/migrations',
});
