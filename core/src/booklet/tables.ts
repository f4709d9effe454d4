import { clamp, rectPath } from '../plane';
import { type Flow, type Place, fill } from './flow';
import { type BlockOf, type Span, textOf } from './manuscript';
import type { Mark } from './page';
import type { Row } from './rows';

/** Tables that fill no more of a page than this are never divided. */
const WHOLE_TABLE = 0.34;
/** A head that fills more of a page than this is not shown again where its table goes on. */
const SHORT_HEAD = 0.2;
const WITHIN_TABLE = 30;

export function putTable(flow: Flow, { head, rows }: BlockOf<'table'>, place: Place): void {
  const { colours, size } = flow.design;
  const columns = Math.max(head.length, ...rows.map((row) => row.length), 1);
  const tag = flow.tag('Table', place.tag);
  const small = size * clamp(1 - (columns - 3) * 0.05, 0.72, 0.94);
  const pad = size * 0.6;
  const widths = columnWidths(flow, [head, ...rows], columns, place.width - pad * (columns - 1), small);
  flow.gap(2);
  const from = flow.rows.length;
  let again: Row['again'] = null;
  [head, ...rows].forEach((row, r) => {
    if (r === 0 && row.every((cell) => textOf(cell).trim() === '')) return;
    const line = flow.tag('TR', tag);
    const marks: Mark[] = [];
    let [x, deepest] = [place.x, 0];
    const leading = small * 1.36;
    for (let c = 0; c < columns; c++) {
      const cell = flow.tag(r === 0 ? 'TH' : 'TD', line);
      const own = row[c] ?? [];
      const voice = r === 0 ? flow.voice('bold', small, colours.accent) : { ...place.voice, size: small };
      const lines = flow.lines(flow.spoken(own, voice, place.deep), { width: widths[c] });
      lines.forEach((one, i) => marks.push(...flow.at(one, x, small * 1.25 + i * leading, cell)));
      deepest = Math.max(deepest, lines.length);
      x += widths[c] + pad;
    }
    const needed = small * 0.9 + Math.max(1, deepest) * leading;
    const height = Math.ceil(needed / flow.design.step);
    const thick = r === 0 || r === rows.length ? 1.1 : 0.5;
    const colour = thick > 1 ? colours.accent : colours.rule;
    const under = fill(
      rectPath({ x: place.x, y: height * flow.design.step - thick, width: place.width, height: thick }),
      colour,
    );
    flow.push({
      height,
      again: r > 1 ? again : null,
      // The head stays with its first rows, and no row stands alone.
      cut: r === 0 ? 0 : r <= 2 || r === rows.length ? Infinity : WITHIN_TABLE,
      marks: [...marks, under],
      links: flow.links(marks),
      panels: place.panels,
    });
    if (r === 0) {
      if (height <= flow.design.steps * SHORT_HEAD)
        again = { height, marks: [...marks, under].map((mark) => ({ ...mark, tag: null })) };
      flow.keepNext();
    }
  });
  const own = flow.rows.slice(from);
  if (own.reduce((sum, row) => sum + row.height, 0) <= flow.design.steps * WHOLE_TABLE)
    own.forEach((row, i) => {
      if (i > 0) flow.rows[from + i] = { ...row, cut: Infinity };
    });
  flow.gap(2);
}

/** Widths of columns: the longest word of each has room where it can be, the rest goes by how much there is to read. */
function columnWidths(
  flow: Flow,
  rows: readonly (readonly (readonly Span[])[])[],
  columns: number,
  room: number,
  size: number,
): number[] {
  const voice = { ...flow.voice('bold', size) };
  const measure = (text: string): number =>
    flow.shaper.letters(flow.shaper.standIn(voice.cut), text).reduce((sum, { advance }) => sum + advance * size, 0);
  const cells = Array.from({ length: columns }, (_, c) => rows.map((row) => textOf(row[c] ?? [])));
  const least = cells.map((texts) => Math.max(size, ...texts.flatMap((text) => text.split(/\s+/)).map(measure)) + 1);
  const most = cells.map((texts, c) => Math.max(least[c], ...texts.map(measure)));
  const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
  if (sum(least) > room) return least.map((w) => (w / sum(least)) * room);
  const spare = room - sum(least);
  const wish = most.map((w, c) => w - least[c]);
  const share = sum(wish) > 0 ? wish.map((w) => w / sum(wish)) : wish.map(() => 1 / columns);
  return least.map((w, c) => w + spare * share[c]);
}
