import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { packProject } from '@yosomi/core/project';
import { FORMATS, LOOKS, ownFormat } from '@yosomi/core/promo';
import { run as runHere } from '../cli/src/run';
import { withCampaign, wordsBook } from './fixtures/books';

let dir: string;
const book = (): string => join(dir, 'book.yosomi');
const run = async (...args: string[]): Promise<{ code: number; out: string; err: string }> => {
  const said = { out: '', err: '' };
  const code = await runHere(args, { out: (text) => (said.out += text), err: (text) => (said.err += text) });
  return { code, ...said };
};
const files = (folder: string): string[] => readdirSync(join(dir, folder)).sort();
const bytes = (folder: string, name: string): Buffer => readFileSync(join(dir, folder, name));

beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'yosomi-promo-'));
  const titled = withCampaign(wordsBook({ title: 'The Weight of Lanterns' }), ownFormat(240, 300));
  writeFileSync(book(), packProject({ book: titled, files: new Map() }));
});
afterAll(() => rmSync(dir, { recursive: true }));

describe('yosomi promo', () => {
  it('makes a message in its formats, with a page; the same input gives the same bytes', async () => {
    const ask = ['promo', book(), '--kind', 'offer', '--headline', 'Three nights only', '--price', '0.99 EUR'];
    const more = ['--look', 'said', '--formats', 'link,column', '--out'];
    const first = await run(...ask, ...more, join(dir, 'a'));
    expect([first.code, first.out.trim()]).toEqual([0, '2 formats, look said']);
    expect((await run(...ask, ...more, join(dir, 'b'))).code).toBe(0);
    const names = files('a');
    expect(names).toEqual([
      'index.html',
      'the-weight-of-lanterns-promo-column-600x1200.png',
      'the-weight-of-lanterns-promo-link-1200x628.png',
    ]);
    expect(files('b')).toEqual(names);
    for (const name of names) expect(bytes('a', name).equals(bytes('b', name)), name).toBe(true);
    expect(await sharp(bytes('a', names[1])).metadata()).toMatchObject({ format: 'png', width: 600, height: 1200 });
    expect(bytes('a', 'index.html').toString()).toContain('Three nights only');
  });

  it('keeps to a limit in bytes, or says so and makes nothing of that format', async () => {
    const ask = ['promo', book(), '--formats', 'link', '--as', 'jpeg', '--max-bytes'];
    expect((await run(...ask, '60000', '--out', join(dir, 'c'))).code).toBe(0);
    const [, name] = files('c');
    expect(bytes('c', name).length).toBeLessThanOrEqual(60_000);
    const refused = await run(...ask, '1000', '--out', join(dir, 'd'));
    expect([refused.code, refused.err]).toEqual([1, expect.stringContaining('does not fit into 1000 bytes')]);
    expect(files('d')).toEqual([]);
  });

  it.each([
    ['gif', 'words'],
    ['webp', 'light'],
  ] as const)(
    'makes a film as %s',
    async (as, motion) => {
      const ask = ['promo', book(), '--campaign', 'First', '--headline', 'Read by its own light', '--motion', motion];
      const more = ['--seconds', '3', '--as', as, '--out'];
      const first = await run(...ask, ...more, join(dir, `${as}1`));
      expect([first.code, first.err]).toEqual([0, expect.stringContaining(`${motion}.${as}`)]);
      const name = `the-weight-of-lanterns-first-own-240x300-${motion}.${as}`;
      expect(files(`${as}1`)).toEqual(['index.html', name]);
      const meta = await sharp(bytes(`${as}1`, name), { animated: true }).metadata();
      expect(meta).toMatchObject({ format: as, width: 240, pageHeight: 300, loop: 0 });
      expect(meta.delay!.reduce((a, b) => a + b, 0)).toBe(3000);
      if (motion !== 'words') return;
      await run(...ask, ...more, join(dir, `${as}2`));
      expect(bytes(`${as}1`, name).equals(bytes(`${as}2`, name))).toBe(true);
      // A film is the longest thing a command makes: a slow machine needs minutes.
    },
    240_000,
  );

  it('says what it does not know, and what cannot move or be written here', async () => {
    const ask = (...more: string[]) => run('promo', book(), ...more, '--out', join(dir, 'e'));
    for (const [args, says] of [
      [['--kind', 'shout'], /--kind cannot be "shout".*announcement/],
      [['--look', 'nowhere'], /--look cannot be "nowhere".*dusk/],
      [['--formats', 'link,banner'], /--formats cannot be "banner"/],
      [['--price', 'cheap', '--kind', 'offer'], /price/],
      [['--motion', 'hop'], /--motion cannot be "hop"/],
      [['--motion', 'swing', '--as', 'mp4'], /--as cannot be "mp4".*gif, webp/],
      [['--motion', 'swing', '--seconds', '40'], /--seconds/],
      [['--formats', 'link', '--motion', 'reveal'], /can move like that/],
    ] as const) {
      const { code, err } = await ask(...args);
      expect(code, args.join(' ')).toBeGreaterThan(0);
      expect(err, args.join(' ')).toMatch(says);
    }
  });

  it('lists looks, formats and what each kind of message asks', async () => {
    const looks = (await run('promo', 'looks')).out;
    for (const { id, name } of LOOKS) expect(looks).toMatch(new RegExp(`^${id}\\t.*${name}$`, 'm'));
    const formats = (await run('promo', 'formats')).out;
    for (const { id, widthPx, heightPx } of FORMATS) expect(formats).toContain(`${id}\t${widthPx} x ${heightPx}`);
    expect(formats).toMatch(/^endorsement: quotation, name, where, call, link$/m);
  });
});
