import { cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Project, packProject, unpackProject } from '@yosomi/core/project';
import { writePng } from '@yosomi/core/image-file';
import { labOf, rgbOf } from '@yosomi/core/colour';
import { raster, shrink, ssim } from '@yosomi/core/pixels';
import { coverRaster, mainPicture } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { run as command } from '../cli/src/run';
import { demos } from './fixtures/demos';
import { pixelsOf } from './fixtures/pictures';

const TABLE = `Title;Writer;Series;Vol.;Genre;Extent;Store;Price
The Ferryman's Ledger;Ines Quarry;The Quay Books;1;mystery;312 pp;Nowhere;3
Low Water Mark;Ines Quarry;The Quay Books;2;mystery;298;;3
The Drowned Clerk;Ines Quarry;The Quay Books;3;mystery;1,120;;3
Walking the Chalk, Slowly;Maud Ellery;;;travel;=A1;;
;Nobody;;;;;;
low water mark;ines  quarry;the quay books;2;;;;
`;
const MADE = [
  'low-water-mark-vol-2',
  'the-drowned-clerk-vol-3',
  'the-ferrymans-ledger-vol-1',
  'walking-the-chalk-slowly',
] as const;

let dir: string;
const at = (...names: string[]): string => join(dir, ...names);
async function run(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  let [out, err] = ['', ''];
  const code = await command(args, { out: (text) => void (out += text), err: (text) => void (err += text) });
  return { code, out, err };
}
function opened(...names: string[]): Project {
  const project = unpackProject(new Uint8Array(readFileSync(at(...names))));
  if (!project.ok) throw new Error(project.fault.code);
  return project.value;
}
const bytesIn = (folder: string): Map<string, string> =>
  new Map(readdirSync(at(folder)).map((name) => [name, readFileSync(at(folder, name), 'latin1')]));
beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), 'titles-'));
  writeFileSync(at('all.csv'), TABLE);
  const made = await run('titles', at('all.csv'), '--out', at('whole'));
  expect(made.code, made.err).toBe(1);
  expect(made.out).toBe('4 made, 0 changed, 0 there already, 2 failed\n');
  for (const said of [
    /not read: Price/,
    /2\/6 Low Water Mark: low-water-mark-vol-2\.yosomi/,
    /left out: Nowhere/,
    /5\/6 no title: .* no title/,
    /6\/6 .* row 2/,
    /formula \(=A1\)/,
  ])
    expect(made.err).toMatch(said);
});
afterAll(() => rmSync(dir, { recursive: true }));

describe('titles from a table', () => {
  it('are made a file and a picture each, which show the same', async () => {
    expect([...bytesIn('whole').keys()].sort()).toEqual(MADE.flatMap((name) => [`${name}.png`, `${name}.yosomi`]));
    for (const name of MADE) {
      const { book, files } = opened('whole', `${name}.yosomi`);
      const again = await coverRaster(book, 800, new NodeStudio(files));
      const drawn = await pixelsOf(new Uint8Array(readFileSync(at('whole', `${name}.png`))));
      expect(ssim(shrink(again, 200, 320), shrink(drawn, 200, 320))).toBeGreaterThan(0.995);
    }
    expect(opened('whole', 'the-drowned-clerk-vol-3.yosomi').book.brief).toMatchObject({
      author: 'Ines Quarry',
      seriesNumber: 3,
      pageCount: 1120,
      genres: ['crime'],
    });
  });

  it('give the volumes of a series one structure and faces, each in colours of its own', () => {
    const [two, three, one, other] = MADE.map((name) => opened('whole', `${name}.yosomi`).book.sheet.taken!);
    for (const volume of [two, three]) {
      expect([volume.structure, volume.faces]).toEqual([one.structure, one.faces]);
      expect(volume.tones.ground).not.toEqual(one.tones.ground);
    }
    expect(two.tones.ground).not.toEqual(three.tones.ground);
    expect([other.structure, other.faces]).not.toEqual([one.structure, one.faces]);
  });

  it('are made once: what is there is passed over, to the byte', async () => {
    const before = bytesIn('whole');
    const again = await run('titles', at('all.csv'), '--out', at('whole'));
    expect(again.out).toBe('0 made, 0 changed, 4 there already, 2 failed\n');
    expect(bytesIn('whole')).toEqual(before);
  });

  it.each([0, 1, 2, 3])('come out as in one go where a run was stopped after %i', async (rows) => {
    const folder = `after-${rows}`;
    cpSync(at('whole'), at(folder), { recursive: true });
    const order = [MADE[2], MADE[0], MADE[1], MADE[3]];
    for (const name of order.slice(rows))
      for (const ending of ['png', 'yosomi']) rmSync(at(folder, `${name}.${ending}`));
    const rest = await run('titles', at('all.csv'), '--out', at(folder));
    expect(rest.out).toBe(`${4 - rows} made, 0 changed, ${rows} there already, 2 failed\n`);
    for (const name of MADE)
      expect(opened(folder, `${name}.yosomi`).book.cover).toEqual(opened('whole', `${name}.yosomi`).book.cover);
  });

  it('do without a damaged file that lies in their folder, and write beside it', async () => {
    cpSync(at('whole'), at('hurt'), { recursive: true });
    const hurt = readFileSync(at('hurt', `${MADE[3]}.yosomi`));
    writeFileSync(at('hurt', `${MADE[3]}.yosomi`), hurt.subarray(0, hurt.length / 2));
    const made = await run('titles', at('all.csv'), '--out', at('hurt'));
    expect(made.out).toBe('1 made, 0 changed, 3 there already, 2 failed\n');
    expect(made.err).toMatch(/walking-the-chalk-slowly\.yosomi: .*damaged/);
    expect(readdirSync(at('hurt'))).toContain(`${MADE[3]}-2.yosomi`);
    expect(readFileSync(at('hurt', `${MADE[3]}.yosomi`)).length).toBe(Math.floor(hurt.length / 2));
  });

  it('have colours of their own where they come later', async () => {
    cpSync(at('whole'), at('later'), { recursive: true });
    writeFileSync(
      at('later.csv'),
      'title,author,series,number,genre\nThe Last Lightship,Ines Quarry,The Quay Books,4,mystery\n',
    );
    expect((await run('titles', at('later.csv'), '--out', at('later'))).out).toMatch(/^1 made/);
    const names = [MADE[2], MADE[0], MADE[1], 'the-last-lightship-vol-4'];
    const hues = names.map((name) => {
      const [, a, b] = labOf(rgbOf(opened('later', `${name}.yosomi`).book.sheet.taken!.tones.accent));
      return Math.atan2(b, a);
    });
    for (const [i, one] of hues.entries())
      for (const other of hues.slice(i + 1))
        expect(Math.abs(Math.atan2(Math.sin(one - other), Math.cos(one - other)))).toBeGreaterThan(Math.PI / 5);
  });

  it('wear the design of a volume that is given', async () => {
    const first = demos().find(({ book }) => book.brief.seriesNumber === 1)!;
    writeFileSync(at('first.yosomi'), packProject(first));
    const { seriesName, author } = first.book.brief;
    writeFileSync(at('next.csv'), `title,author,series,number\nA Candle for the Tide,${author},${seriesName},4\n`);
    const made = await run('titles', at('next.csv'), at('first.yosomi'), '--out', at('next'));
    expect(made.code, made.err).toBe(0);
    const { book, files } = opened('next', 'a-candle-for-the-tide-vol-4.yosomi');
    expect(Object.keys(book.cover.parts)).toEqual(Object.keys(first.book.cover.parts));
    // Without a picture of its own it shows that of the design, and has it with it.
    const main = mainPicture(book.cover)!;
    expect(files.get(main)).toEqual(first.files.get(main));
  });

  it('show the pictures that are named, and are not made without them', async () => {
    const picture = raster(900, 1200);
    for (let i = 0; i < picture.data.length; i += 4)
      picture.data.set([40 + ((i / 3600) % 60), 60, 90 + ((i / 4) % 900) / 9, 255], i);
    writeFileSync(at('dusk.png'), writePng(picture, 72));
    writeFileSync(
      at('pictures.csv'),
      'title,author,picture\nDusk at Ardan,Ida Quill,dusk.png\nNoon at Ardan,Ida Quill,noon.png\n',
    );
    const made = await run('titles', at('pictures.csv'), '--out', at('pictured'));
    expect(made.out).toBe('1 made, 0 changed, 0 there already, 1 failed\n');
    expect(made.err).toMatch(/Noon at Ardan: There is no picture noon\.png/);
    const { book, files } = opened('pictured', 'dusk-at-ardan.yosomi');
    expect(files.has(mainPicture(book.cover)!)).toBe(true);
  });

  it('show the picture of the design where a volume has none', async () => {
    writeFileSync(
      at('pair.csv'),
      'title,author,series,number,picture\nDusk at Ardan,Ida Quill,Ardan,1,dusk.png\nThe Long Light,Ida Quill,Ardan,2,\n',
    );
    const made = await run('titles', at('pair.csv'), '--out', at('pair'));
    expect(made.code, made.err).toBe(0);
    const [one, two] = ['dusk-at-ardan-vol-1', 'the-long-light-vol-2'].map((name) => opened('pair', `${name}.yosomi`));
    const main = mainPicture(one.book.cover)!;
    expect(mainPicture(two.book.cover)).toBe(main);
    expect(two.files.get(main)).toEqual(one.files.get(main));
    expect(Object.keys(two.book.cover.parts)).toEqual(Object.keys(one.book.cover.parts));
  });

  it('are the same table again, and what is changed in it is changed in them', async () => {
    cpSync(at('whole'), at('back'), { recursive: true });
    const saved = await run('table', ...MADE.map((name) => at('back', `${name}.yosomi`)), '--out', at('back.csv'));
    expect(saved.out).toBe('4 titles\n');
    const before = bytesIn('back');
    expect((await run('titles', at('back.csv'), '--out', at('back'))).out).toBe(
      '0 made, 0 changed, 4 there already, 0 failed\n',
    );
    expect(bytesIn('back')).toEqual(before);
    writeFileSync(at('back.csv'), readFileSync(at('back.csv'), 'utf8').replace('Low Water Mark', 'High Water Mark'));
    expect((await run('titles', at('back.csv'), '--out', at('back'))).out).toBe(
      '0 made, 1 changed, 3 there already, 0 failed\n',
    );
    const changed = [...bytesIn('back')].filter(([name, bytes]) => before.get(name) !== bytes).map(([name]) => name);
    // The file keeps its name, and its picture says the new one.
    expect(changed.sort()).toEqual([`${MADE[0]}.png`, `${MADE[0]}.yosomi`]);
    expect(opened('back', `${MADE[0]}.yosomi`).book.brief.title).toBe('High Water Mark');
  });

  it.each([
    ['PK\u0003\u0004rest', /spreadsheet's own file/],
    ['', /no books/],
    ['name of the wind,price\nA,1\n', /No column is called "title"/],
    ['title\n"A\nB\n', /quote without its partner/],
    [`title\n${'x\n'.repeat(100_000)}`, /up to 5000 books/],
  ])('are refused in a sentence where there is no table: %#', async (text, said) => {
    writeFileSync(at('bad.csv'), text);
    const refused = await run('titles', at('bad.csv'), '--out', at('none'));
    expect([refused.code, refused.out]).toEqual([expect.any(Number), '']);
    expect(refused.code).not.toBe(0);
    expect(refused.err).toMatch(said);
  });
});
