import { ellipsePath, rectPath } from '../plane';
import { type Flow, type Place, fill } from './flow';
import { typedLink } from './link';
import { type BlockOf, textOf } from './manuscript';
import type { Mark, PageLink } from './page';

const LEAST_PPI = 130;
/** The tallest picture, as a share of the column. */
const TALLEST = 0.62;
/** An upright one stands among the words of its page. */
const TALLEST_UPRIGHT = 0.4;
/** A picture gives down to this share of its height, and to no fewer steps, where that keeps it on its page. */
const LEAST_SHARE = 0.6;
const LEAST_STEPS = 8;

export function putPicture(flow: Flow, { asset, alt, caption, width }: BlockOf<'picture'>, place: Place): void {
  const { design } = flow;
  const { dress, step, steps, side, column, colours, size } = design;
  const known = dress.pictures.get(asset);
  const wide = width === 'wide' && side && place.panels.length === 0;
  const [x, room] = wide ? [side.x - column.x, column.x + column.width - side.x] : [place.x, place.width];
  const ratio = known ? known.heightPx / known.widthPx : 0.5;
  const tallest = steps * step * (ratio > 1.15 ? TALLEST_UPRIGHT : TALLEST);
  const w = Math.min(room, tallest / ratio);
  const centred = design.look.layout === 'middle';
  const tag = flow.tag('Figure', place.tag, alt || textOf(caption) || undefined);
  /** The picture as large as it fits into so many steps, with half a step above and below. */
  const drawn = (height: number): Mark[] => {
    const width = Math.min(w, (height * step - step) / ratio);
    const at = { x: x + (centred ? (room - width) / 2 : 0), y: step * 0.5, width, height: width * ratio };
    return [
      known
        ? { kind: 'picture', image: asset, from: { x: 0, y: 0, width: 1, height: 1 }, to: at, tag }
        : { ...fill(rectPath(at), colours.tint), tag },
    ];
  };
  const ppi = known ? Math.round(known.widthPx / (w / 72)) : 0;
  if (!known) flow.meet((page) => ({ kind: 'picture-missing', page }));
  else if (ppi < LEAST_PPI) flow.meet((page) => ({ kind: 'picture-small', page, ppi }));
  if (!alt.trim()) flow.meet((page) => ({ kind: 'alt-missing', page }));
  flow.gap(2);
  const height = Math.ceil((w * ratio + step) / step);
  const least = Math.min(height, Math.max(LEAST_STEPS, Math.ceil(height * LEAST_SHARE)));
  flow.push({ height, marks: drawn(height), panels: place.panels, gives: { least, marks: drawn } });
  const words = flow.spoken(
    caption,
    flow.voice('italic', size * 0.9, place.deep ? place.voice.colour : colours.soft),
    place.deep,
  );
  const lines = flow.lines(words, { width: room, align: centred ? 'centre' : 'left' });
  const own = lines.length > 0 ? flow.tag('Caption', tag) : tag;
  lines.forEach((line, i) => {
    if (i === 0) flow.keepNext();
    const marks = flow.at(line, x, flow.baseline(step * 2) - size * 0.1, own);
    flow.push({ height: 2, cut: Infinity, marks, links: flow.links(marks), panels: place.panels });
  });
  flow.gap(2);
}

/** A link that cannot be missed, with its address under it for those who print the page. */
export function putButton(flow: Flow, { label, url }: BlockOf<'button'>, place: Place): void {
  const { colours, size, step } = flow.design;
  const tag = flow.tag('P', place.tag);
  const leads = typedLink(url);
  if (leads === null) flow.meet((page) => ({ kind: 'button-nowhere', label: label || url, page }));
  const link = leads === null ? tag : flow.tag('Link', tag);
  const voice = flow.voice('bold', size * 1.12, colours.onButton);
  const lines = flow.lines([{ text: label || url, voice, link: null }], {
    width: place.width - size * 3,
    align: 'left',
  });
  const inner = Math.max(...lines.map(({ width }) => width), 0);
  const leading = voice.size * 1.25;
  const tall = lines.length * leading + size * 1.3;
  const box = { x: place.x, y: 0, width: inner + size * 3, height: tall };
  const marks: Mark[] = [fill(rectPath(box, size * 0.4), colours.button)];
  lines.forEach((line, i) =>
    marks.push(
      ...flow.at(
        line,
        place.x + size * 1.5 + (inner - line.width) / 2,
        size * 0.65 + i * leading + flow.baseline(leading),
        link,
      ),
    ),
  );
  const shown = (leads ?? '').replace(/^https?:\/\/(www\.)?|^mailto:|\/$/g, '');
  const small = flow.voice('text', size * 0.82, place.deep ? place.voice.colour : colours.soft);
  const under = flow.lines([{ text: shown, voice: small, link: null }], { width: place.width });
  under.forEach((line, i) => marks.push(...flow.at(line, place.x, tall + size * 1.15 + i * small.size * 1.3, tag)));
  flow.gap(3);
  const height = Math.ceil((tall + under.length * small.size * 1.3 + size * 0.5) / step);
  const links: PageLink[] =
    leads === null ? [] : [{ rect: box, tag: link, to: { kind: 'url', url: leads }, label: label || leads }];
  flow.push({ height, marks, links, panels: place.panels });
  flow.gap(3);
}

export function putPause(flow: Flow, place: Place): void {
  const { colours, size, step } = flow.design;
  const x = place.x + place.width / 2;
  const dots = [-1, 0, 1].map((i) => fill(ellipsePath(x + i * size * 1.1, step * 2, size * 0.13), colours.accent));
  flow.push({ height: 4, marks: dots, panels: place.panels, cut: 40 });
  flow.keepNext(false);
}
