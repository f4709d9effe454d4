import { type Path, type Rect, rectPath } from '../plane';
import { type Shaper, capitals } from '../text';
import type { Design } from './design';
import { fill, nothingHeard } from './flow';
import type { Mark } from './page';
import type { Panel } from './rows';
import { type Voice, setLines } from './setting';

/** Words cut to a width, with a sign that there is more. */
function fitted(shaper: Shaper, text: string, voice: Voice, width: number) {
  const set = (words: string) =>
    setLines(
      shaper,
      [{ text: words, voice, link: null }],
      { width: 1e4, align: 'left', syllables: null, indent: 0 },
      nothingHeard(),
    )[0];
  let words = text;
  let line = set(words);
  while (line && line.width > width && words.length > 4) line = set(`${(words = words.slice(0, -2).trimEnd())}…`);
  return line;
}

export type Runner = {
  readonly title: string;
  readonly chapter: string;
  readonly number: string;
  readonly left: boolean;
  readonly opens: boolean;
};

/** What runs at the head and foot of a page: ornament, for readers have the title and the page's own number. */
export function furniture(shaper: Shaper, design: Design, { title, chapter, number, left, opens }: Runner): Mark[] {
  const { sheet, look, colours, size, cuts } = design;
  const marks: Mark[] = [];
  const small = size * 0.78;
  const voice = (cut: string, tracking = 0, colour = colours.soft): Voice => ({ cut, size: small, colour, tracking });
  const x0 = sheet.side;
  const width = sheet.width - 2 * sheet.side;
  const put = (
    text: string,
    spoken: Voice,
    y: number,
    where: 'left' | 'middle' | 'right',
    from = x0,
    room = width,
  ): void => {
    const line = text ? fitted(shaper, text, spoken, room) : undefined;
    if (!line) return;
    const x = where === 'left' ? from : where === 'right' ? from + room - line.width : from + (room - line.width) / 2;
    for (const mark of line.marks) marks.push({ ...mark, x: mark.x + x, y, tag: null });
  };
  const bodyFoot = design.column.y + design.steps * design.step;
  const foot = Math.min(sheet.height - sheet.foot * 0.36, bodyFoot + sheet.foot * 0.52);
  const outer = left ? 'left' : 'right';
  const headY = sheet.head * 0.58;
  const running = look.running === 'head' && !opens;
  if (running) {
    const [first, second] = sheet.bound ? (left ? [title, ''] : ['', chapter]) : [title, chapter];
    const spoken = voice(look.filled ? cuts.italic : cuts.text);
    put(first, spoken, headY, 'left', x0, width * (second ? 0.55 : 1));
    put(second, spoken, headY, 'right', first ? x0 + width * 0.45 : x0, width * (first ? 0.55 : 1));
    if (!look.filled) marks.push(fill(rectPath({ x: x0, y: headY + small * 0.75, width, height: 0.5 }), colours.rule));
  }
  const numeral = voice(cuts.bold, 0, colours.accent);
  switch (look.foot) {
    case 'middle':
      put(number, voice(cuts.text, 0, colours.ink), foot, 'middle');
      break;
    case 'outer': {
      const side = sheet.bound ? outer : 'right';
      put(number, numeral, foot, side);
      if (look.running === 'foot')
        put(chapter || title, voice(cuts.text), foot, side === 'right' ? 'left' : 'right', x0, width * 0.8);
      break;
    }
    case 'block': {
      const box: Rect = {
        x: sheet.width - sheet.side * 0.94,
        y: foot - small * 1.5,
        width: sheet.side * 0.94,
        height: small * 2.2,
      };
      const at = sheet.bound && left ? { ...box, x: 0 } : box;
      marks.push(fill(rectPath(at), colours.deep));
      put(
        number,
        voice(cuts.bold, 0, colours.onDeep),
        foot,
        'left',
        at.x + (at.x === 0 ? at.width - small * 2 : small * 0.8),
        at.width,
      );
      if (look.running === 'foot') put(capitals(title), voice(cuts.text, 0.08), foot, 'left', x0, width * 0.75);
      break;
    }
  }
  if (look.foot === 'middle' && look.running === 'foot' && !opens) put(title, voice(cuts.italic), headY, 'middle');
  return marks;
}

/** What lies behind or beside rows that belong together. */
export function panelMarks(design: Design, panel: Panel, from: number, to: number, x: number): Mark[] {
  const { colours, size } = design;
  // Letters leave white over them within their row: the field begins a little lower, so that it is even above and below.
  const top = panel.kind === 'bar' || panel.kind === 'quote' ? from + size * 0.3 : from + size * 0.42;
  const box: Rect = { x: x + panel.x, y: top, width: panel.width, height: to - top };
  switch (panel.kind) {
    case 'tint':
      return [fill(rectPath(box, size * 0.35), colours.tint)];
    case 'deep':
      return [fill(rectPath(box, size * 0.35), colours.deep)];
    case 'frame':
      return [fill(frameOf(box, 0.8), colours.accent)];
    case 'bar':
      return [fill(rectPath({ ...box, width: size * 0.32 }), colours.accent)];
    case 'quote':
      return [fill(rectPath({ ...box, x: box.x + size * 0.35, width: 1.4 }), colours.rule)];
  }
}

/** Four rules around a box. */
function frameOf({ x, y, width, height }: Rect, w: number): Path {
  const sides: Rect[] = [
    { x, y, width, height: w },
    { x, y: y + height - w, width, height: w },
    { x, y: y + w, width: w, height: height - 2 * w },
    { x: x + width - w, y: y + w, width: w, height: height - 2 * w },
  ];
  return { ops: sides.flatMap((side) => [...rectPath(side).ops]) };
}
