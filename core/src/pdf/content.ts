import type { Mark, TextMark } from '../booklet';
import { type Hex, rgbOf } from '../colour';
import { CLOSE, CUBIC, LINE, MOVE, type Path, QUAD, type Rect, eachOp } from '../plane';
import type { CutId } from '../text';
import { utf16 } from './font-embed';

const num = (n: number): string => String(Math.round(n * 1000) / 1000);
const colour = (hex: Hex): string =>
  `${rgbOf(hex)
    .map((v) => num(v / 255))
    .join(' ')} rg`;
const code = (glyph: number): string => glyph.toString(16).padStart(4, '0');

/** A path filled in one colour; quadratics become the cubics that are the same curves. */
export const fillOps = (path: Path, hex: Hex, height: number): string[] => [colour(hex), ...pathOps(path, height), 'f'];

/** A path as operators; a quadratic becomes the cubic that is the same curve. */
function pathOps({ ops }: Path, height: number): string[] {
  const out: string[] = [];
  let [px, py] = [0, 0];
  const at = (i: number): [number, number] => [ops[i], height - ops[i + 1]];
  eachOp({ ops }, (kind, i) => {
    switch (kind) {
      case MOVE:
      case LINE:
        [px, py] = at(i);
        out.push(`${num(px)} ${num(py)} ${kind === MOVE ? 'm' : 'l'}`);
        break;
      case QUAD: {
        const [[cx, cy], [x, y]] = [at(i), at(i + 2)];
        const third = (a: number, c: number): number => a + (2 / 3) * (c - a);
        out.push(`${[third(px, cx), third(py, cy), third(x, cx), third(y, cy), x, y].map(num).join(' ')} c`);
        [px, py] = [x, y];
        break;
      }
      case CUBIC: {
        const [a, b, c] = [at(i), at(i + 2), at(i + 4)];
        out.push(`${[...a, ...b, ...c].map(num).join(' ')} c`);
        [px, py] = c;
        break;
      }
      case CLOSE:
        out.push('h');
    }
  });
  return out;
}

/** A sign of a font as the file has it: how far it moves the pen, em, and what it is read as where nothing else is said. */
export type Sign = { readonly advance: number; readonly text: string };

/** Letters of a mark: each where it was set, by the font's own advance and what is added or taken away (ISO 32000, 9.4.3). */
function textOps(mark: TextMark, font: string, height: number, sign: (glyph: number) => Sign): string[] {
  const out = ['BT', `/${font} ${num(mark.size)} Tf`, colour(mark.colour)];
  let open: { parts: string[]; pen: number; base: number } | null = null;
  const flush = (): void => {
    if (open) out.push(`[${open.parts.join('')}] TJ`);
    open = null;
  };
  const show = ({ glyph, x, dx, dy }: TextMark['glyphs'][number]): void => {
    const [left, base] = [mark.x + x + dx, mark.y + dy];
    if (!open || Math.abs(open.base - base) > 1e-6) {
      flush();
      out.push(`1 0 0 1 ${num(left)} ${num(height - base)} Tm`);
      open = { parts: [], pen: left, base };
    }
    const gap = ((open.pen - left) / mark.size) * 1000;
    const shift = Math.round(gap * 100) / 100;
    if (Math.abs(shift) >= 0.01) open.parts.push(String(shift));
    open.parts.push(`<${code(glyph)}>`);
    open.pen += -(shift * mark.size) / 1000 + (Math.round(sign(glyph).advance * 1000) / 1000) * mark.size;
  };
  const last = mark.divided ? mark.glyphs.at(-1) : undefined;
  for (const glyph of mark.glyphs) {
    // A hyphen that only divides is none of the text's own: it is read as the sign for a place where a word may be divided.
    const said = glyph === last ? '\u00ad' : glyph.text;
    if (said === sign(glyph.glyph).text) {
      show(glyph);
      continue;
    }
    flush();
    out.push(`/Span << /ActualText <feff${utf16(said)}> >> BDC`);
    show(glyph);
    flush();
    out.push('EMC');
  }
  flush();
  return [...out, 'ET'];
}

/** A part of a picture in a place: the whole is laid so that the part falls there, and cut to it. */
function pictureOps(name: string, from: Rect, to: Rect, height: number): string[] {
  const [w, h] = [to.width / from.width, to.height / from.height];
  const [x, y] = [to.x - from.x * w, to.y - from.y * h];
  const clip = `${num(to.x)} ${num(height - to.y - to.height)} ${num(to.width)} ${num(to.height)} re W n`;
  return ['q', clip, `${num(w)} 0 0 ${num(h)} ${num(x)} ${num(height - y - h)} cm`, `/${name} Do`, 'Q'];
}

/** Names of what a page draws with. */
export type Resources = {
  readonly font: (cut: CutId) => string;
  readonly image: (name: string) => string | null;
  readonly sign: (cut: CutId, glyph: number) => Sign;
};

/** One mark as operators of a content stream; none where its picture is not there. */
export function markOps(mark: Mark, height: number, { font, image, sign }: Resources): string[] {
  switch (mark.kind) {
    case 'fill':
      return fillOps(mark.path, mark.colour, height);
    case 'text':
      return textOps(mark, font(mark.cut), height, (glyph) => sign(mark.cut, glyph));
    case 'picture': {
      const name = image(mark.image);
      return name === null ? [] : pictureOps(name, mark.from, mark.to, height);
    }
  }
}
