import { PDFDict, type PDFDocument, PDFNumber, type PDFPage, PDFStream } from '@cantoo/pdf-lib';
import { type Rgb } from '../colour';
import { type Affine, type Rect, apply, compose, intersect, rectAround, translate, union } from '../plane';
import { boxOf, dictIn, isRectangle, itemsOf, numbersOf, pdfName as name } from './objects';
import { type State, colourOf, isString, isTold, nameIn, numbers } from './graphics-state';
import { type Operand, Operators } from './operators';
import { contentsOf, joined, unpacked } from './page-content';
import type { Seen } from './seen';
import { type Reach, reachOf } from './text-widths';

/** What is painted on a page, never less than it is. */
export type Painted = {
  readonly boxes: readonly Rect[];
  /** 0..255 each: what lies under everything; null where that cannot be told. */
  readonly ground: Rgb | null;
  /** False where it could not be read to its end: then nothing is known of its free places. */
  readonly known: boolean;
  /** Saved states that the page's own content leaves open, and those that it takes back without having saved them. */
  readonly open: number;
  readonly under: number;
};

/** Most bytes of content, operators and boxes of one page, and how deep its drawings may hold others. */
const MOST_BYTES = 48 * 1024 * 1024;
const MOST_OPERATORS = 3_000_000;
const MOST_BOXES = 60_000;
const MOST_DEPTH = 12;

const NONE = { open: 0, under: 0 };

/** Is told of letters as they are drawn: in which font and size, from where to where in the seen frame. */
export type Hear = (said: {
  readonly words: readonly Operand[];
  readonly font: PDFDict | null;
  readonly size: number;
  readonly from: Affine;
  readonly to: Affine;
}) => void;

/** Follows the drawing of a page, as ISO 32000 has it, and keeps the boxes of what it leaves. */
class Follower {
  boxes: Rect[] = [];
  ground: Rgb | null = [255, 255, 255];
  known = true;
  #operators = 0;
  #bytes = 0;
  readonly #fonts = new Map<PDFDict, Reach>();

  constructor(
    readonly doc: PDFDocument,
    readonly page: Rect,
    readonly hear: Hear | null,
  ) {}

  /** Puts down a box that something fills. */
  #mark(box: Rect, clip: Rect): void {
    const apart =
      box.x > clip.x + clip.width ||
      clip.x > box.x + box.width ||
      box.y > clip.y + clip.height ||
      clip.y > box.y + box.height;
    if (apart || clip.width === 0 || clip.height === 0) return;
    const seen = intersect(box, clip);
    if (this.boxes.length >= MOST_BOXES) this.boxes = [union(this.boxes)];
    this.boxes.push(seen);
  }

  /** True where an area fills the whole page: then it is the ground, and nothing before it is seen. */
  #fills(box: Rect): boolean {
    const { width, height } = intersect(box, this.page);
    return width >= this.page.width * 0.99 && height >= this.page.height * 0.99;
  }

  start(matrix: Affine): State {
    return {
      matrix,
      clip: this.page,
      width: 1,
      fill: [0, 0, 0],
      told: true,
      plain: true,
      font: null,
      size: 1,
      spacing: 0,
      wordSpacing: 0,
      across: 1,
      leading: 0,
      rise: 0,
      mode: 0,
    };
  }

  /** Runs a stream; answers how many saved states it leaves open, and how many it takes that were never saved. */
  run(bytes: Uint8Array, resources: PDFDict | undefined, begin: State, depth: number): Pick<Painted, 'open' | 'under'> {
    this.#bytes += bytes.length;
    if (this.#bytes > MOST_BYTES || depth > MOST_DEPTH) {
      this.known = false;
      return NONE;
    }
    let state = begin;
    const saved: State[] = [];
    let under = 0;
    let line: Affine = [1, 0, 0, 1, 0, 0];
    let pen: Affine = line;
    let [points, straight, clipping]: [Rect[], boolean, boolean] = [[], true, false];
    const point = (x: number, y: number): void => {
      const p = apply(state.matrix, { x, y });
      points.push({ ...p, width: 0, height: 0 });
    };
    const paint = (filled: boolean, stroked: boolean): void => {
      if (points.length > 0) {
        const box = union(points);
        const [a, b, c, d] = state.matrix;
        const wide = stroked
          ? (Math.max(state.width, 0) * Math.sqrt(Math.max(a * a + b * b, c * c + d * d))) / 2 + 0.5
          : 0;
        const all = { x: box.x - wide, y: box.y - wide, width: box.width + 2 * wide, height: box.height + 2 * wide };
        if (filled && straight && isRectangle(points, box) && state.plain && this.#fills(intersect(all, state.clip))) {
          this.boxes = [];
          this.ground = state.fill;
        } else this.#mark(all, state.clip);
      }
      finish();
    };
    const finish = (): void => {
      if (clipping && points.length > 0) state = { ...state, clip: intersect(state.clip, union(points)) };
      [points, straight, clipping] = [[], true, false];
    };
    const move = (x: number, y: number): void => {
      line = compose(line, translate(x, y));
      pen = line;
    };
    const show = (words: readonly Operand[]): void => {
      pen = this.#show(words, state, pen);
    };
    for (const { op, operands } of new Operators(bytes)) {
      if (++this.#operators > MOST_OPERATORS) {
        this.known = false;
        return NONE;
      }
      const n = numbers(operands);
      switch (op) {
        case 'q':
          if (saved.length < 500) saved.push(state);
          break;
        case 'Q':
          if (saved.length === 0) under++;
          state = saved.pop() ?? state;
          break;
        case 'cm':
          if (n.length === 6) state = { ...state, matrix: compose(state.matrix, n as unknown as Affine) };
          break;
        case 'w':
          state = { ...state, width: n[0] ?? 1 };
          break;
        case 'm':
        case 'l':
          point(n[0], n[1]);
          break;
        case 'c':
        case 'v':
        case 'y':
          straight = false;
          for (let i = 0; i + 1 < n.length; i += 2) point(n[i], n[i + 1]);
          break;
        case 're':
          for (const [x, y] of [
            [n[0], n[1]],
            [n[0] + n[2], n[1]],
            [n[0], n[1] + n[3]],
            [n[0] + n[2], n[1] + n[3]],
          ])
            point(x, y);
          break;
        case 'W':
        case 'W*':
          clipping = true;
          break;
        case 'n':
          finish();
          break;
        case 'f':
        case 'F':
        case 'f*':
          paint(true, false);
          break;
        case 'S':
        case 's':
          paint(false, true);
          break;
        case 'B':
        case 'B*':
        case 'b':
        case 'b*':
          paint(true, true);
          break;
        case 'sh':
          this.#mark(state.clip, state.clip);
          break;
        case 'g':
        case 'rg':
        case 'k':
          state = { ...state, fill: colourOf(n), told: true };
          break;
        case 'cs': {
          const told = isTold(resources, nameIn(operands[0]));
          state = { ...state, told, fill: told ? [0, 0, 0] : null };
          break;
        }
        case 'sc':
        case 'scn':
          state = {
            ...state,
            fill: state.told && operands.every((one) => typeof one === 'number') ? colourOf(n) : null,
          };
          break;
        case 'gs':
          state = { ...state, ...this.#graphics(resources, nameIn(operands[0])) };
          break;
        case 'BT':
          line = [1, 0, 0, 1, 0, 0];
          pen = line;
          break;
        case 'Tf':
          state = { ...state, font: this.#font(resources, nameIn(operands[0])), size: n[1] ?? 1 };
          break;
        case 'Tc':
          state = { ...state, spacing: n[0] ?? 0 };
          break;
        case 'Tw':
          state = { ...state, wordSpacing: n[0] ?? 0 };
          break;
        case 'Tz':
          state = { ...state, across: (n[0] ?? 100) / 100 };
          break;
        case 'TL':
          state = { ...state, leading: n[0] ?? 0 };
          break;
        case 'Ts':
          state = { ...state, rise: n[0] ?? 0 };
          break;
        case 'Tr':
          state = { ...state, mode: n[0] ?? 0 };
          break;
        case 'Td':
          move(n[0] ?? 0, n[1] ?? 0);
          break;
        case 'TD':
          state = { ...state, leading: -(n[1] ?? 0) };
          move(n[0] ?? 0, n[1] ?? 0);
          break;
        case 'Tm':
          if (n.length === 6) pen = line = n as unknown as Affine;
          break;
        case 'T*':
          move(0, -state.leading);
          break;
        case "'":
        case '"':
          if (op === '"') state = { ...state, wordSpacing: n[0] ?? 0, spacing: n[1] ?? 0 };
          move(0, -state.leading);
          show(operands.filter(isString));
          break;
        case 'Tj':
          show(operands.filter(isString));
          break;
        case 'TJ':
          show(Array.isArray(operands[0]) ? (operands[0] as readonly Operand[]) : []);
          break;
        case 'BI':
          this.#picture(state);
          break;
        case 'Do':
          this.#draw(resources, nameIn(operands[0]), state, depth);
          break;
        default:
      }
    }
    return { open: saved.length, under };
  }

  #picture(state: State): void {
    this.#mark(rectAround(state.matrix, { x: 0, y: 0, width: 1, height: 1 }), state.clip);
  }

  #draw(resources: PDFDict | undefined, key: string | null, state: State, depth: number): void {
    const object = key === null ? null : dictIn(resources, 'XObject')?.lookup(name(key));
    if (!(object instanceof PDFStream)) return;
    const { dict } = object;
    if (dict.lookup(name('Subtype')) !== name('Form')) return this.#picture(state);
    const bytes = unpacked(object, MOST_BYTES);
    if (!bytes) {
      this.known = false;
      return;
    }
    const own = numbersOf(dict.lookup(name('Matrix')));
    const matrix = own.length === 6 ? compose(state.matrix, own as unknown as Affine) : state.matrix;
    const box = numbersOf(dict.lookup(name('BBox')));
    const frame = box.length === 4 ? rectAround(matrix, boxOf(box)) : null;
    const clip = frame ? intersect(state.clip, frame) : state.clip;
    if (clip.width <= 0 || clip.height <= 0) return;
    this.run(bytes, dictIn(dict, 'Resources') ?? resources, { ...state, matrix, clip }, depth + 1);
  }

  /** Whether what is painted now covers what lies under it. */
  #graphics(resources: PDFDict | undefined, key: string | null): Partial<State> {
    const dict = key === null ? null : dictIn(resources, 'ExtGState')?.lookup(name(key));
    if (!(dict instanceof PDFDict)) return {};
    const alpha = dict.lookup(name('ca'));
    const mask = dict.lookup(name('SMask'));
    const width = dict.lookup(name('LW'));
    const blend = dict.lookup(name('BM'));
    const plain =
      (!(alpha instanceof PDFNumber) || alpha.asNumber() >= 0.999) &&
      !(mask instanceof PDFDict) &&
      (blend === undefined || blend === name('Normal') || blend === name('Compatible'));
    return { plain, ...(width instanceof PDFNumber ? { width: width.asNumber() } : {}) };
  }

  #font(resources: PDFDict | undefined, key: string | null): Reach {
    const found = key === null ? undefined : dictIn(resources, 'Font')?.lookup(name(key));
    if (!(found instanceof PDFDict)) return reachOf(undefined);
    const known = this.#fonts.get(found);
    if (known) return known;
    const made = reachOf(found);
    this.#fonts.set(found, made);
    return made;
  }

  /** Letters from the pen on, with what moves it between them (ISO 32000, 9.4.3): their box, and where the pen is then. */
  #show(words: readonly Operand[], state: State, pen: Affine): Affine {
    const font = state.font ?? reachOf(undefined);
    const { size, spacing, wordSpacing, across } = state;
    let [length, blank, least, most] = [0, true, 0, 0];
    for (const word of words) {
      if (typeof word === 'number') length -= ((font.upright ? -word : word) / 1000) * size;
      if (!isString(word)) continue;
      const { bytes } = word;
      for (let i = 0; i + font.bytes <= bytes.length; i += font.bytes) {
        const code = font.bytes === 1 ? bytes[i] : bytes[i] * 256 + bytes[i + 1];
        const space = font.bytes === 1 && code === 32;
        blank &&= space;
        least = Math.min(least, length);
        length += (font.upright ? 1 : font.width(code)) * size + spacing + (space ? wordSpacing : 0);
        least = Math.min(least, length);
        most = Math.max(most, length);
      }
    }
    const moved = font.upright ? translate(0, -length) : translate(length * across, 0);
    // Letters that are never painted, and spaces, leave the page free.
    if (!blank && state.mode !== 3 && state.mode !== 7) {
      const [from, to] = [least, most];
      const lean = 0.15 * Math.abs(size);
      const box = font.upright
        ? { x: -size, y: -to - size, width: 2 * size, height: to - from + 2 * size }
        : {
            x: from * across - lean,
            y: Math.min(font.bottom * size, font.top * size) + state.rise,
            width: (to - from) * across + 2 * lean,
            height: (font.top - font.bottom) * Math.abs(size),
          };
      this.#mark(rectAround(compose(state.matrix, pen), box), state.clip);
    }
    const next = compose(pen, moved);
    if (this.hear) {
      const [from, to] = [compose(state.matrix, pen), compose(state.matrix, next)];
      this.hear({ words, font: font.font, size: Math.abs(size), from, to });
    }
    return next;
  }
}

/** Boxes of what else lies on a page: fields, notes, links. */
const notes = (page: PDFPage, { matrix }: Seen): Rect[] =>
  itemsOf(page.node.Annots()).flatMap((one) => {
    const corners = one instanceof PDFDict ? numbersOf(one.lookup(name('Rect'))) : [];
    return corners.length === 4 ? [rectAround(matrix, boxOf(corners))] : [];
  });

/** What is painted on a page, in its seen frame: the boxes of its letters, lines, areas and pictures, and of its fields and links. */
export function paintedOf(doc: PDFDocument, page: PDFPage, seen: Seen, hear: Hear | null = null): Painted {
  const follower = new Follower(doc, { x: 0, y: 0, width: seen.width, height: seen.height }, hear);
  const parts = contentsOf(page).map((stream) => unpacked(stream, MOST_BYTES));
  if (parts.some((part) => part === null)) return { boxes: [], ground: null, known: false, open: 0, under: 0 };
  // An operator may begin in one stream and end in the next.
  const bytes = joined(parts.flatMap((part) => [part as Uint8Array, Uint8Array.of(10)]));
  const saves = follower.run(bytes, page.node.Resources(), follower.start(seen.matrix), 0);
  return { boxes: [...follower.boxes, ...notes(page, seen)], ground: follower.ground, known: follower.known, ...saves };
}
