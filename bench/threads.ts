import { spawn } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { packProject } from '@yosomi/core/project';
import { ROOT, demoProjects } from '@yosomi/node-kit';
import { type Row, median } from './rows';

/** How often each demo book is there, and how many stores all of them go to. */
const [TIMES, STORES] = [2, 8];
const ROWS = 60;
/** Jobs of a file, and the title files that they are of. */
const [JOBS, OF] = [2000, 500];

/** Runs the command; answers how long it took, s, and the most memory that it had, MB. */
async function timed(...args: string[]): Promise<{ seconds: number; mb: number }> {
  const at = performance.now();
  const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'cli/src/main.ts'), ...args], {
    cwd: ROOT,
    stdio: 'ignore',
  });
  let mb = 0;
  const look = setInterval(() => {
    try {
      const kb = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'));
      mb = Math.max(mb, Number(kb?.[1] ?? 0) / 1024);
    } catch {
      // It has ended, or the system tells nothing.
    }
  }, 200);
  const code = await new Promise<number | null>((done) => child.on('exit', done));
  clearInterval(look);
  if (code !== 0) throw new Error(`the command ended with ${code}`);
  return { seconds: (performance.now() - at) / 1000, mb };
}

/** Many titles by the command line: in one thread, in as many as the machine has, and where all is made already; and titles from a table. */
export async function threadRows(rounds: number): Promise<Row[]> {
  const dir = mkdtempSync(join(tmpdir(), 'threads-'));
  const threads = availableParallelism();
  try {
    const files = (await demoProjects()).flatMap(({ book, files: pictures }) =>
      Array.from({ length: TIMES }, (_, i) => {
        const copy = { ...book, id: `${book.id}-${i}`, brief: { ...book.brief, title: `${book.brief.title} ${i}` } };
        const file = join(dir, `${copy.id}.yosomi`);
        writeFileSync(file, packProject({ book: copy, files: pictures }));
        return file;
      }),
    );
    const table = join(dir, 'table.csv');
    writeFileSync(
      table,
      `title,author,series,number,kind\n${Array.from({ length: ROWS }, (_, i) => `Harbour Papers ${i},Ida Quill,${i % 3 === 0 ? `Quay ${i % 4}` : ''},${i % 3 === 0 ? i + 1 : ''},crime`).join('\n')}\n`,
    );
    const jobs = join(dir, 'jobs.json');
    for (let i = 0; i < OF; i++) copyFileSync(files[files.length - 1], join(dir, `of-${i}.yosomi`));
    const job = (_: unknown, i: number) => ({ name: `${i}`, do: 'table', of: [`of-${i % OF}.yosomi`], save: 't.csv' });
    writeFileSync(jobs, JSON.stringify({ jobs: Array.from({ length: JOBS }, job) }));
    await timed('run', jobs, '--out', join(dir, 'jobs'));
    const [one, many, again, started, titles, passed]: number[][] = [[], [], [], [], [], []];
    let mb = 0;
    for (let round = 0; round < rounds; round++) {
      const stores = ['--all-stores', '--only', 'stores'];
      const out = (name: string): string[] => ['--out', join(dir, `${name}-${round}`)];
      one.push((await timed('deliver', ...files, ...out('one'), ...stores, '--threads', '1')).seconds);
      const pool = await timed('deliver', ...files, ...out('many'), ...stores);
      many.push(pool.seconds);
      mb = Math.max(mb, pool.mb);
      again.push((await timed('deliver', ...files, ...out('many'), ...stores)).seconds);
      started.push((await timed('help')).seconds);
      titles.push((await timed('titles', table, ...out('titles'))).seconds);
      passed.push((await timed('run', jobs, '--out', join(dir, 'jobs'))).seconds);
    }
    const what = `${files.length} titles for ${STORES} stores each`;
    return [
      { what: `${what}, one thread`, value: median(one), unit: 's' },
      { what: `${what}, ${threads} threads`, value: median(many), unit: 's' },
      { what: 'threads against one', value: median(one) / median(many), unit: 'times' },
      { what: `most memory with ${threads} threads`, value: mb, unit: 'MB' },
      { what: 'the same, all of it made already', value: median(again), unit: 's' },
      { what: 'the command alone, doing nothing', value: median(started), unit: 's' },
      {
        what: `${JOBS} jobs of ${OF} title files, all of it made already`,
        value: JOBS / Math.max(0.001, median(passed) - median(started)),
        unit: 'jobs a second (wanted: 2,000)',
      },
      {
        what: `${ROWS} titles from a table, with a title file and a picture of 800 px each`,
        value: median(titles),
        unit: 's',
      },
    ];
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}
