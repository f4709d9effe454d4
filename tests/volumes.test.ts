import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { defaultScene, plainThing } from '@yosomi/core/mockup';
import { type Project, packProject } from '@yosomi/core/project';
import { newCampaign } from '@yosomi/core/promo';
import { type Others, deliverables, makeDeliverable, missingFile, noWishes } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { run as runHere } from '../cli/src/run';
import { demos } from './fixtures/demos';

const [, one, two, three] = demos();
const at = '2026-11-28T10:00:00Z';
const others: Others = new Map([one, three].map(({ book }) => [book.id, book]));
const studio = new NodeStudio(new Map([one, two, three].flatMap(({ files }) => [...files])));

/** The second volume with the whole series in a small picture, and nothing else to be made. */
const inRow: Project = {
  ...two,
  book: {
    ...two.book,
    brief: { ...two.book.brief, stores: ['longreach'] },
    promos: {},
    scene: {
      ...defaultScene,
      arrangement: 'row',
      things: [one, two, three].map(({ book }) =>
        plainThing(
          { kind: 'paperback', thicknessMm: null },
          book.id === two.book.id ? undefined : { kind: 'title', id: book.id },
        ),
      ),
      frame: { ...defaultScene.frame, widthPx: 160, heightPx: 120 },
    },
  },
};
const mockup = (project: Project, all: Others) =>
  deliverables(project.book, all, noWishes).find((d) => d.kind === 'mockup')!;
const made = (all: Others) => makeDeliverable(inRow.book, mockup(inRow, all), at, studio, noWishes, all);

describe('a picture of several titles', () => {
  it('is refused where one of them is gone, and never shows this one in its place', async () => {
    expect((await made(others)).ok).toBe(true);
    const lacking = new Map([...others].slice(0, 1));
    expect(await made(lacking)).toMatchObject({ ok: false, fault: { code: 'volume-gone', data: { count: 1 } } });
    expect(await made(new Map())).toMatchObject({ ok: false, fault: { code: 'volume-gone', data: { count: 2 } } });
  });

  it('stops no file that does not show it', async () => {
    for (const what of ['cover', 'pin'] as const) expect(await missingFile(inRow.book, what, studio)).toBeNull();
    const promo = (look: string) => {
      const campaign = newCampaign('one', 'One', 'announcement');
      return { ...inRow.book, promos: { one: { ...campaign, style: { ...campaign.style, look } } } };
    };
    expect(await missingFile(promo('dusk'), 'promo', studio)).toBeNull();
    expect(await missingFile(promo('own'), 'promo', studio)).toMatchObject({ code: 'volume-gone' });
  });
});

describe('many titles on the command line', { timeout: 240_000 }, () => {
  const folder = mkdtempSync(join(tmpdir(), 'volumes-'));
  const put = (name: string, project: Project): string => {
    const path = join(folder, name);
    writeFileSync(path, packProject(project));
    return path;
  };
  /** A volume with little to be made. */
  const bare = ({ book, files }: Project): Project => ({
    files,
    book: {
      ...book,
      brief: { ...book.brief, stores: [] },
      promos: {},
      scene: { ...book.scene, frame: { ...book.scene.frame, widthPx: 80, heightPx: 80 } },
    },
  });
  const run = async (...args: string[]) => {
    let err = '';
    const code = await runHere(args, { out: () => {}, err: (text) => (err += text) });
    return { code, err };
  };

  it('show each other in their pictures, in whatever order they are given', async () => {
    const files = [put('2.yosomi', inRow), put('1.yosomi', bare(one)), put('3.yosomi', bare(three))];
    const out = join(folder, 'out');
    await run('deliver', ...files, '--out', out);
    const place = join(
      out,
      readdirSync(out).find((name) => name.includes('ledger'))!,
      'pictures',
    );
    const [name] = readdirSync(place);
    const wanted = await made(others);
    expect(wanted.ok && Buffer.compare(readFileSync(join(place, name)), Buffer.from(wanted.value.bytes))).toBe(0);
  });

  it('say which file lacks a title that it shows', async () => {
    const out = join(folder, 'alone');
    const { err } = await run('deliver', put('2.yosomi', inRow), '--out', out);
    expect(err).toMatch(/2\.yosomi: The picture shows 2 other titles/);
    expect(existsSync(join(out, 'the-ledger-of-small-hours-vol-2/pictures'))).toBe(false);
  });
});
