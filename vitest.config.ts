import { defineConfig } from 'vitest/config';
import { LongFirst } from './tests/long-first';
export default defineConfig({
  test: {
    projects: [
      {
        // These keep nothing outside of themselves: what one file has loaded, the next need not load again.
        extends: true,
        test: {
          name: 'core',
          include: ['{core,node-kit,cli,server}/src/**/*.test.ts', 'tests/**/*.test.ts'],
          exclude: ['**/node_modules/**', 'tests/journeys/**'],
          isolate: false,
        },
      },
      // Each of these has a browser's store of its own.
      { extends: true, test: { name: 'web', include: ['web/src/**/*.test.ts'] } },
    ],
    globalSetup: ['tests/before.mjs'],
    setupFiles: ['tests/chance.ts'],
    // Against tests that hang, on machines several times slower than ours.
    testTimeout: 240_000,
    hookTimeout: 240_000,
    maxWorkers: 2,
    sequence: { sequencer: LongFirst },
    // The code that is tested is loaded by Node itself, not module by module through the test runner's own loader: that
    // asks for an import anew at every use, and costs half of the time where pixels are counted.
    pool: 'forks',
    execArgv: ['--import', 'tsx'],
    server: { deps: { external: [/\/(core|node-kit|cli|server)\/src\/(?!.*\.test\.)/, /\/tests\/fixtures\//] } },
  },
});
