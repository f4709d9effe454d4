import { type Path, type Rect, ellipsePath, joinPaths, outset, polygonPath, rectPath, transformPath } from '../plane';
import { type Flow, type Place, fill } from './flow';
import { type BlockOf, ownWords } from './manuscript';
import type { Mark } from './page';

const WITHIN_LIST = 20;

/** A box with a smaller one cut out of it: drawn the other way round, so that either rule of filling leaves it empty. */
function hollowBox(box: Rect, width: number, radius: number): Path {
  const inner = rectPath(outset(box, -width), Math.max(0, radius - width));
  return joinPaths([rectPath(box, radius), transformPath(inner, [-1, 0, 0, 1, 2 * box.x + box.width, 0])]);
}

export function putList(flow: Flow, { ordered, start, items }: BlockOf<'list'>, place: Place): void {
  const { colours, size } = flow.design;
  const tag = flow.tag('L', place.tag);
  const nested = flow.tags[place.tag].kind === 'LBody';
  const ink = place.deep ? place.voice.colour : colours.accent;
  const digits = String(start + items.length - 1).length;
  const starts: number[] = [];
  const inset = ordered
    ? size * (0.95 + 0.55 * digits)
    : size * (items.some(({ checked }) => checked !== null) ? 1.75 : 1.3);
  items.forEach(({ checked, blocks }, i) => {
    const item = flow.tag('LI', tag);
    const sign = checked === null ? undefined : checked ? '\u2611' : '\u2610';
    // A bullet says nothing: it is ornament.
    const label = ordered || sign ? flow.tag('Lbl', item, sign) : null;
    const body = flow.tag('LBody', item);
    const from = flow.rows.length;
    starts.push(from);
    flow.gap(i === 0 ? 1 : isLoose(items) ? 1 : 0);
    const within: Place = { ...place, x: place.x + inset, width: place.width - inset, tag: body };
    const said = blocks.length > 0 ? blocks : [{ kind: 'paragraph' as const, spans: [] }];
    said.forEach((block, k) => {
      if (k > 0) flow.put(flow, block, within, said[k - 1]);
      else if (block.kind === 'paragraph') {
        const own = flow.tag('P', body);
        const lines = flow.lines(flow.spoken(block.spans, place.voice, place.deep), { width: within.width });
        if (lines.length > 0) flow.lineRows(lines, within, own);
        else flow.push({ height: 2, marks: [], panels: place.panels });
      } else flow.put(flow, block, within, null);
    });
    const number = ordered ? start + i : null;
    const marker = markerOf(flow, place, { checked, number, nested, inset, tag: label, colour: ink });
    const row = flow.rows[from];
    if (row) flow.rows[from] = { ...row, marks: [...marker, ...row.marks] };
  });
  // Neither the first item nor the last stands alone on a page.
  starts.forEach((at, i) => {
    const row = flow.rows[at];
    const alone = i === 1 || i === starts.length - 1;
    if (i > 0 && row) flow.rows[at] = { ...row, cut: alone ? Infinity : Math.max(row.cut, WITHIN_LIST) };
  });
  flow.gap(1);
}

/** Items of several lines stand apart. */
function isLoose(items: BlockOf<'list'>['items']): boolean {
  const long = items.filter(({ blocks }) => blocks.length > 1 || blocks.flatMap(ownWords).join('').length > 90);
  return items.some(({ checked }) => checked !== null) || long.length * 2 > items.length;
}

type Marker = {
  readonly checked: boolean | null;
  readonly number: number | null;
  readonly nested: boolean;
  readonly inset: number;
  readonly tag: number | null;
  readonly colour: string;
};

/** What stands before an item: a box, a number or a bullet. */
function markerOf(flow: Flow, place: Place, { checked, number, nested, inset, tag, colour }: Marker): Mark[] {
  const { look, size } = flow.design;
  const base = flow.baseline();
  const x = place.x;
  if (checked !== null) {
    const box = size * 0.92;
    const y = base - size * 0.76;
    const hollow = hollowBox({ x, y, width: box, height: box }, size * 0.085, size * 0.12);
    const mark: Mark[] = [{ ...fill(hollow, colour), tag }];
    if (checked) {
      const p = (px: number, py: number): { x: number; y: number } => ({ x: x + box * px, y: y + box * py });
      mark.push({
        ...fill(
          polygonPath([p(0.2, 0.52), p(0.3, 0.42), p(0.44, 0.57), p(0.72, 0.22), p(0.83, 0.31), p(0.45, 0.78)]),
          colour,
        ),
        tag,
      });
    }
    return mark;
  }
  if (number !== null) {
    const voice = { ...flow.voice('bold', size * 0.96, colour) };
    const [line] = flow.lines([{ text: `${number}.`, voice, link: null }], { width: inset * 2 });
    return line ? flow.at(line, x + inset - line.width - size * 0.45, base, tag) : [];
  }
  const middle = base - flow.shaper.metrics(place.voice.cut).xHeight * size * 0.5;
  const left = x + size * 0.35;
  const path =
    look.bullet === 'dash' || nested
      ? rectPath({ x: left - size * 0.15, y: middle - size * 0.035, width: size * 0.55, height: size * 0.075 })
      : look.bullet === 'square'
        ? rectPath({ x: left, y: middle - size * 0.14, width: size * 0.28, height: size * 0.28 })
        : ellipsePath(left + size * 0.14, middle, size * 0.14);
  return [{ ...fill(path, colour), tag }];
}
