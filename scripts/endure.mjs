/** Kills the app and wounds files, over and over, and writes docs/endurance.md. [kills] [mutations] [seed] [kills|workers|mutations: only these] */
import { spawnSync } from 'node:child_process';
import { ROOT, build, installPackages, installTestTools } from './setup.mjs';

installPackages();
installTestTools();
build();
const done = spawnSync('npx', ['tsx', 'bench/endure/run.ts', ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: 'inherit',
});
spawnSync('npx', ['prettier', '--write', '--log-level', 'warn', 'docs/endurance.md'], { cwd: ROOT, stdio: 'inherit' });
process.exit(done.status ?? 1);
