import { type ChildProcess, spawn } from 'node:child_process';
import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { run as command } from '../cli/src/run';
import { DEMO_FOLDER } from './fixtures/demos';
import { OwnRedis } from './fixtures/redis';

const ROOT = resolve(import.meta.dirname, '..');
let dir: string;
let redis: OwnRedis;
const at = (...names: string[]): string => join(dir, ...names);

beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), 'queue-'));
  redis = await OwnRedis.start(dir);
});
afterAll(async () => {
  await redis.kill();
  rmSync(dir, { recursive: true, force: true });
});
let place = 0;
let folder = '';
beforeEach(() => {
  folder = `run-${place++}`;
  mkdirSync(at(folder));
});

/** Programs that were begun, and how to end what is left of them. */
let begun: ChildProcess[] = [];
afterEach(async () => {
  const left = begun.filter(({ exitCode, signalCode }) => exitCode === null && signalCode === null);
  await Promise.all(left.map((child) => new Promise((done) => (child.once('exit', done), child.kill('SIGKILL')))));
  begun = [];
});

type Program = { readonly child: ChildProcess; readonly said: () => string; readonly ended: Promise<number | null> };
function program(...args: string[]): Program {
  const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'cli/src/main.ts'), ...args], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (text: Buffer) => void (said += text.toString()));
  begun.push(child);
  return { child, said: () => said, ended: new Promise((done) => child.on('exit', done)) };
}
const worker = (...more: string[]): Program => program('work', '--queue', redis.url, '--threads', '1', ...more);

async function run(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  let [out, err] = ['', ''];
  const code = await command(args, { out: (text) => void (out += text), err: (text) => void (err += text) });
  return { code, out, err };
}

type Asked = {
  name: string;
  do: string;
  of?: string[];
  with?: Record<string, unknown>;
  save?: string;
  priority?: number;
};
const mark = (name: string): Asked => ({ name, do: 'mark', with: { name: `${name} House` }, save: 'mark.svg' });
const fronts = (count: number): Asked[] =>
  Array.from({ length: count }, (_, i) => ({
    name: `front-${i}`,
    do: 'cover save',
    of: ['weather.yosomi'],
    with: { width: 200 + i },
    save: 'front.png',
  }));

function jobFile(jobs: readonly Asked[]): string {
  copyFileSync(join(DEMO_FOLDER, '5-weather-voices.yosomi'), at(folder, 'weather.yosomi'));
  writeFileSync(at(folder, 'jobs.json'), JSON.stringify({ jobs }));
  return at(folder, 'jobs.json');
}
const queued = (file: string) => run('run', file, '--out', at(folder, 'out'), '--queue', redis.url);

/** The results of jobs, byte for byte. */
function results(out = 'out'): Map<string, string> {
  const found = readdirSync(at(folder, out), { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.includes('/') && statSync(at(folder, out, name)).isFile(),
  );
  return new Map(found.sort().map((name) => [name, readFileSync(at(folder, out, name), 'latin1')]));
}
const until = async (is: () => boolean): Promise<void> => {
  while (!is()) await new Promise((next) => setTimeout(next, 50));
};

describe('jobs in a queue', () => {
  it('are done by workers as they are without a queue, and are looked at, not remembered', async () => {
    const file = jobFile([...['Alder', 'Birch', 'Cedar', 'Doum'].map(mark), ...fronts(2)]);
    const [one, two] = [worker(), worker('--until-empty')];
    const done = await queued(file);
    expect(done.out, done.err).toBe('6 made, 0 up to date, 0 failed\n');
    expect(await two.ended).toBe(0);
    one.child.kill('SIGTERM');
    expect(await one.ended).toBe(0);
    const made = [one, two].map(({ said }) => Number(/(\d+) made, 0 there already, 0 failed/.exec(said())?.[1]));
    expect(made[0] + made[1]).toBe(6);
    await run('run', file, '--out', at(folder, 'alone'), '--threads', '1');
    expect(results()).toEqual(results('alone'));
    // No worker is there any more, and none is needed.
    expect((await queued(file)).out).toBe('0 made, 6 up to date, 0 failed\n');
  });

  it('that cannot be done are told of with their reason, kept for later, and tried again when asked', async () => {
    const file = jobFile([mark('Elder'), { ...mark('Fir'), with: { name: 'Fir', way: 'none' } }]);
    const one = worker();
    const done = await queued(file);
    expect(done.out).toBe('1 made, 0 up to date, 1 failed\n');
    expect(done.err).toMatch(/Fir: --way cannot be "none"/);
    const listed = await run('queue', '--queue', redis.url);
    expect(listed.out).toMatch(/^0 waiting, 0 being done, 1 failed\n/);
    expect(listed.out).toContain(`${at(folder, 'out')}/Fir: --way cannot be "none"`);
    // What cannot pass is not tried again by itself.
    expect(one.said().match(/^Fir:/gm)).toHaveLength(1);
    await run('queue', '--queue', redis.url, '--retry');
    await until(() => (one.said().match(/^Fir:/gm) ?? []).length === 2);
    expect((await run('queue', '--queue', redis.url, '--forget')).out).toContain('forgotten');
    expect((await run('queue', '--queue', redis.url)).out).toBe('0 waiting, 0 being done, 0 failed\n');
  });

  it('are taken over from a worker that is killed; each is there once and whole in the end', async () => {
    const file = jobFile(fronts(6));
    const first = worker();
    const going = queued(file);
    await until(() => first.said().includes(': made'));
    first.child.kill('SIGKILL');
    const second = worker();
    const done = await going;
    expect(done.out, second.said()).toBe('6 made, 0 up to date, 0 failed\n');
    await run('run', file, '--out', at(folder, 'alone'), '--threads', '1');
    expect(results()).toEqual(results('alone'));
    // What the killed one was at is swept away by the next run.
    await queued(file);
    expect(readdirSync(at(folder, 'out')).filter((name) => name.startsWith('.yosomi-part'))).toEqual([]);
  });

  it('outlive the queue: where it is gone in the middle and comes back empty, what lacks is put in again', async () => {
    const file = jobFile(fronts(5));
    const one = worker();
    const going = queued(file);
    await until(() => one.said().includes(': made'));
    await redis.kill();
    await new Promise((next) => setTimeout(next, 1500));
    await redis.begin();
    const done = await going;
    expect(done.out, done.err).toBe('5 made, 0 up to date, 0 failed\n');
    await run('run', file, '--out', at(folder, 'alone'), '--threads', '1');
    expect(results()).toEqual(results('alone'));
  });

  it('are done by their priority', async () => {
    const names = ['Last', 'First', 'Second'];
    const file = jobFile(names.map((name, i) => ({ ...mark(name), priority: [9, 1, 2][i] })));
    const going = queued(file);
    await until(() => readdirSync(at(folder)).includes('out'));
    await new Promise((next) => setTimeout(next, 1000));
    const one = worker();
    await going;
    await until(() => one.said().includes('Last: made'));
    expect(one.said().match(/^\w+(?=: made)/gm)).toEqual(['First', 'Second', 'Last']);
  });

  it('of another release, or of files that are others here, are not done', async () => {
    const file = jobFile(fronts(1));
    const going = queued(file);
    await until(() => readdirSync(at(folder)).includes('out'));
    await new Promise((next) => setTimeout(next, 1000));
    copyFileSync(join(DEMO_FOLDER, '2-lamplighter-1.yosomi'), at(folder, 'weather.yosomi'));
    worker();
    const done = await going;
    expect(done.err).toContain('or a worker is of another release');
    expect(readdirSync(at(folder, 'out'))).not.toContain('front-0');
    await run('queue', '--queue', redis.url, '--forget');
  });

  it.each([
    ['an address that is none', 'localhost:6379', /is an address such as/],
    ['one at which nothing answers', 'redis://127.0.0.1:1', /does not answer/],
  ])('need a queue: %s', async (_, url, sentence) => {
    const file = jobFile([mark('Ash')]);
    for (const args of [['run', file, '--out', at(folder, 'out')], ['work'], ['queue']]) {
      const refused = await run(...args, '--queue', url);
      expect(refused.code).toBe(2);
      expect(refused.err).toMatch(sentence);
    }
  });
});
