import { type ChildProcess, spawn } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seeded } from '@yosomi/core/base';
import { ROOT } from '@yosomi/node-kit';
import { OwnRedis } from '../../tests/fixtures/redis';

/** Programs that do the jobs at once. */
const WORKERS = 4;

export type KilledWorkers = {
  readonly jobs: number;
  readonly kills: number;
  readonly seconds: number;
  /** How often a job was told of as made, over all workers. */
  readonly made: number;
  readonly broken: readonly string[];
};

const cli = (args: readonly string[], hear: (text: string) => void): ChildProcess => {
  const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'cli/src/main.ts'), ...args], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text: Buffer) => hear(text.toString()));
  return child;
};
const ended = (child: ChildProcess): Promise<number | null> => new Promise((done) => child.on('exit', done));

/** Results of jobs by their paths, byte for byte. */
const resultsIn = (folder: string): Map<string, string> =>
  new Map(
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((name) => name.includes('/') && !name.startsWith('.yosomi-part') && statSync(join(folder, name)).isFile())
      .sort()
      .map((name) => [name, readFileSync(join(folder, name), 'latin1')]),
  );

/** Has jobs done by workers over a queue, while one worker after the other is killed and another begun; looks at what lies there in the end. */
export async function killWorkers(seed: number, jobs: number, kills: number): Promise<KilledWorkers> {
  const dir = mkdtempSync(join(tmpdir(), 'endure-'));
  const redis = await OwnRedis.start(dir);
  const random = seeded(seed);
  const broken: string[] = [];
  let made = 0;
  try {
    copyFileSync(join(ROOT, 'build/demo/5-weather-voices.yosomi'), join(dir, 'weather.yosomi'));
    const job = (_: unknown, i: number) => ({
      name: `job-${i}`,
      do: 'cover save',
      of: ['weather.yosomi'],
      with: { width: 100 + i },
      save: 'front.png',
    });
    const file = join(dir, 'jobs.json');
    writeFileSync(file, JSON.stringify({ jobs: Array.from({ length: jobs }, job) }));
    const begin = (): ChildProcess =>
      cli(['work', '--queue', redis.url, '--threads', '1'], (text) => {
        made += text.match(/^job-\d+: made$/gm)?.length ?? 0;
      });
    const workers = Array.from({ length: WORKERS }, begin);
    const began = performance.now();
    let said = '';
    const run = cli(['run', file, '--out', join(dir, 'out'), '--queue', redis.url], (text) => void (said += text));
    const over = ended(run);
    const state = { going: true };
    void over.then(() => (state.going = false));
    let killed = 0;
    while (state.going && killed < kills) {
      await new Promise((next) => setTimeout(next, 500 + 3000 * random()));
      if (!state.going) break;
      const at = Math.floor(random() * workers.length);
      workers[at].kill('SIGKILL');
      killed++;
      workers[at] = begin();
    }
    await over;
    const seconds = (performance.now() - began) / 1000;
    if (!said.includes(`${jobs} made, 0 up to date, 0 failed`)) broken.push(`The run said: ${said.slice(-200)}`);
    for (const worker of workers) worker.kill('SIGKILL');
    await Promise.all(workers.map((worker) => worker.exitCode ?? worker.signalCode ?? ended(worker)));
    const alone = cli(['run', file, '--out', join(dir, 'alone')], () => {});
    await ended(alone);
    const [found, wanted] = [resultsIn(join(dir, 'out')), resultsIn(join(dir, 'alone'))];
    for (const [name, bytes] of wanted) if (found.get(name) !== bytes) broken.push(`${name} is missing or another`);
    for (const name of found.keys()) if (!wanted.has(name)) broken.push(`${name} should not be there`);
    return { jobs, kills: killed, seconds, made, broken };
  } finally {
    await redis.kill();
    rmSync(dir, { recursive: true, force: true });
  }
}
