/** Sets up, then runs every check and test; ends with one line that counts them all. */
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { ROOT, build, installBooks, installPackages, installTestTools } from './setup.mjs';

installPackages();
installTestTools();
installBooks();

let passed = 0;
let failed = 0;
/** What failed, said once more at the very end: a long run is read from there. */
const failures = [];
/** What passed only when it was tried again. */
const flaky = [];
const results = join(ROOT, 'test-results');
mkdirSync(results, { recursive: true });

const run = (command, args, env = {}) =>
  spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } }).status ?? 1;

/** Checks that pass or fail as a whole, two at a time; what each one says is printed together. */
async function checks(list) {
  const waiting = [...list];
  const one = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [name, command, args] = next;
      let said = '';
      const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
      const code = await new Promise((done) => child.on('error', () => done(1)).on('close', done));
      console.log(`\n== ${name}\n${said}`.trimEnd());
      if (code === 0) passed++;
      else {
        failed++;
        failures.push(`${name}: ${said.trim().split('\n')[0]}`);
      }
    }
  };
  await Promise.all([one(), one()]);
}

/** A runner that counts its own tests into a JSON report; none run, or no report, is a failure. */
function suite(name, command, args, report, count, env = {}) {
  console.log(`\n== ${name}`);
  const from = performance.now();
  rmSync(report, { force: true });
  const status = run(command, args, env);
  let counted = { passed: 0, failed: 0, failures: [] };
  try {
    counted = count(JSON.parse(readFileSync(report, 'utf8')));
  } catch {
    console.log(`${name} left no report`);
  }
  passed += counted.passed;
  failed += counted.failed;
  failures.push(...counted.failures);
  flaky.push(...(counted.flaky ?? []));
  console.log(`${name}: ${Math.round((performance.now() - from) / 1000)} s`);
  if (counted.passed + counted.failed === 0 || (status !== 0 && counted.failed === 0)) {
    failed++;
    failures.push(`${name} did not run to its end`);
  }
}

const firstLine = (text) => text.split('\n')[0].slice(0, 200);
/** Why a journey failed at first, and on which line: in plain letters, on one line. */
function reasonOf(spec) {
  const result = spec.tests.flatMap((test) => test.results).find(({ error }) => error);
  const said = stripVTControlCharacters(result?.error.message ?? '').replace(/\s+/g, ' ');
  return `${spec.file}:${spec.line} › ${spec.title}: line ${result?.errorLocation?.line ?? '?'}, ${said.slice(0, 240)}`;
}
const specsOf = (suites) => suites.flatMap((each) => [...each.specs, ...specsOf(each.suites ?? [])]);

await checks([
  ['format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  ...['web', 'tests', 'core', 'web/tsconfig.worker.json', 'node-kit', 'cli', 'server'].map((project) => [
    `types of ${project}`,
    'npx',
    ['tsc', '-p', project],
  ]),
  ['lint', 'npx', ['oxlint', '--deny-warnings']],
]);
const unit = join(results, 'unit.json');
suite(
  'unit',
  'npx',
  ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`],
  unit,
  (r) => ({
    passed: r.numPassedTests,
    failed: r.numFailedTests,
    failures: r.testResults.flatMap((file) => [
      ...(file.assertionResults.length === 0 && file.message
        ? [`${relative(ROOT, file.name)}: ${firstLine(file.message)}`]
        : []),
      ...file.assertionResults
        .filter((test) => test.status === 'failed')
        .map((test) => `${relative(ROOT, file.name)} › ${test.fullName}: ${firstLine(test.failureMessages[0] ?? '')}`),
    ]),
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
    failures: specsOf(r.suites)
      .filter((spec) => !spec.ok)
      .map(reasonOf),
    flaky: specsOf(r.suites)
      .filter((spec) => spec.ok && spec.tests.some((test) => test.status === 'flaky'))
      .map(reasonOf),
  }),
  { PLAYWRIGHT_JSON_OUTPUT_NAME: journeys },
);

if (flaky.length > 0) console.log(`\nPassed only when tried again:\n${flaky.map((line) => `  ${line}`).join('\n')}`);
if (failures.length > 0) console.log(`\nFailed:\n${failures.map((line) => `  ${line}`).join('\n')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
