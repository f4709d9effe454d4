import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { arcBaseline, pathBounds, polyline } from '@yosomi/core/plane';
import {
  FAMILIES,
  type TextSpec,
  fallbacksFor,
  layOut,
  layOutAlong,
  openTrack,
  plainManner,
  readFontFile,
  standIn,
} from '@yosomi/core/text';
import { loadAllFonts, shaper, spec as plain } from './fixtures/type';

const spec: TextSpec = { ...plain, text: 'The Ledger of Small Hours' };
const area = { x: 100, y: 200, width: 700, height: 1200 };

beforeAll(loadAllFonts);

describe('families', () => {
  it('are at least 28, in eight groups, each with its licence beside its files', () => {
    expect(FAMILIES.length).toBeGreaterThanOrEqual(28);
    expect(new Set(FAMILIES.map((f) => f.group)).size).toBe(8);
    for (const family of FAMILIES) {
      const licence = readFileSync(join(import.meta.dirname, `../assets/fonts/${family.id}/LICENSE.txt`), 'utf8');
      expect(licence, family.name).toMatch(/OPEN FONT LICENSE|Apache License/i);
    }
  });

  it('with a width axis are narrower when they are told to be, and no other is', () => {
    const width = (cut: string, wide: number | null): number =>
      shaper.shape(cut, 'Hamburg', { ...plainManner, wide }).advance;
    for (const family of FAMILIES) {
      const cut = family.cuts[0].id;
      if (!family.widths) continue;
      const [least, most] = family.widths;
      expect(width(cut, least), family.name).toBeLessThan(width(cut, most) * 0.9);
      expect(width(cut, (least + most) / 2)).toBeGreaterThan(width(cut, least));
    }
    expect(FAMILIES.filter((f) => f.widths)).toHaveLength(3);
  });

  it('say whether they have small capitals, and set them where they do', () => {
    const withCaps = FAMILIES.filter((f) => shaper.offers(f.cuts[0].id).smallCaps);
    expect(withCaps.length).toBeGreaterThan(2);
    for (const family of withCaps) {
      const cut = family.cuts[0].id;
      const small = shaper.shape(cut, 'moss', { ...plainManner, smallCaps: true }).ink;
      const capital = shaper.shape(cut, 'MOSS', plainManner).ink;
      expect(small.height, family.name).toBeLessThan(capital.height);
      expect(small).not.toEqual(shaper.shape(cut, 'moss', plainManner).ink);
    }
  });
});

describe('figures', () => {
  it('stand as high as capitals or like small letters where a face has both, and change nothing else', () => {
    const both = FAMILIES.filter((f) => {
      const shape = (figures: 'lining' | 'old-style') =>
        shaper.shape(f.cuts[0].id, '1', { ...plainManner, figures }).ink;
      return (
        shaper.offers(f.cuts[0].id).figures && JSON.stringify(shape('lining')) !== JSON.stringify(shape('old-style'))
      );
    });
    expect(both.length).toBeGreaterThan(9);
    for (const family of both) {
      const cut = family.cuts[0].id;
      const ink = (text: string, figures: 'lining' | 'old-style') =>
        shaper.shape(cut, text, { ...plainManner, figures }).ink;
      // A one of the old style is lower.
      expect(ink('1', 'old-style').height, family.name).toBeLessThan(ink('1', 'lining').height - 0.05);
      expect(ink('Hamburg', 'old-style')).toEqual(ink('Hamburg', 'lining'));
    }
  });
});

describe('lines that do not run across', () => {
  it('turned down or up an edge they fill the same place, and are each other turned about', () => {
    const down = layOut(shaper, { ...spec, setting: 'down' }, area);
    const up = layOut(shaper, { ...spec, setting: 'up' }, area);
    for (const block of [down, up]) {
      expect(block.box.height).toBeGreaterThan(block.box.width);
      expect(block.box.y).toBeGreaterThanOrEqual(area.y - 1);
      expect(block.box.y + block.box.height).toBeLessThanOrEqual(area.y + area.height + 1);
    }
    expect(down.sizePx).toBeCloseTo(up.sizePx, 6);
    expect(down.box.width).toBeCloseTo(up.box.width, 3);
    const first = (block: typeof up): number => block.words[0].box.y;
    expect(first(down)).toBeLessThan(first(up));
  });

  it('stacked, each letter stands on a line of its own, marks stay with theirs', () => {
    const block = layOut(shaper, { ...spec, text: 'E\u0301TUDE', setting: 'stacked', alignY: 'top' }, area);
    expect(block.lines).toBe(5);
    const tops = block.words.map((w) => w.box.y);
    expect(tops).toEqual([...tops].sort((a, b) => a - b));
    // Letters of one word all count as that word.
    expect(new Set(block.words.map((w) => w.index)).size).toBe(1);
  });

  it('justified, all lines are equally wide', () => {
    const text = 'Weather\nfor Two\nVoices';
    const block = layOut(shaper, { ...spec, text, justified: true, maxPx: 5000 }, area);
    const lines = text.split('\n').map((line) => {
      const own = line.split(' ').map((t) => block.words.find((w) => w.text === t)!.box);
      return Math.max(...own.map((b) => b.x + b.width)) - Math.min(...own.map((b) => b.x));
    });
    for (const width of lines) expect(Math.abs(width - lines[0])).toBeLessThan(2);
    const plain = layOut(shaper, { ...spec, text }, area);
    expect(Math.max(...lines)).toBeGreaterThan(plain.box.width * 0.9);
  });

  it('a word set apart has its own size and face, the others keep theirs', () => {
    const accents = [{ word: 1, cut: 'great-vibes/400', scale: 1.6 }];
    const plain = layOut(shaper, { ...spec, sizePx: 100 }, area);
    const apart = layOut(shaper, { ...spec, sizePx: 100, accents }, area);
    const height = (block: typeof plain, i: number): number => block.words[i].box.height;
    expect(height(apart, 1)).not.toBeCloseTo(height(plain, 1), 0);
    expect(height(apart, 3)).toBeCloseTo(height(plain, 3), 6);
  });
});

describe('words along a line', () => {
  it('on a straight one they are as wide as words across', () => {
    const line = polyline([
      { x: 0, y: 500 },
      { x: 3000, y: 500 },
    ]);
    const along = layOutAlong(shaper, { ...spec, sizePx: 100, align: 'left' }, openTrack(line), 1000);
    const across = layOut(shaper, { ...spec, sizePx: 100, align: 'left' }, { ...area, width: 3000 });
    expect(along.box.width).toBeCloseTo(across.box.width, -1);
    expect(along.words.map((w) => w.text)).toEqual(spec.text.split(' '));
  });

  it('on an arc they stay at its distance, fit, and fill it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 0.95, noNaN: true }), (bend) => {
        const arc = arcBaseline({ x: 200, y: 200, width: 1000, height: 600 }, bend);
        const block = layOutAlong(shaper, { ...spec, upper: true }, openTrack(arc), 5000);
        expect(block.overflows).toBe(false);
        const radius = 500 / Math.sin((bend * Math.PI) / 2);
        const centre = { x: 700, y: 800 + radius * Math.cos((bend * Math.PI) / 2) };
        for (const word of block.words) {
          const b = pathBounds(word.path);
          const middle = { x: b.x + b.width / 2, y: b.y + b.height / 2 };
          const distance = Math.hypot(middle.x - centre.x, middle.y - centre.y);
          expect(Math.abs(distance - radius)).toBeLessThan(block.sizePx + 12);
        }
        expect(block.sizePx * shaper.shape(spec.cut, spec.text.toUpperCase(), plainManner).advance).toBeGreaterThan(
          arc.length * 0.9,
        );
      }),
      { numRuns: 20 },
    );
  });

  it('says when a set size is too large for it, and stands where it is told', () => {
    const arc = arcBaseline({ x: 0, y: 0, width: 300, height: 100 }, 0.3);
    expect(layOutAlong(shaper, { ...spec, sizePx: 200 }, openTrack(arc), 900).overflows).toBe(true);
    const block = layOutAlong(shaper, { ...spec, sizePx: 12 }, openTrack(arc), 900);
    const place = { x: 0, y: 400, width: 300, height: 200 };
    expect(standIn(block, place, 'top').box.y).toBeCloseTo(400, 6);
    const low = standIn(block, place, 'bottom').box;
    expect(low.y + low.height).toBeCloseTo(600, 6);
    expect(layOutAlong(shaper, { ...spec, text: ' ' }, openTrack(arc), 900).words).toEqual([]);
  });
});

describe('scripts', () => {
  it('Arabic letters join: a word is narrower than its letters by themselves', () => {
    const joined = shaper.shape('amiri/400', 'كتاب', plainManner).advance;
    const apart = [...'كتاب'].reduce((sum, ch) => sum + shaper.shape('amiri/400', ch, plainManner).advance, 0);
    expect(joined).toBeLessThan(apart * 0.92);
  });

  it('Hebrew and Arabic titles are set by a face that has them, the first word at the right', () => {
    for (const [text, cut] of [
      ['שעות קטנות', 'frank-ruhl-libre/400'],
      ['حديقة الطحلب', 'amiri/400'],
    ]) {
      expect(fallbacksFor(text)).toContain(cut);
      const block = layOut(shaper, { ...spec, text, sizePx: 80 }, { ...area, width: 2000 });
      expect(block.missing).toEqual([]);
      expect(block.borrowed.length).toBeGreaterThan(0);
      const [first, second] = text.split(' ').map((t) => block.words.find((w) => w.text === t)!);
      expect(first.box.x).toBeGreaterThan(second.box.x);
    }
  });

  it('marks stand over their letters: Vietnamese is as wide as its bare letters', () => {
    const width = (text: string): number => shaper.shape('noto-serif/400', text, plainManner).advance;
    expect(width('Tiếng'.normalize('NFC'))).toBeCloseTo(width('Tieng'), 1);
    expect(width('e\u0301\u0323')).toBeCloseTo(width('e'), 1);
  });
});

describe('a font file of one’s own', () => {
  const bytes = (): Uint8Array =>
    new Uint8Array(readFileSync(join(import.meta.dirname, '../assets/fonts/bebas-neue/400.ttf')));

  it('is told by its content and names itself', () => {
    const read = readFontFile(bytes());
    expect(read).toMatchObject({ ok: true, value: { format: 'ttf' } });
    expect(read.ok && read.value.name).toMatch(/^Bebas/);
  });

  it('is refused when it is damaged, cut short, empty or none', () => {
    const code = (b: Uint8Array): string => {
      const read = readFontFile(b);
      return read.ok ? 'ok' : read.fault.code;
    };
    expect(code(new Uint8Array(0))).toBe('file-empty');
    expect(code(new TextEncoder().encode('<html>not a font at all</html>'))).toBe('font-format');
    expect(code(bytes().subarray(0, 2000))).toBe('font-damaged');
    expect(code(new Uint8Array(21 * 1024 * 1024))).toBe('font-large');
    fc.assert(fc.property(fc.uint8Array({ maxLength: 400 }), (b) => void readFontFile(b)));
    fc.assert(
      fc.property(fc.integer({ min: 12, max: 400 }), fc.integer({ min: 0, max: 255 }), (at, value) => {
        const broken = bytes().slice();
        broken[at] = value;
        readFontFile(broken);
      }),
    );
  });

  it('says which letters it lacks', () => {
    shaper.add('own/test', bytes());
    expect(shaper.lacks('own/test', 'Moss Ж Жук')).toEqual(['Ж', 'у', 'к']);
    expect(shaper.lacks('own/test', 'Moss')).toEqual([]);
  });
});
