import { spawn } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { readCsv, textOfTable } from '@yosomi/core/csv';
import { pixelsOf } from './fixtures/pictures';
import { COMMANDS } from '../cli/src/commands';
import { type Job, readJobs } from '../cli/src/job-file';
import { run as command } from '../cli/src/run';
import { packProject } from '@yosomi/core/project';
import { coverMeasure } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { DEMO_FOLDER, demos } from './fixtures/demos';

const ROOT = resolve(import.meta.dirname, '..');
let dir: string;
const at = (...names: string[]): string => join(dir, ...names);
beforeAll(() => void (dir = mkdtempSync(join(tmpdir(), 'jobs-'))));
afterAll(() => rmSync(dir, { recursive: true, force: true }));
beforeEach(() => {
  for (const name of readdirSync(dir)) rmSync(at(name), { recursive: true });
  copyFileSync(join(DEMO_FOLDER, '5-weather-voices.yosomi'), at('weather.yosomi'));
});

async function run(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  let [out, err] = ['', ''];
  const code = await command(args, { out: (text) => void (out += text), err: (text) => void (err += text) });
  return { code, out, err };
}

type Asked = { name?: string; do: string; of?: string[]; with?: Record<string, unknown>; save?: string };
/** Marks: jobs that take no time. */
const mark = (name: string): Asked => ({ name, do: 'mark', with: { name: `${name} House` }, save: 'mark.svg' });
const MARKS = ['Alder', 'Birch', 'Cedar', 'Doum', 'Elder', 'Fir'].map(mark);
const front: Asked = { do: 'cover save', of: ['weather.yosomi'], with: { width: 120 }, save: 'front.png' };

function jobFile(jobs: readonly Asked[], name = 'jobs.json'): string {
  writeFileSync(at(name), JSON.stringify({ schema: 1, jobs }));
  return at(name);
}
const runJobs = (jobs: readonly Asked[], folder = 'out', ...more: string[]) =>
  run('run', jobFile(jobs), '--out', at(folder), '--threads', '1', ...more);

/** The results of jobs, byte for byte. */
function results(folder = 'out'): Map<string, string> {
  const found = readdirSync(at(folder), { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.includes('/') && statSync(at(folder, name)).isFile(),
  );
  return new Map(found.sort().map((name) => [name, readFileSync(at(folder, name), 'latin1')]));
}
const report = (): Record<string, string> => {
  const text = textOfTable(readFileSync(at('out', 'report.csv')));
  const table = text.ok ? readCsv(text.value, 100) : text;
  if (!table.ok) throw new Error(table.fault.code);
  return Object.fromEntries(table.value.rows.map(([name, , result, , reason]) => [name, `${result}: ${reason}`]));
};

describe('a file of jobs', () => {
  it('is done in any number of threads and any order with the same results; done again, nothing is made', async () => {
    const all = [
      ...MARKS,
      front,
      { name: 'report', do: 'glance', of: ['weather.yosomi'], save: 'glance.json' },
      { name: 'stores', do: 'deliver', of: ['weather.yosomi'], with: { store: 'pommel', only: 'stores' } },
    ];
    const one = await runJobs(all);
    expect(one.code, one.err).toBe(0);
    expect(one.out).toBe('9 made, 0 up to date, 0 failed\n');
    const many = await run('run', jobFile(all.toReversed()), '--out', at('many'), '--threads', '3');
    expect(many.code, many.err).toBe(0);
    expect(results('many')).toEqual(results());
    const picture = await pixelsOf(readFileSync(at('out', 'weather-cover-save', 'front.png')));
    expect(picture.width).toBe(120);
    const before = results();
    expect((await runJobs(all)).out).toBe('0 made, 9 up to date, 0 failed\n');
    expect(results()).toEqual(before);
  });

  it('done up to any place, and then the rest, ends as done whole', async () => {
    await runJobs(MARKS, 'whole');
    const whole = results('whole');
    for (let place = 0; place <= MARKS.length; place++) {
      rmSync(at('out'), { recursive: true, force: true });
      await runJobs(MARKS.slice(0, place));
      const rest = await runJobs(MARKS);
      expect(rest.out).toBe(`${MARKS.length - place} made, ${place} up to date, 0 failed\n`);
      expect(results()).toEqual(whole);
    }
  });

  it('says of each line what is wrong with it, and does the others', async () => {
    const wrong: readonly [Asked, RegExp][] = [
      [{ name: 'a', do: 'paint' }, /"paint" is no command/],
      [{ name: 'b', do: 'titles', of: ['weather.yosomi'] }, /is no command that a job can do/],
      [{ name: 'c', do: 'cover save', of: ['weather.yosomi'] }, /Say under "save"/],
      [{ name: 'd', do: 'deliver', of: ['weather.yosomi'], save: 'x.zip' }, /fills a folder/],
      [{ ...front, name: '../e' }, /cannot be the name/],
      [{ ...front, name: 'f', save: '../f.png' }, /cannot be the name/],
      [{ ...front, name: 'g', with: { out: '/tmp/g.png' } }, /no option --out/],
      [{ ...front, name: 'h', with: { wide: 3 } }, /no option --wide/],
      [{ ...front, name: 'i', of: ['gone.yosomi'] }, /gone\.yosomi cannot be read/],
      [{ ...front, name: 'j', save: 'front.bmp' }, /must end in png/],
      [{ ...front, name: 'k', with: { width: 'wide' } }, /whole number/],
      [{ name: 'ALDER', do: 'mark', with: { name: 'x' }, save: 'm.svg' }, /called "ALDER" too/],
      [{ name: 'l', do: 'booklet', with: { book: 'weather.yosomi' }, save: 'b.pdf' }, /Name the text file/],
      [{ name: 'm', do: 'deliver', of: ['weather.yosomi'], with: { tidy: 'perhaps' } }, /--tidy is yes or no/],
    ];
    const done = await runJobs([MARKS[0], ...wrong.map(([job]) => job), MARKS[1]]);
    expect(done.code).toBe(1);
    expect(done.out).toBe(`2 made, 0 up to date, ${wrong.length} failed\n`);
    const told = report();
    for (const [job, sentence] of wrong) expect(told[job.name!], job.name).toMatch(sentence);
    // Nothing lies outside, and nothing half-made within.
    expect(existsSync('/tmp/g.png')).toBe(false);
    expect(readdirSync(at('out')).sort()).toEqual(['.yosomi-inputs.json', 'Alder', 'Birch', 'report.csv']);
    expect(readdirSync(dir).sort()).toEqual(['jobs.json', 'out', 'weather.yosomi']);
  });

  it('is made again where what it is made from has changed, its results are not whole, or it asks for something else', async () => {
    const jobs = [front, MARKS[0]];
    await runJobs(jobs);
    const made = async (wanted: number, jobsNow = jobs): Promise<void> =>
      expect((await runJobs(jobsNow)).out).toMatch(new RegExp(`^${wanted} made, ${2 - wanted} up to date`));
    // The same bytes, written anew, are the same.
    copyFileSync(join(DEMO_FOLDER, '5-weather-voices.yosomi'), at('weather.yosomi'));
    await made(0);
    copyFileSync(join(DEMO_FOLDER, '2-lamplighter-1.yosomi'), at('weather.yosomi'));
    await made(1);
    // Other bytes of the same length and the same time, as a clock that is wrong would have it.
    const { atime, mtime, size } = statSync(at('weather.yosomi'));
    const bytes = readFileSync(at('weather.yosomi'));
    bytes[size - 1] ^= 1;
    writeFileSync(at('weather.yosomi'), bytes);
    utimesSync(at('weather.yosomi'), atime, mtime);
    await made(1);
    truncateSync(at('out', 'weather-cover-save', 'front.png'), 100);
    await made(1);
    rmSync(at('out', 'Alder', 'mark.svg'));
    await made(1);
    await made(1, [{ ...front, with: { width: 140 } }, MARKS[0]]);
    expect((await pixelsOf(readFileSync(at('out', 'weather-cover-save', 'front.png')))).width).toBe(140);
  });

  it('is made again where a file has changed that only its own files name, and where a result was written over', async () => {
    const picture = await sharp({ create: { width: 600, height: 400, channels: 3, background: '#446688' } }).png();
    const drawn = await picture.toBuffer();
    writeFileSync(at('hill.png'), drawn);
    writeFileSync(at('text.md'), '# Walks\n\nWe go up.\n\n![A hill](hill.png)\n');
    const walks: Asked = {
      name: 'walks',
      do: 'booklet',
      of: ['text.md'],
      with: { book: 'weather.yosomi' },
      save: 'w.pdf',
    };
    const made = async (wanted: string): Promise<void> => expect((await runJobs([walks])).out).toMatch(wanted);
    await made('1 made');
    await made('1 up to date');
    writeFileSync(at('hill.png'), await picture.negate({ alpha: false }).toBuffer());
    await made('1 made');
    await made('1 up to date');
    const file = at('out', 'walks', 'w.pdf');
    const bytes = readFileSync(file);
    bytes[bytes.length >> 1] ^= 1;
    writeFileSync(file, bytes);
    await made('1 made');
  });

  it('tells of results that nobody asks for any more, and leaves them', async () => {
    await runJobs(MARKS.slice(0, 2));
    const less = await runJobs(MARKS.slice(1, 2));
    expect(less.out).toBe('0 made, 1 up to date, 0 failed, 1 left over\n');
    expect(less.err).toContain('left over: Alder');
    expect(existsSync(at('out', 'Alder', 'mark.svg'))).toBe(true);
  });

  it('may be a table', async () => {
    writeFileSync(
      at('jobs.csv'),
      'Name;Do;Of;Save;width;name of nobody\nfirst;cover save;weather.yosomi;front.png;120;\n;cover save;weather.yosomi;front.png;;x\n',
    );
    const done = await run('run', at('jobs.csv'), '--out', at('out'), '--threads', '1');
    expect(done.out).toBe('1 made, 0 up to date, 1 failed\n');
    expect(report()['weather-cover-save']).toContain('no option --name of nobody');
    await runJobs([{ ...front, name: 'first' }], 'json');
    expect(results('json')).toEqual(results());
  });

  it.each([
    ['no JSON', '{"jobs":[', 'jobs.json', /no JSON/],
    ['a newer one', '{"schema":9,"jobs":[]}', 'jobs.json', /newer version \(9/],
    ['one without jobs', '{"schema":1}', 'jobs.json', /not valid at jobs/],
    ['a table without "do"', 'what,of\nx,y\n', 'jobs.csv', /No column is called "do"/],
    ['a workbook', 'PK\u0003\u0004', 'jobs.csv', /save it as CSV/],
  ])('is refused as a whole: %s', async (_, text, name, sentence) => {
    writeFileSync(at(name), text);
    const refused = await run('run', at(name), '--out', at('out'));
    expect(refused.code).toBe(2);
    expect(refused.err).toMatch(sentence);
    expect(existsSync(at('out'))).toBe(false);
  });

  it('with laws: what is read of a table is what JSON says, and names never lead out of the folder', () => {
    const name = fc.string({ maxLength: 12 });
    fc.assert(
      fc.property(fc.array(name, { maxLength: 8 }), (names) => {
        const jobs = names.map((one) => ({ ...mark('x'), name: one }));
        const read = readJobs('j.json', new TextEncoder().encode(JSON.stringify({ jobs })), COMMANDS);
        const good = read.ok ? read.value.flatMap(({ job }): Job[] => (job ? [job] : [])) : [];
        expect(new Set(good.map((job) => job.name.toLowerCase())).size).toBe(good.length);
        for (const job of good) expect(resolve('/root', job.name)).toBe(`/root/${job.name}`);
      }),
    );
  });
});

describe('a report of how covers read', () => {
  it('says of each line from which width, the same as is measured, and nothing of a cover whose picture is gone', async () => {
    expect((await run('glance', at('weather.yosomi'), '--out', at('g.json'))).code).toBe(0);
    const [{ lines }] = JSON.parse(readFileSync(at('g.json'), 'utf8')) as [{ lines: Record<string, unknown>[] }];
    const { book, files } = demos().find((one) => one.book.id === 'demo-weather-voices')!;
    const measured = await coverMeasure(book, new NodeStudio(files));
    expect(lines.map(({ words, fromPx }) => [words, fromPx])).toEqual(
      measured.reads.map(({ role, fromPx }) => [role, fromPx]),
    );
    const pictured = demos().find((one) => one.files.size > 0)!;
    writeFileSync(at('lost.yosomi'), packProject({ book: pictured.book, files: new Map() }));
    const refused = await run('glance', at('weather.yosomi'), at('lost.yosomi'), '--out', at('g.csv'));
    expect(refused.err).toContain('lacks the picture');
    expect(existsSync(at('g.csv'))).toBe(false);
  });
});

describe('a run of jobs', () => {
  it('does not begin where another is at work, and takes over from one that was killed', async () => {
    await runJobs(MARKS.slice(0, 1));
    writeFileSync(at('out', '.yosomi-run'), `${process.ppid} ${hostname()} x`);
    const busy = await runJobs(MARKS);
    expect(busy.code).toBe(1);
    expect(busy.err).toContain('Another run is at work');
    expect((await run('deliver', at('weather.yosomi'), '--out', at('out'))).err).toContain('Another run is at work');
    // No program has this number.
    writeFileSync(at('out', '.yosomi-run'), `99999999 ${hostname()} x`);
    expect((await runJobs(MARKS)).out).toBe('5 made, 1 up to date, 0 failed\n');
    expect(existsSync(at('out', '.yosomi-run'))).toBe(false);
    // One on another machine may go on; what has said nothing for ten minutes does not.
    writeFileSync(at('out', '.yosomi-run'), '99999999 another-machine x');
    expect((await runJobs(MARKS)).code).toBe(1);
    const before = new Date(Date.now() - 11 * 60_000);
    utimesSync(at('out', '.yosomi-run'), before, before);
    expect((await runJobs(MARKS)).out).toBe('0 made, 6 up to date, 0 failed\n');
  });

  it('that is killed leaves no half result, and the next makes only what lacks', async () => {
    const jobs = [400, 401, 402, 403].map((width) => ({ ...front, name: `front-${width}`, with: { width } }));
    const file = jobFile(jobs);
    const args = ['--import', 'tsx', join(ROOT, 'cli/src/main.ts'), 'run', file, '--out', at('out'), '--threads', '2'];
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 'ignore', 'pipe'] });
    let err = '';
    child.stderr.on('data', (text: Buffer) => {
      err += text.toString();
      if (err.includes(': made in')) child.kill('SIGKILL');
    });
    await new Promise((done) => child.on('exit', done));
    expect(readdirSync(at('out')).filter((name) => name.startsWith('front-')).length).toBeLessThan(4);
    const rest = await run('run', file, '--out', at('out'), '--threads', '2');
    const [, made, kept] = /^(\d+) made, (\d+) up to date, 0 failed/.exec(rest.out)!.map(Number);
    expect(kept).toBeGreaterThanOrEqual(1);
    expect(made + kept).toBe(4);
    expect(readdirSync(at('out')).filter((name) => name.startsWith('.yosomi-part'))).toEqual([]);
    await run('run', file, '--out', at('whole'), '--threads', '1');
    expect(results()).toEqual(results('whole'));
  });
});
