import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Project, packProject, unpackProject } from '@yosomi/core/project';
import { coverRaster, mainPicture } from '@yosomi/core/recipe';
import { shrink, ssim } from '@yosomi/core/pixels';
import { NodeStudio } from '@yosomi/node-kit';
import { run as command } from '../cli/src/run';
import { demos } from './fixtures/demos';
import { pixelsOf } from './fixtures/pictures';

let dir: string;
let volumes: Project[];
const at = (name: string): string => join(dir, name);
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'series-'));
  volumes = demos()
    .filter(({ book }) => book.brief.seriesName === 'The Lamplighter Accounts')
    .sort((a, b) => a.book.brief.seriesNumber! - b.book.brief.seriesNumber!);
  volumes.forEach((project, i) => writeFileSync(at(`${i + 1}.yosomi`), packProject(project)));
});
afterAll(() => rmSync(dir, { recursive: true }));

async function run(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  let [out, err] = ['', ''];
  const code = await command(args, { out: (text) => void (out += text), err: (text) => void (err += text) });
  return { code, out, err };
}

describe('a front carried to its series on the command line', () => {
  it('gives a picture and a title file for each volume, which show the same, and keeps the cover that was', async () => {
    const out = at('out');
    const made = await run('series', at('1.yosomi'), at('3.yosomi'), at('2.yosomi'), '--out', out);
    expect(made.code, made.err).toBe(0);
    expect(made.err).toContain('title reads from');
    expect(made.out).toContain('2 volumes');
    const names = ['interest-paid-in-snow-vol-3', 'the-ledger-of-small-hours-vol-2'];
    expect(readdirSync(out).sort()).toEqual(names.flatMap((name) => [`${name}.png`, `${name}.yosomi`]));
    for (const [i, name] of names.entries()) {
      const before = volumes[i === 0 ? 2 : 1].book;
      const opened = unpackProject(new Uint8Array(readFileSync(join(out, `${name}.yosomi`))));
      if (!opened.ok) throw new Error(opened.fault.code);
      const { book, files } = opened.value;
      expect(book.versions.at(-1)).toMatchObject({ name: 'Before the series design', cover: before.cover });
      expect(mainPicture(book.cover)).toBe(mainPicture(before.cover));
      const again = await coverRaster(book, 800, new NodeStudio(files));
      const drawn = await pixelsOf(new Uint8Array(readFileSync(join(out, `${name}.png`))));
      expect(ssim(shrink(again, 200, 320), shrink(drawn, 200, 320))).toBeGreaterThan(0.995);
      expect(Object.keys(book.cover.parts)).toEqual(Object.keys(volumes[0].book.cover.parts));
    }
  });

  it('refuses a finished file, a volume named twice, and no volume at all', async () => {
    const finished = { ...volumes[0].book, cover: { ...volumes[0].book.cover, finished: true } };
    writeFileSync(at('finished.yosomi'), packProject({ book: finished, files: volumes[0].files }));
    for (const [why, ...args] of [
      [/finished file/, at('finished.yosomi'), at('2.yosomi')],
      [/named twice/, at('1.yosomi'), at('2.yosomi'), at('2.yosomi')],
      [/other volumes/, at('1.yosomi')],
      [/cannot be read/, at('1.yosomi'), at('gone.yosomi')],
    ] as const) {
      const made = await run('series', ...args, '--out', at('none'));
      expect(made.code).not.toBe(0);
      expect(made.err).toMatch(why);
    }
  });
});
