import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,node-kit,cli,server,web}/src/**/*.test.ts', 'tests/**/*.test.ts'],
    exclude: ['**/node_modules/**', 'tests/journeys/**'],
    setupFiles: ['tests/chance.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    maxWorkers: 2,
  },
});
