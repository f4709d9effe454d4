/** Measures speed and writes docs/bench.md. */
import { spawnSync } from 'node:child_process';
import { ROOT, build, installPackages, installTestTools, onPath } from './setup.mjs';

installPackages();
// The general tool that the renderer is held against.
installTestTools([{ have: onPath('magick') || onPath('convert'), deb: 'imagemagick', variable: 'PATH' }]);
build();
const done = spawnSync('npx', ['tsx', 'bench/run.ts', ...process.argv.slice(2)], { cwd: ROOT, stdio: 'inherit' });
process.exit(done.status ?? 1);
