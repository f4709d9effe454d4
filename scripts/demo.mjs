/** Installs, builds and starts the product with the demo titles. */
import { spawn } from 'node:child_process';
import { ROOT, build, installPackages } from './setup.mjs';

installPackages();
console.log('Building the app and the demo titles');
build();
const server = spawn('npx', ['tsx', 'server/src/main.ts'], { cwd: ROOT, stdio: 'inherit' });
server.on('exit', (code) => process.exit(code ?? 1));
