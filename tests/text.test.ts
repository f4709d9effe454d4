import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { FAMILIES, findCut, italicOf, layOut, plainManner } from '@yosomi/core/text';
import { loadAllFonts, shaper, spec } from './fixtures/type';

const area = { x: 100, y: 200, width: 1200, height: 700 };

beforeAll(loadAllFonts);

describe('the font book', () => {
  it('has at least eight families, each loads, and each has the letters of English', () => {
    expect(FAMILIES.length).toBeGreaterThanOrEqual(8);
    for (const family of FAMILIES) {
      for (const cut of family.cuts) {
        expect(shaper.shape(cut.id, 'AaBbZz 0189 &.,;:!?—’“”', plainManner).missing).toEqual([]);
        const m = shaper.metrics(cut.id);
        expect(m.xHeight).toBeGreaterThan(0.3);
        expect(m.capHeight).toBeGreaterThanOrEqual(m.xHeight);
      }
    }
  });

  it('finds the italic of the nearest weight', () => {
    expect(italicOf('cormorant-garamond/700')).toBe('cormorant-garamond/500-italic');
    expect(italicOf('cinzel/700')).toBe('cinzel/700');
    expect(findCut('nothing/400')).toBeUndefined();
  });
});

describe('shaping', () => {
  it('kerns: a pair is narrower than its letters side by side', () => {
    const width = (text: string): number => shaper.shape('libre-baskerville/400', text, plainManner).advance;
    expect(width('AV')).toBeLessThan(width('A') + width('V') - 0.02);
  });

  it('joins ligatures, but not in spread words', () => {
    const cut = 'cormorant-garamond/500';
    const joined = shaper.shape(cut, 'fi', plainManner).path.ops.length;
    const spread = shaper.shape(cut, 'fi', { ...plainManner, tracking: 0.1 }).path.ops.length;
    expect(joined).not.toBe(spread);
  });

  it('adds tracking between letters only', () => {
    const plain = shaper.shape('jost/400', 'MOSS', plainManner).advance;
    expect(shaper.shape('jost/400', 'MOSS', { ...plainManner, tracking: 0.1 }).advance).toBeCloseTo(plain + 0.3, 6);
  });

  it('names the letters a font lacks', () => {
    expect(shaper.shape('bebas-neue/400', 'Тихо', plainManner).missing.toSorted()).toEqual(['Т', 'и', 'х', 'о'].sort());
  });

  it('refuses bytes that are no font', () => {
    expect(shaper.add('broken', new Uint8Array(100))).toMatchObject({ ok: false, fault: { code: 'font-damaged' } });
  });
});

describe('setting words into an area', () => {
  const word = fc.stringMatching(/^[A-Za-z]{1,14}$/);
  const cuts = fc.constantFrom('cormorant-garamond/700', 'jost/600', 'bebas-neue/400', 'fraunces/800');

  it('keeps every letter inside, and fills the area in one direction', () => {
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 14 }),
        cuts,
        fc.constantFrom('left', 'centre', 'right'),
        (words, cut, align) => {
          const block = layOut(shaper, { ...spec, text: words.join(' '), cut, align: align as 'left' }, area);
          expect(block.words.map((w) => w.text)).toEqual(words);
          expect(block.box.x).toBeGreaterThan(area.x - 1);
          expect(block.box.x + block.box.width).toBeLessThan(area.x + area.width + 1);
          expect(block.box.y).toBeGreaterThan(area.y - 1);
          expect(block.box.y + block.box.height).toBeLessThan(area.y + area.height + 1);
          const fills = Math.max(block.box.width / area.width, block.box.height / area.height);
          expect(fills).toBeGreaterThan(0.97);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is as large as any number of lines allows', () => {
    const text = 'The Ledger of Small Hours';
    const chosen = layOut(shaper, { ...spec, text }, area);
    for (const forced of [
      'The Ledger of\nSmall Hours',
      'The Ledger\nof Small\nHours',
      'The\nLedger\nof Small\nHours',
      text,
    ]) {
      expect(chosen.sizePx * 1.041).toBeGreaterThanOrEqual(layOut(shaper, { ...spec, text: forced }, area).sizePx);
    }
  });

  it('aligns by ink, to the pixel', () => {
    const left = layOut(shaper, { ...spec, text: 'Weather for Two Voices', align: 'left' }, area);
    expect(left.box.x).toBeCloseTo(area.x, 1);
    const right = layOut(shaper, { ...spec, text: 'Weather for Two Voices', align: 'right' }, area);
    expect(right.box.x + right.box.width).toBeCloseTo(area.x + area.width, 1);
    const top = layOut(shaper, { ...spec, text: 'Moss', alignY: 'top', maxPx: 100 }, area);
    expect(top.box.y).toBeCloseTo(area.y, 1);
    const bottom = layOut(shaper, { ...spec, text: 'Moss', alignY: 'bottom', maxPx: 100 }, area);
    expect(bottom.box.y + bottom.box.height).toBeCloseTo(area.y + area.height, 1);
  });

  it('opens the lines where letters would touch, and only there', () => {
    const tight = { ...spec, leading: 0.6 };
    const baseline = (text: string, word: string): number => {
      const { box } = layOut(shaper, { ...tight, text, sizePx: 100 }, { ...area, width: 4000 }).words.find(
        (w) => w.text === word,
      )!;
      return box.y + box.height;
    };
    // Flat letters may come close; a long tail over an ascender may not.
    const flat = baseline('mmm\nmmn', 'mmn') - baseline('mmm\nmmn', 'mmm');
    const deep = baseline('Qmm\nhhn', 'hhn') - baseline('Qmm\nhhn', 'Qmm');
    expect(flat).toBeCloseTo(60, 0);
    expect(deep).toBeGreaterThan(30);
    const block = layOut(shaper, { ...tight, text: 'Quiet\nMachines', sizePx: 100 }, { ...area, width: 4000 });
    const [above, below] = block.words.map((w) => w.path.ops);
    const points = (ops: readonly number[]): [number, number][] => {
      const list: [number, number][] = [];
      for (let i = 0; i < ops.length;) {
        const n = [2, 2, 4, 6, 0][ops[i]];
        if (n > 0) list.push([ops[i + n - 1], ops[i + n]]);
        i += n + 1;
      }
      return list;
    };
    let nearest = Infinity;
    for (const [ax, ay] of points(above))
      for (const [bx, by] of points(below)) if (Math.abs(ax - bx) < 1) nearest = Math.min(nearest, by - ay);
    expect(nearest).toBeGreaterThan(2);
  });

  it('keeps manual breaks', () => {
    expect(layOut(shaper, { ...spec, text: 'A Debt\nof\nFoxfire' }, area).lines).toBe(3);
  });

  it('sets small words apart', () => {
    const minor = { cut: 'cormorant-garamond/500-italic', scale: 0.6 };
    const block = layOut(shaper, { ...spec, text: 'A Debt of Foxfire', minor }, area);
    expect(block.words.filter((w) => w.minor).map((w) => w.text)).toEqual(['A', 'of']);
    const all = layOut(shaper, { ...spec, text: 'A Debt of Foxfire' }, area);
    expect(block.words.find((w) => w.text === 'of')!.box.height / block.sizePx).toBeLessThan(
      all.words.find((w) => w.text === 'of')!.box.height / all.sizePx,
    );
  });

  it('wraps words of a set size and says when they do not fit', () => {
    const fits = layOut(shaper, { ...spec, text: 'Forty small landscapes for shade', sizePx: 120 }, area);
    expect(fits.lines).toBeGreaterThan(1);
    expect(fits.overflows).toBe(false);
    expect(layOut(shaper, { ...spec, text: 'Forty small landscapes for shade', sizePx: 600 }, area).overflows).toBe(
      true,
    );
  });

  it('sets a title in Cyrillic, accents and an em dash, borrowing a face where it must', () => {
    const text = 'Тихий сад — Œuvre à Ægir';
    const block = layOut(shaper, { ...spec, text, cut: 'bebas-neue/400' }, area);
    expect(block.borrowed).toContain('Т');
    expect(block.missing).toEqual([]);
    expect(block.box.width).toBeGreaterThan(300);
    expect(layOut(shaper, { ...spec, text }, area).borrowed).toEqual([]);
    expect(layOut(shaper, { ...spec, text: '深い森' }, area).missing.length).toBeGreaterThan(0);
  });

  it('runs lines of a right-to-left script from the right', () => {
    const block = layOut(shaper, { ...spec, text: 'אחת שתיים' }, area);
    const [first, second] = ['אחת', 'שתיים'].map((t) => block.words.find((w) => w.text === t)!);
    if (block.lines === 1) expect(first.box.x).toBeGreaterThan(second.box.x);
  });

  it('takes 300 letters in one word, and nothing at all', () => {
    const long = layOut(shaper, { ...spec, text: 'x'.repeat(300) }, area);
    expect(long.box.width).toBeLessThanOrEqual(area.width + 1);
    expect(layOut(shaper, { ...spec, text: '   \n ' }, area)).toMatchObject({ words: [], lines: 0 });
  });
});
