import { defineConfig } from 'vitest/config';
export default defineConfig({
  test: {
    include: ['{core,node-kit,cli,server,web}/src/**/*.test.ts', 'tests/**/*.test.ts'],
    exclude: ['**/node_modules/**', 'tests/journeys/**'],
    setupFiles: ['tests/chance.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    maxWorkers: 2,
    pool: 'forks',
    execArgv: ['--import', 'tsx'],
    server: { deps: { external: [/\/(core|node-kit|cli|server)\/src\/(?!.*\.test\.)/, /\/tests\/fixtures\//] } },
  },
});
