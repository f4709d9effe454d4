import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFName,
  PDFNumber,
  type PDFPage,
  PDFRawStream,
  PDFStream,
  decodePDFRawStream,
} from '@cantoo/pdf-lib';
import { type Rgb } from '../colour';
import { type Affine, type Rect, apply, compose, intersect, rectAround, translate, union } from '../plane';
import { type Operand, Operators } from './operators';
import { type Reach, reachOf } from './text-widths';

/** A page as it is seen: its box turned upright, from its top left, y down, in points. */
export type Seen = {
  readonly width: number;
  readonly height: number;
  /** From the page's own coordinates to those that are seen. */
  readonly matrix: Affine;
  /** From what is seen, with y up from its top, to the page's own coordinates. */
  readonly upright: Affine;
};

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

const name = (text: string): PDFName => PDFName.of(text);

export function seenOf(page: PDFPage): Seen {
  const { x, y, width: w, height: h } = page.getCropBox();
  const turn = (((Math.round(page.getRotation().angle / 90) % 4) + 4) % 4) as 0 | 1 | 2 | 3;
  const ways: readonly [matrix: Affine, upright: Affine][] = [
    [
      [1, 0, 0, -1, -x, y + h],
      [1, 0, 0, 1, x, y + h],
    ],
    [
      [0, 1, 1, 0, -y, -x],
      [0, 1, -1, 0, x, y],
    ],
    [
      [-1, 0, 0, 1, x + w, -y],
      [-1, 0, 0, -1, x + w, y],
    ],
    [
      [0, -1, -1, 0, y + h, x + w],
      [0, -1, 1, 0, x + w, y + h],
    ],
  ];
  const [matrix, upright] = ways[turn];
  return { width: turn % 2 ? h : w, height: turn % 2 ? w : h, matrix, upright };
}

/** Most bytes of content, operators and boxes of one page, and how deep its drawings may hold others. */
const MOST_BYTES = 48 * 1024 * 1024;
const MOST_OPERATORS = 3_000_000;
const MOST_BOXES = 60_000;
const MOST_DEPTH = 12;

const PIECE = 1 << 18;

/** A stream unpacked, piece by piece and no more than `most` of it; null where it cannot be. */
function unpacked(stream: PDFStream, most: number): Uint8Array | null {
  try {
    if (!(stream instanceof PDFRawStream)) return stream.getContents().subarray(0, most);
    const decoder = decodePDFRawStream(stream);
    const pieces: Uint8Array[] = [];
    for (let length = 0; length < most;) {
      const piece = decoder.getBytes(PIECE);
      if (piece.length === 0) break;
      // What it gives is a view of a buffer that moves on.
      pieces.push(Uint8Array.from(piece));
      length += piece.length;
    }
    return joined(pieces);
  } catch {
    return null;
  }
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  if (pieces.length === 1) return pieces[0];
  const all = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  pieces.reduce((at, piece) => (all.set(piece, at), at + piece.length), 0);
  return all;
}

type State = {
  readonly matrix: Affine;
  readonly clip: Rect;
  readonly width: number;
  readonly fill: Rgb | null;
  /** True where numbers of the colour space are grey, light or inks. */
  readonly told: boolean;
  readonly plain: boolean;
  readonly font: Reach | null;
  readonly size: number;
  readonly spacing: number;
  readonly wordSpacing: number;
  readonly across: number;
  readonly leading: number;
  readonly rise: number;
  readonly mode: number;
};

const numbers = (operands: readonly Operand[]): number[] => operands.map((one) => (typeof one === 'number' ? one : 0));
const nameIn = (operand: Operand | undefined): string | null =>
  operand && typeof operand === 'object' && 'kind' in operand && operand.kind === 'name' ? operand.name : null;
const to255 = (n: number): number => Math.max(0, Math.min(255, Math.round(n * 255)));

/** A colour by its numbers: grey, light, or inks; others are unknown. */
function colourOf(n: readonly number[]): Rgb | null {
  if (n.length === 1) return [to255(n[0]), to255(n[0]), to255(n[0])];
  if (n.length === 3) return [to255(n[0]), to255(n[1]), to255(n[2])];
  if (n.length === 4) return [0, 1, 2].map((i) => to255((1 - n[i]) * (1 - n[3]))) as unknown as Rgb;
  return null;
}

const NONE = { open: 0, under: 0 };

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
    const show = (bytesOf: Uint8Array): void => {
      pen = this.#show(bytesOf, state, pen);
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
          for (const one of operands) if (isString(one)) show(one.bytes);
          break;
        case 'Tj':
          for (const one of operands) if (isString(one)) show(one.bytes);
          break;
        case 'TJ':
          for (const one of Array.isArray(operands[0]) ? (operands[0] as readonly Operand[]) : []) {
            if (isString(one)) show(one.bytes);
            else if (typeof one === 'number') {
              const gap = (-one / 1000) * state.size;
              pen = compose(pen, state.font?.upright ? translate(0, gap) : translate(gap * state.across, 0));
            }
          }
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
    const object = key === null ? null : resources?.lookupMaybe(name('XObject'), PDFDict)?.lookup(name(key));
    if (!(object instanceof PDFStream)) return;
    const { dict } = object;
    if (dict.lookup(name('Subtype')) !== name('Form')) return this.#picture(state);
    const bytes = unpacked(object, MOST_BYTES);
    if (!bytes) {
      this.known = false;
      return;
    }
    const list = (key2: string): number[] | null => {
      const found = dict.lookup(name(key2));
      if (!(found instanceof PDFArray)) return null;
      return Array.from({ length: found.size() }, (_, i) => {
        const one = found.lookup(i);
        return one instanceof PDFNumber ? one.asNumber() : 0;
      });
    };
    const own = list('Matrix');
    const matrix = own?.length === 6 ? compose(state.matrix, own as unknown as Affine) : state.matrix;
    const box = list('BBox');
    const frame =
      box?.length === 4
        ? rectAround(matrix, {
            x: Math.min(box[0], box[2]),
            y: Math.min(box[1], box[3]),
            width: Math.abs(box[2] - box[0]),
            height: Math.abs(box[3] - box[1]),
          })
        : null;
    const clip = frame ? intersect(state.clip, frame) : state.clip;
    if (clip.width <= 0 || clip.height <= 0) return;
    this.run(bytes, dict.lookupMaybe(name('Resources'), PDFDict) ?? resources, { ...state, matrix, clip }, depth + 1);
  }

  /** Whether what is painted now covers what lies under it. */
  #graphics(resources: PDFDict | undefined, key: string | null): Partial<State> {
    const dict = key === null ? null : resources?.lookupMaybe(name('ExtGState'), PDFDict)?.lookup(name(key));
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
    const found = key === null ? undefined : resources?.lookupMaybe(name('Font'), PDFDict)?.lookup(name(key));
    if (!(found instanceof PDFDict)) return reachOf(undefined);
    const known = this.#fonts.get(found);
    if (known) return known;
    const made = reachOf(found);
    this.#fonts.set(found, made);
    return made;
  }

  /** Letters from the pen on: their box, and where the pen is then. */
  #show(bytes: Uint8Array, state: State, pen: Affine): Affine {
    const font = state.font ?? reachOf(undefined);
    const { size, spacing, wordSpacing, across } = state;
    let [length, blank, least] = [0, true, 0];
    for (let i = 0; i + font.bytes <= bytes.length; i += font.bytes) {
      const code = font.bytes === 1 ? bytes[i] : bytes[i] * 256 + bytes[i + 1];
      const space = font.bytes === 1 && code === 32;
      blank &&= space;
      length += (font.upright ? 1 : font.width(code)) * size + spacing + (space ? wordSpacing : 0);
      least = Math.min(least, length);
    }
    const moved = font.upright ? translate(0, -length) : translate(length * across, 0);
    // Letters that are never painted, and spaces, leave the page free.
    if (!blank && state.mode !== 3 && state.mode !== 7) {
      const [from, to] = [Math.min(0, least), Math.max(0, length)];
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
    return compose(pen, moved);
  }
}

/** True where straight lines go round all four corners of their box, and nowhere else. */
function isRectangle(points: readonly Rect[], box: Rect): boolean {
  const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.01;
  const corners = points.map(({ x, y }) => {
    const [left, right] = [near(x, box.x), near(x, box.x + box.width)];
    const [top, foot] = [near(y, box.y), near(y, box.y + box.height)];
    return (left || right) && (top || foot) ? (left ? 0 : 1) + (top ? 0 : 2) : -1;
  });
  return !corners.includes(-1) && new Set(corners).size === 4;
}

const isString = (one: Operand): one is { kind: 'string'; bytes: Uint8Array } =>
  typeof one === 'object' && one !== null && 'kind' in one && one.kind === 'string';

/** Whether numbers of a colour space can be read as they are: a spot colour means something else by them. */
function isTold(resources: PDFDict | undefined, key: string | null): boolean {
  if (key === null) return false;
  if (/^(Device(Gray|RGB|CMYK)|G|RGB|CMYK)$/.test(key)) return true;
  const space = resources?.lookupMaybe(name('ColorSpace'), PDFDict)?.lookup(name(key));
  const kind = space instanceof PDFArray ? space.lookup(0) : space;
  return kind instanceof PDFName && /^(ICCBased|Cal(Gray|RGB)|Device(Gray|RGB|CMYK))$/.test(kind.decodeText());
}

/** Boxes of what else lies on a page: fields, notes, links. */
function* notes(page: PDFPage, { matrix }: Seen): Generator<Rect> {
  const list = page.node.Annots();
  for (let i = 0; list && i < Math.min(list.size(), 5000); i++) {
    const one = list.lookup(i);
    const corners = one instanceof PDFDict ? one.lookup(name('Rect')) : null;
    if (!(corners instanceof PDFArray) || corners.size() !== 4) continue;
    const [x0, y0, x1, y1] = [0, 1, 2, 3].map((k) => {
      const v = corners.lookup(k);
      return v instanceof PDFNumber ? v.asNumber() : 0;
    });
    yield rectAround(matrix, {
      x: Math.min(x0, x1),
      y: Math.min(y0, y1),
      width: Math.abs(x1 - x0),
      height: Math.abs(y1 - y0),
    });
  }
}

/** Streams of a page's content, in order. */
export function contentsOf(page: PDFPage): PDFStream[] {
  const entry = page.node.Contents();
  const all = entry instanceof PDFArray ? Array.from({ length: entry.size() }, (_, i) => entry.lookup(i)) : [entry];
  return all.filter((one) => one instanceof PDFStream);
}

/** What is painted on a page, in its seen frame: the boxes of its letters, lines, areas and pictures, and of its fields and links. */
export function paintedOf(doc: PDFDocument, page: PDFPage, seen: Seen): Painted {
  const follower = new Follower(doc, { x: 0, y: 0, width: seen.width, height: seen.height });
  const parts = contentsOf(page).map((stream) => unpacked(stream, MOST_BYTES));
  if (parts.some((part) => part === null)) return { boxes: [], ground: null, known: false, open: 0, under: 0 };
  // An operator may begin in one stream and end in the next.
  const bytes = joined(parts.flatMap((part) => [part as Uint8Array, Uint8Array.of(10)]));
  const saves = follower.run(bytes, page.node.Resources(), follower.start(seen.matrix), 0);
  return { boxes: [...follower.boxes, ...notes(page, seen)], ground: follower.ground, known: follower.known, ...saves };
}
