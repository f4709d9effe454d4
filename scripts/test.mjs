/** Sets up, then runs every check and test; ends with one line that counts them all. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, build, installBooks, installPackages, installTestTools } from './setup.mjs';

installPackages();
installTestTools();
installBooks();

let passed = 0;
let failed = 0;
const results = join(ROOT, 'test-results');
mkdirSync(results, { recursive: true });

const run = (command, args, env = {}) =>
  spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } }).status ?? 1;

/** One check that passes or fails as a whole. */
function check(name, command, args) {
  console.log(`\n== ${name}`);
  if (run(command, args) === 0) passed++;
  else {
    failed++;
    console.log(`${name} failed`);
  }
}

/** A runner that counts its own tests into a JSON report; none run, or no report, is a failure. */
function suite(name, command, args, report, count, env = {}) {
  console.log(`\n== ${name}`);
  rmSync(report, { force: true });
  const status = run(command, args, env);
  let counted = { passed: 0, failed: 0 };
  try {
    counted = count(JSON.parse(readFileSync(report, 'utf8')));
  } catch {
    console.log(`${name} left no report`);
  }
  passed += counted.passed;
  failed += counted.failed;
  if (counted.passed + counted.failed === 0 || (status !== 0 && counted.failed === 0)) {
    failed++;
    console.log(`${name} did not run to its end`);
  }
}

check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
check('lint', 'npx', ['oxlint', '--deny-warnings']);
for (const project of ['core', 'node-kit', 'cli', 'server', 'web', 'web/tsconfig.worker.json', 'tests']) {
  check(`types of ${project}`, 'npx', ['tsc', '-p', project]);
}
const unit = join(results, 'unit.json');
suite(
  'unit',
  'npx',
  ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`],
  unit,
  (r) => ({
    passed: r.numPassedTests,
    failed: r.numFailedTests,
  }),
);
build();
const journeys = join(results, 'journeys.json');
suite(
  'journeys',
  'npx',
  ['playwright', 'test', '--reporter=line,json'],
  journeys,
  (r) => ({
    passed: r.stats.expected + r.stats.flaky,
    failed: r.stats.unexpected,
  }),
  { PLAYWRIGHT_JSON_OUTPUT_NAME: journeys },
);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
