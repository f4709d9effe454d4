import { randomBytes } from 'node:crypto';
import { linkSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { type Result, fail, ok } from '@yosomi/core/base';

const LOCK = '.yosomi-run';

/** A run that goes on says so in its lock as often, ms; one on another machine that has not done so for so long is gone. */
const SAYS_MS = 30_000;
const GONE_MS = 10 * 60_000;

/** Whether a program still runs; one on another machine is taken to. */
export function lives(pid: string, host: string): boolean {
  if (host !== hostname()) return true;
  try {
    process.kill(Number(pid), 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

const whoOf = (text: string): [pid: string, host: string] => {
  const [pid = '', host = ''] = text.split(' ');
  return [pid, host];
};

const read = (file: string): string | null => {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return null;
  }
};

/** Whether a lock was last written long before another file that has just been: both by the clock of the disk that they lie on. */
function isOld(file: string, fresh: string): boolean {
  try {
    return statSync(fresh).mtimeMs - statSync(file).mtimeMs > GONE_MS;
  } catch {
    return false;
  }
}

/** Takes a folder for this run alone; answers how to let go of it. */
function lockFolder(root: string): Result<() => void> {
  const file = join(root, LOCK);
  const own = `${process.pid} ${hostname()} ${randomBytes(8).toString('hex')}`;
  const mine = `${file}-${randomBytes(6).toString('hex')}`;
  try {
    writeFileSync(mine, own, { flag: 'wx' });
  } catch {
    return fail('file-unwritable', { file: root });
  }
  try {
    for (let tries = 0; tries < 5; tries++) {
      try {
        linkSync(mine, file);
        const says = setInterval(() => {
          if (read(file) === own) writeFileSync(file, own);
        }, SAYS_MS).unref();
        return ok(() => {
          clearInterval(says);
          if (read(file) === own) rmSync(file, { force: true });
        });
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') return fail('file-unwritable', { file: root });
      }
      const there = read(file);
      if (there !== null && lives(...whoOf(there)) && !isOld(file, mine))
        return fail('folder-busy', { folder: root, file: LOCK });
      if (there === null) continue;
      // Taken away under another name first: had somebody else taken it over meanwhile, it is put back.
      const dead = `${mine}-dead`;
      try {
        renameSync(file, dead);
        if (read(dead) !== there) linkSync(dead, file);
      } catch {
        // Another run was faster; it is looked at once more.
      }
      rmSync(dead, { force: true });
    }
    return fail('folder-busy', { folder: root, file: LOCK });
  } finally {
    rmSync(mine, { force: true });
  }
}

/** Runs while a folder is taken for this run alone; what a killed run left is taken over. Faults: `folder-busy`, `file-unwritable`, those of `run`. */
export async function alone<T>(root: string, run: () => Promise<Result<T>>): Promise<Result<T>> {
  const lock = lockFolder(root);
  if (!lock.ok) return lock;
  try {
    return await run();
  } finally {
    lock.value();
  }
}
