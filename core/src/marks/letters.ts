import { compose, crossingsAt, scale, transformPath, translate } from '../plane';
import { type CutId, type Shaper, fallbacksFor, plainManner } from '../text';
import {
  NOTHING,
  type Region,
  areaOf,
  both,
  boxOf,
  grown,
  hullOf,
  isFull,
  moved,
  rectRegion,
  regionOf,
  together,
  without,
} from './region';
import { type SymbolName, symbolRegion } from './symbols';

/** Capitals are this high. */
export const CAP = 1000;

/** What stands between two letters of a row. */
export type Between = 'dot' | 'line' | 'slash' | 'and' | 'symbol';

/** How letters stand to one another. Lengths are shares of the height of a capital. */
export type Setting =
  | { readonly kind: 'row'; readonly gap: number; readonly between?: Between }
  /** Through each other, over and under; `over` is how much of the narrower one lies within the other, `drop` how far each stands lower. */
  | { readonly kind: 'woven'; readonly over: number; readonly drop?: number }
  /** Neighbours share the stem between them. */
  | { readonly kind: 'shared' }
  | { readonly kind: 'stacked'; readonly rule: boolean }
  /** Four letters, two over two. */
  | { readonly kind: 'pairs' }
  /** Two by two, the symbol where a letter is missing. */
  | { readonly kind: 'four' }
  /** The middle one of three large. */
  | { readonly kind: 'middle' }
  /** The first one large, the others at its foot. */
  | { readonly kind: 'first' }
  /** One letter and its mirror image on the stem of both. */
  | { readonly kind: 'cipher' };

/** What is done to the letters once they stand. */
export type Finish = 'plain' | 'slit' | 'hollow' | 'inline' | 'shadow';

/** `second` is drawn in the second colour, or in the first where there is none. */
export type Letters = { readonly first: Region; readonly second: Region };

/** White left where one thing lies over another. */
const AIR = 0.045 * CAP;
/** What is left of a letter between two crossings and is smaller than this reads as dirt. */
const CRUMB = 0.02 * CAP * CAP;
/** Share of a letter that is left when another runs through it. */
const KEPT = 0.8;

export function faceFor(shaper: Shaper, cut: CutId, text: string): CutId {
  const able = [cut, ...fallbacksFor(text)].filter((one) => shaper.has(one));
  return able.find((one) => shaper.lacks(one, text).length === 0) ?? able[0];
}

/** A text in one line from x = 0 on, its baseline at y = 0, capitals `CAP` high; `tracking` as a share of that. */
export function textRegion(shaper: Shaper, cut: CutId, text: string, tracking = 0): Region {
  const face = faceFor(shaper, cut, text);
  const { capHeight } = shaper.metrics(face);
  const k = CAP / capHeight;
  const run = shaper.shape(face, text, { ...plainManner, tracking: tracking * capHeight, kerning: 'optical' });
  return together(
    ...run.glyphs.map(({ at, path }) => regionOf(transformPath(path, compose(scale(k), translate(at, 0))))),
  );
}

const shifted = (region: Region, x: number, y: number): Region => moved(region, translate(x, y));
const sized = (region: Region, k: number): Region => moved(region, scale(k));

/** So that its box begins at x and is centred on y. */
function putAt(region: Region, x: number, middle: number): Region {
  const box = boxOf(region);
  return shifted(region, x - box.x, middle - box.y - box.height / 2);
}

/** Two things through each other: where they cross more than once, now one lies on top and now the other. */
function interlaced(a: Region, b: Region): { under: Region; over: Region } {
  const crossings = [...both(a, b)]
    .filter((ring) => areaOf([ring]) > AIR)
    .sort((p, q) => Math.min(...p.map(({ y }) => y)) - Math.min(...q.map(({ y }) => y)));
  let [under, over] = [a, b];
  crossings.forEach((ring, i) => {
    const near = grown([ring], AIR * 2);
    if (i % 2 === 0) under = without(under, both(grown(b, AIR), near));
    else over = without(over, both(grown(a, AIR), near));
  });
  return { under, over };
}

/** How much deeper or less deep than asked two letters may lie in each other. */
const OVERS = [1, 0.85, 1.15, 0.7, 1.3, 0.55];

/**
 * Of several places for the second thing the first one where both keep most of themselves and no crumbs are left (pieces too
 * small to be seen as part of a letter); null where each fails. An O whose side lies along a stem would be a C.
 */
function cleanest(a: Region, places: readonly Region[]): Region | null {
  for (const b of places) {
    const { under, over } = interlaced(a, b);
    const keeps = areaOf(under) > areaOf(a) * KEPT && areaOf(over) > areaOf(b) * KEPT;
    const set = together(under, over);
    if (keeps && !set.some((ring) => isFull(ring) && areaOf([ring]) < CRUMB)) return set;
  }
  return null;
}

/** Whether two letters laid together close an opening that neither has by itself: an E becomes an 8. */
const closes = (a: Region, b: Region): boolean => {
  const holes = (region: Region): number => region.filter((ring) => !isFull(ring) && areaOf([ring]) > CRUMB / 4).length;
  return holes(together(a, b)) > holes(a) + holes(b);
};

/** Outermost spans of ink at half the height of a capital: where its stems are. */
function stemsOf(letter: Region): { first: readonly [number, number]; last: readonly [number, number] } {
  const spans = crossingsAt(letter, -CAP / 2);
  const { x, width } = boxOf(letter);
  return { first: spans[0] ?? [x, x + width], last: spans[spans.length - 1] ?? [x, x + width] };
}

function between(kind: Between, shaper: Shaper, cut: CutId, symbol: SymbolName): { region: Region; air: number } {
  switch (kind) {
    case 'dot': {
      const r = 0.075 * CAP;
      return { region: shifted(sized(symbolRegion('star'), (3.4 * r) / 1000), 0, -CAP / 2 - 1.7 * r), air: 0.17 };
    }
    case 'line':
      return { region: rectRegion(0, -1.14 * CAP, 0.035 * CAP, 1.28 * CAP), air: 0.24 };
    case 'slash':
      return { region: moved(rectRegion(0, -1.2 * CAP, 0.045 * CAP, 1.4 * CAP), [1, 0, -0.36, 1, 0, 0]), air: 0.06 };
    case 'and':
      return { region: putAt(sized(textRegion(shaper, cut, '&'), 0.56), 0, -CAP / 2), air: 0.16 };
    case 'symbol':
      return { region: putAt(sized(symbolRegion(symbol), 0.00078 * CAP), 0, -CAP / 2), air: 0.2 };
  }
}

/** Letters as they stand to one another, capitals about `CAP` high; null where these letters cannot be read so. */
export function setLetters(
  shaper: Shaper,
  cut: CutId,
  letters: readonly string[],
  setting: Setting,
  symbol: SymbolName,
): Letters | null {
  const own = letters.map((letter) => textRegion(shaper, cut, letter));
  const only = (first: Region): Letters => ({ first, second: NOTHING });
  switch (setting.kind) {
    case 'row': {
      if (!setting.between) return only(textRegion(shaper, cut, letters.join(''), setting.gap));
      const sign = between(setting.between, shaper, cut, symbol);
      const signs: Region[] = [];
      const placed: Region[] = [];
      let pen = 0;
      own.forEach((letter, i) => {
        if (i > 0) {
          const put = shifted(sign.region, pen + sign.air * CAP - boxOf(sign.region).x, 0);
          signs.push(put);
          pen = right(put) + sign.air * CAP;
        }
        const put = shifted(letter, pen - boxOf(letter).x, 0);
        placed.push(put);
        pen = right(put);
      });
      return { first: together(...placed), second: together(...signs) };
    }
    case 'woven': {
      let set: Region | null = own[0];
      for (const [i, letter] of own.slice(1).entries()) {
        const width = Math.min(boxOf(own[i]).width, boxOf(letter).width);
        const drop = (i + 1) * (setting.drop ?? 0) * CAP;
        const at = right(set) - boxOf(letter).x;
        set = cleanest(
          set,
          OVERS.map((over) => shifted(letter, at - setting.over * over * width, drop)),
        );
        if (!set) return null;
      }
      return only(set);
    }
    case 'shared': {
      let last = own[0];
      let set = last;
      for (const letter of own.slice(1)) {
        const [a, b] = [stemsOf(last).last, stemsOf(letter).first];
        const stem = Math.min(a[1] - a[0], b[1] - b[0]);
        const next = shifted(letter, a[1] - stem - b[0], 0);
        if (closes(last, next)) return null;
        set = together(set, next);
        last = next;
      }
      return only(set);
    }
    case 'stacked': {
      const wide = Math.max(...own.map((letter) => boxOf(letter).width));
      let foot = 0;
      const rules: Region[] = [];
      const placed = own.map((letter, i) => {
        const k = Math.min(1.5, wide / boxOf(letter).width);
        if (i > 0) {
          const gap = (setting.rule ? 0.17 : 0.13) * CAP;
          if (setting.rule) rules.push(rectRegion(-wide / 2, foot + gap - 0.02 * CAP, wide, 0.04 * CAP));
          foot += setting.rule ? gap * 2 : gap;
        }
        const big = sized(letter, k);
        const box = boxOf(big);
        const put = shifted(big, -box.x - box.width / 2, foot - box.y);
        foot += box.height;
        return put;
      });
      return { first: together(...placed), second: together(...rules) };
    }
    case 'pairs': {
      const rows = [letters.slice(0, 2), letters.slice(2)].map((pair) => textRegion(shaper, cut, pair.join(''), 0.04));
      const wide = Math.max(...rows.map((row) => boxOf(row).width));
      let foot = 0;
      return only(
        together(
          ...rows.map((row) => {
            const big = sized(row, Math.min(1.25, wide / boxOf(row).width));
            const box = boxOf(big);
            const put = shifted(big, -box.x - box.width / 2, foot - box.y);
            foot += box.height + 0.14 * CAP;
            return put;
          }),
        ),
      );
    }
    case 'four': {
      const cells: Region[] = own.length === 2 ? [own[0], NOTHING, NOTHING, own[1]] : [...own];
      const signs: Region[] = [];
      const placed: Region[] = [];
      for (let i = 0; i < 4; i++) {
        const cell = cells[i] ?? NOTHING;
        const thing = cell.length > 0 ? cell : symbolRegion(symbol);
        const box = boxOf(thing);
        const k = Math.min((0.98 * CAP) / box.width, CAP / box.height) * (cell.length > 0 ? 1 : 0.78);
        const big = sized(thing, k);
        const at = boxOf(big);
        const [x, y] = [(i % 2 === 0 ? -0.68 : 0.68) * CAP, (i < 2 ? -0.68 : 0.68) * CAP];
        (cell.length > 0 ? placed : signs).push(shifted(big, x - at.x - at.width / 2, y - at.y - at.height / 2));
      }
      const hair = 0.04 * CAP;
      return {
        first: together(...placed),
        second: together(
          ...signs,
          rectRegion(-1.25 * CAP, -hair / 2, 2.5 * CAP, hair),
          rectRegion(-hair / 2, -1.25 * CAP, hair, 2.5 * CAP),
        ),
      };
    }
    case 'middle': {
      const tall = (own.length - 1) / 2;
      let pen = 0;
      return only(
        together(
          ...own.map((letter, i) => {
            const big = putAt(sized(letter, i === tall ? 1.62 : 1), pen, -CAP / 2);
            pen = right(big) + 0.1 * CAP;
            return big;
          }),
        ),
      );
    }
    case 'first': {
      const big = sized(own[0], 1.6);
      const rest = sized(textRegion(shaper, cut, letters.slice(1).join(''), 0.04), 0.72);
      const [a, b] = [boxOf(big), boxOf(rest)];
      const put = shifted(rest, a.x + a.width * 0.78 - b.x, 0.2 * CAP);
      return only(together(without(big, grown(hullOf(put), AIR * 1.4)), put));
    }
    case 'cipher': {
      // Back to back on the stem of the mirrored one.
      const [letter] = own;
      const [a, b] = [stemsOf(letter).first, boxOf(letter)];
      const mirror = moved(letter, [-1, 0, 0, 1, 2 * a[0] + (a[1] - a[0]), 0]);
      return only(shifted(together(letter, mirror), -b.x, 0));
    }
  }
}

const right = (region: Region): number => {
  const { x, width } = boxOf(region);
  return x + width;
};

export function finished({ first, second }: Letters, finish: Finish): Letters {
  const box = boxOf(together(first, second));
  switch (finish) {
    case 'plain':
      return { first, second };
    case 'slit': {
      const slit = rectRegion(box.x - CAP, box.y + box.height * 0.52, box.width + 2 * CAP, 0.05 * CAP);
      return { first: without(first, slit), second: without(second, slit) };
    }
    case 'hollow':
      return { first: without(first, grown(first, -0.04 * CAP)), second };
    case 'inline':
      return { first: without(first, without(grown(first, -0.05 * CAP), grown(first, -0.085 * CAP))), second };
    case 'shadow': {
      const depth = Array.from({ length: 13 }, (_, i) => shifted(first, i * 0.014 * CAP, i * 0.014 * CAP));
      return { first, second: together(second, without(together(...depth), grown(first, AIR * 0.8))) };
    }
  }
}
