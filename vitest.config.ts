import { defineConfig } from 'vitest/config';

// Decorators as TypeScript's own compiler emits them: Nest and class-validator read the metadata.
const oxc = { decorator: { legacy: true, emitDecoratorMetadata: true } };

export default defineConfig({
  test: {
    projects: [
      {
        oxc,
        test: {
          name: 'unit',
          include: [
            'packages/**/*.spec.ts',
            'demo/**/*.spec.ts',
            'apps/web/src/**/*.spec.ts',
            'apps/devices/src/**/*.spec.ts',
          ],
          testTimeout: 60_000,
          maxWorkers: 2,
          // The core is read once, and not for each of its two hundred files.
          isolate: false,
        },
      },
      { test: { name: 'start', include: ['scripts/**/*.spec.ts'], testTimeout: 150_000, fileParallelism: false } },
      {
        oxc,
        test: {
          name: 'server',
          include: ['apps/server/**/*.spec.ts'],
          testTimeout: 60_000,
          hookTimeout: 120_000,
          maxWorkers: 2,
          // Each file has a server and a database of its own; what all of them read, the whole server, is read once.
          isolate: false,
        },
      },
    ],
  },
});
