import { cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';
import { newFace, newPinScene } from '@yosomi/core/pin';
import type { Book } from '@yosomi/core/project';
import { VERSIONS, coverKey, deliverables, pinKey } from '@yosomi/core/recipe';
import { makersOf, versions } from '../scripts/versions.mjs';
import { withCampaign, wordsBook } from './fixtures/books';

type Versions = Record<keyof typeof VERSIONS, string>;
const GOLDENS = join(import.meta.dirname, 'goldens');

/** Every key of a title, by what it is a key of; made anew, for keys of unchanged documents are remembered. */
function keys(): Record<string, string> {
  const book: Book = structuredClone({
    ...withCampaign(wordsBook()),
    brief: { ...wordsBook().brief, stores: ['longreach'] },
  });
  const pin = { ...newPinScene({ asset: 'abcdef12', widthPx: 900, heightPx: 700 }) };
  const face = newFace(
    'f',
    'Front',
    [
      [10, 10],
      [200, 10],
      [200, 300],
      [10, 300],
    ],
    { kind: 'side', side: 'front' },
  );
  return {
    cover: coverKey(book),
    pin: pinKey(book, { ...pin, faces: [face] }),
    ...Object.fromEntries(deliverables(book).map((d) => [d.id, d.key])),
  };
}

describe('the versions in the keys', () => {
  const written = { ...VERSIONS };
  afterEach(() => void Object.assign(VERSIONS, written));

  it('are those of the code, the packages, the fonts and the goldens: run `npm run versions` where they are not', async () => {
    expect(await versions()).toEqual(VERSIONS);
  });

  it('move when a golden moves, for what it shows and for nothing else', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'goldens-'));
    try {
      cpSync(GOLDENS, folder, { recursive: true });
      for (const [name, moved] of [
        ['demo-balcony-moss.png', ['epub', 'image', 'paint', 'pdf', 'svg', 'trace']],
        ['photographs.png', ['pin']],
        ['promos-square.png', ['promo']],
        ['booklet-looks.png', ['booklet']],
        ['desk-hands.png', ['desk']],
      ] as const) {
        const bytes = readFileSync(join(folder, name));
        writeFileSync(join(folder, name), Buffer.concat([bytes, Buffer.from([0])]));
        const now: Versions = await versions(folder);
        writeFileSync(join(folder, name), bytes);
        const differs = Object.keys(now).filter((k) => now[k as keyof Versions] !== VERSIONS[k as keyof Versions]);
        expect(differs.sort(), name).toEqual(moved);
      }
    } finally {
      rmSync(folder, { recursive: true });
    }
  });

  it('hold every golden in one of them', () => {
    for (const name of readdirSync(GOLDENS)) expect(makersOf(name), name).not.toEqual([]);
  });

  it.each([
    ['paint', ['cover', 'epub', 'mockup', 'pdf', 'pin', 'promo-first-square', 'store-longreach', 'svg']],
    ['trace', ['mockup']],
    ['pin', ['pin']],
    ['promo', ['promo-first-square']],
    ['image', ['store-longreach']],
    ['epub', ['epub']],
    ['pdf', ['pdf']],
    ['svg', ['svg']],
  ] as const)('%s: what another one made is out of date', (name, stale) => {
    const before = keys();
    Object.assign(VERSIONS, { [name]: 'another' });
    const after = keys();
    expect(
      Object.keys(before)
        .filter((key) => before[key] !== after[key])
        .sort(),
    ).toEqual(stale);
  });
});
