import { defineConfig } from 'vitest/config';

// Decorators as TypeScript's own compiler emits them: Nest and class-validator read the metadata.
const oxc = { decorator: { legacy: true, emitDecoratorMetadata: true } };

export default defineConfig({
  test: {
    projects: [
      { oxc, test: { name: 'unit', include: ['packages/**/*.spec.ts', 'demo/**/*.spec.ts', 'apps/web/src/**/*.spec.ts'] } },
      { test: { name: 'start', include: ['scripts/**/*.spec.ts'], testTimeout: 60_000, fileParallelism: false } },
      { oxc, test: { name: 'server', include: ['apps/server/**/*.spec.ts'], testTimeout: 30_000, hookTimeout: 60_000, fileParallelism: false } },
    ],
  },
});
