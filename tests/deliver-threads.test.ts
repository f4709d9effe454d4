import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { packProject } from '@yosomi/core/project';
import { run as command } from '../cli/src/run';
import { demos } from './fixtures/demos';

const ROOT = resolve(import.meta.dirname, '..');
let dir: string;
let files: string[];
const at = (...names: string[]): string => join(dir, ...names);
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'threads-'));
  const three = demos().filter(({ book }) => (book.brief.seriesNumber ?? 1) === 1);
  files = three.map((project) => {
    writeFileSync(at(`${project.book.id}.yosomi`), packProject(project));
    return at(`${project.book.id}.yosomi`);
  });
});
afterAll(() => rmSync(dir, { recursive: true, force: true }));

async function run(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  let [out, err] = ['', ''];
  const code = await command(args, { out: (text) => void (out += text), err: (text) => void (err += text) });
  return { code, out, err };
}
const only = ['--store', 'cartwheel,pommel', '--only', 'stores'];

/** Every file of a folder, byte for byte. */
function within(folder: string): Map<string, string> {
  const found = readdirSync(at(folder), { recursive: true, encoding: 'utf8' }).filter((name) =>
    statSync(at(folder, name)).isFile(),
  );
  return new Map(found.sort().map((name) => [name, readFileSync(at(folder, name), 'latin1')]));
}

/** A delivery as a program of its own, sent a signal once so many files are told of; answers what it printed, and how many it had told of by then. */
async function signalled(
  folder: string,
  signal: 'SIGKILL' | 'SIGINT',
  after: number,
): Promise<{ code: number | null; out: string; err: string; told: number }> {
  const args = ['deliver', ...files, '--out', at(folder), ...only, '--threads', '2'];
  const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'cli/src/main.ts'), ...args], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let [out, err, told] = ['', '', 0];
  child.stdout.on('data', (text: Buffer) => void (out += text.toString()));
  child.stderr.on('data', (text: Buffer) => {
    err += text.toString();
    const now = err.match(/^ {2}\S+\/\S+\/\S+$/gm)?.length ?? 0;
    if (told < after && now >= after) child.kill(signal);
    told = now;
  });
  const code = await new Promise<number | null>((done) => child.on('exit', done));
  return { code, out, err, told };
}

describe('many titles in threads', () => {
  it('come out as in one thread, to the byte; run again, nothing is made', async () => {
    const one = await run('deliver', ...files, '--out', at('one'), ...only, '--threads', '1');
    const many = await run('deliver', ...files, '--out', at('many'), ...only, '--threads', '3');
    expect([one.code, many.code], many.err).toEqual([0, 0]);
    expect(many.out).toBe(one.out);
    expect(within('many')).toEqual(within('one'));
    const before = within('many');
    const again = await run('deliver', ...files, '--out', at('many'), ...only, '--threads', '2');
    expect(again.out).toMatch(/^0 made, 6 up to date, 0 failed/);
    expect(within('many')).toEqual(before);
  });

  it('stop no other where one is damaged, given twice, or its picture is gone', async () => {
    const whole = readFileSync(files[0]);
    writeFileSync(at('torn.yosomi'), whole.subarray(0, whole.length >> 1));
    const [pictured] = demos().filter(({ files: some }) => some.size > 0);
    const book = { ...pictured.book, id: 'without-pictures', brief: { ...pictured.book.brief, title: 'Without' } };
    writeFileSync(at('without.yosomi'), packProject({ book, files: new Map() }));
    writeFileSync(at('copy.yosomi'), readFileSync(files[1]));
    const given = [at('torn.yosomi'), files[0], files[0], at('without.yosomi'), files[1], at('copy.yosomi')];
    const made = await run('deliver', ...given, '--out', at('some'), ...only, '--threads', '2');
    expect(made.code).toBe(1);
    expect(made.out).toMatch(/^4 made, 0 up to date, 4 failed/);
    expect(made.err).toMatch(/torn\.yosomi: The title file is damaged/);
    expect(made.err).toMatch(/copy\.yosomi: This is the same title as .*; it is made once/);
    expect(made.err).toMatch(/lacks the picture/);
    expect([...within('some')].filter(([name]) => within('one').get(name) !== undefined).length).toBeGreaterThan(4);
  });

  it('that are killed in the middle leave no half file, and the next run makes only what lacks', async () => {
    const { told, err } = await signalled('killed', 'SIGKILL', 2);
    expect(told, err).toBeGreaterThanOrEqual(2);
    const rest = await run('deliver', ...files, '--out', at('killed'), ...only, '--threads', '2');
    const [, made, kept] = /^(\d+) made, (\d+) up to date, 0 failed/.exec(rest.out)!.map(Number);
    expect(kept).toBeGreaterThanOrEqual(2);
    expect(made + kept).toBe(6);
    const all = within('killed');
    // What a program was at when it was killed lies under a name of its own.
    for (const name of all.keys()) if (/(^|\/)\.yosomi-/.test(name)) all.delete(name);
    expect(all).toEqual(within('one'));
  });

  it('that are told to stop end after the file that they are at, and say so', async () => {
    const { code, out } = await signalled('stopped', 'SIGINT', 1);
    expect(code).toBe(1);
    expect(out).toMatch(/, stopped$/m);
    const made = Number(/^(\d+) made/.exec(out)![1]);
    expect(made).toBeGreaterThan(0);
    expect(made).toBeLessThan(6);
    const notes = JSON.parse(readFileSync(at('stopped', 'delivered.json'), 'utf8')) as {
      files: Record<string, unknown>;
    };
    expect(Object.keys(notes.files)).toHaveLength(made);
  });
});
