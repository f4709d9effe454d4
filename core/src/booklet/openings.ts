import { rectPath } from '../plane';
import { capitals } from '../text';
import { type Flow, type Place, fill, nothingHeard } from './flow';
import { type BlockOf, textOf } from './manuscript';
import type { Mark } from './page';
import type { Row } from './rows';
import type { SetLine, Spoken } from './setting';
import { stripsOf } from './strips';

export function lesserHeading(flow: Flow, { spans, level }: BlockOf<'heading'>, place: Place): void {
  const { design } = flow;
  const { look, colours, step, size } = design;
  const depth = level - (flow.chapters.level ?? 0);
  const tag = flow.tag(depth <= 1 ? 'H2' : 'H3', place.tag);
  const large = depth <= 1;
  const caps = look.heading === 'caps';
  const factor = caps ? (large ? 0.92 : 0.82) : large ? 1.3 : 1.08;
  const kind = look.heading === 'italic' ? 'italic' : 'bold';
  const voice = {
    ...flow.voice(
      kind,
      size * (look.heading === 'italic' ? factor * 1.12 : factor),
      place.deep ? place.voice.colour : large ? colours.accent : colours.ink,
    ),
    tracking: caps ? 0.09 : 0,
  };
  const words = spans.map((span) => ({
    ...span,
    text: caps ? capitals(span.text) : span.text,
    em: false,
    strong: false,
  }));
  const spoken = flow.spoken(words, voice, true);
  if (large && besideText(flow, spoken, tag, place, textOf(spans))) return;
  const lines = flow.lines(spoken, { width: place.width, align: 'left' });
  const ruled = look.heading === 'rule' && large;
  const leading = voice.size * 1.2;
  const above = ruled ? step * 0.8 : 0;
  const needed = above + lines.length * leading;
  const height = Math.max(2, Math.ceil(needed / step));
  const top = height * step - lines.length * leading + step * 0.1;
  const marks: Mark[] = lines.flatMap((line, i) =>
    flow.at(line, place.x, top + i * leading + flow.baseline(leading), tag),
  );
  if (ruled) marks.unshift(fill(rectPath({ x: place.x, y: 0, width: place.width, height: 0.9 }), colours.accent));
  flow.gap(large ? 3 : 2);
  flow.push({
    height,
    marks,
    links: flow.links(marks),
    panels: place.panels,
    heading: large ? { text: textOf(spans), level: 2, chapter: false } : null,
  });
  flow.keepNext();
}

/** A heading in the side, its first line on that of the text; false where there is no side or it would be too long in it. */
function besideText(flow: Flow, spoken: readonly Spoken[], tag: number, place: Place, text: string): boolean {
  const { side, column, step, size } = flow.design;
  if (!side || place.panels.length > 0 || place.tag !== 0) return false;
  const smaller = spoken.map((one) => ({ ...one, voice: { ...one.voice, size: size * 1.04 } }));
  const heard = nothingHeard();
  const lines = flow.lines(smaller, { width: side.width - size * 0.5, align: 'left', syllables: null }, heard);
  if (lines.length > 3 || heard.cut.size > 0) return false;
  for (const letter of heard.missing) flow.heard.missing.add(letter);
  const marks = lines.flatMap((line, i) => flow.at(line, side.x - column.x, flow.baseline() + i * step * 2, tag));
  flow.gap(3);
  flow.push({ height: 0, marks, heading: { text, level: 2, chapter: false } });
  flow.keepNext();
  flow.beside();
  return true;
}

export function chapterHeading(flow: Flow, { spans }: BlockOf<'heading'>, place: Place, chapter: boolean): void {
  const { design } = flow;
  const opens = flow.chapters.open;
  const tag = flow.tag('H1', place.tag);
  const number = chapter ? flow.nextChapter() : 0;
  const text = textOf(spans);
  const heading = { text, level: 1 as const, chapter };
  if (opens) flow.newPage();
  else flow.gap(5);
  if (opens && design.look.opening === 'plate') plate(flow, text, tag, heading);
  else opening(flow, text, tag, number, heading, place);
  flow.keepNext();
  flow.gap(opens ? 3 : 1);
}

/** The smallest that the name of a chapter becomes, of its usual size. */
const LEAST_TITLE = 0.42;

/** The name of a chapter set as large as it stays in few lines. */
function titleLines(
  flow: Flow,
  text: string,
  width: number,
  largest: number,
  colour: string,
): { lines: readonly SetLine[]; size: number; leading: number } {
  const { look } = flow.design;
  const loud = /^(bebas|league|anton|oswald|archivo-narrow|amatic)/.test(flow.design.cuts.display);
  for (let size = largest; ; size *= 0.9) {
    const voice = flow.voice('display', loud ? size * 1.15 : size, colour);
    const set = (heard = flow.heard) => flow.lines([{ text, voice, link: null }], { width, syllables: null }, heard);
    const heard = nothingHeard();
    // A word is torn only where it would be smaller than the text.
    const fits = set(heard).length <= 3 && heard.cut.size === 0;
    if (fits || size < largest * LEAST_TITLE)
      return { lines: set(), size: voice.size, leading: voice.size * (look.opening === 'numeral' ? 1.22 : 1.14) };
  }
}

/** How much of a field a strip of the picture takes, and the least that is worth showing. */
const STRIP = 0.5;
const LEAST_STRIP = 0.16;
/** Of its usual height, how much a field keeps where the chapter would else run over onto one more page by a few lines. */
const KEPT = 0.62;

/** A field over the head of the page, with a strip of the cover's picture where it has one. */
function plate(flow: Flow, text: string, tag: number, heading: Row['heading']): void {
  const { sheet, colours, column, step, dress } = flow.design;
  const { lines, leading } = titleLines(flow, text, column.width, flow.design.size * 2.35, colours.onDeep);
  const tall = lines.length * leading;
  // The name stands on the field with some of it around, whatever becomes of the picture.
  const needed = tall + step * 2.4;
  const chapter = Math.max(0, flow.chapter - 1);
  const [left, top] = [-column.x, -column.y];
  const drawn = (height: number): Mark[] => {
    const bottom = height * step;
    const whole = { x: left, y: top, width: sheet.width, height: bottom - top };
    const marks: Mark[] = [fill(rectPath(whole), colours.deep)];
    const free = Math.min(whole.height * STRIP, whole.height - needed);
    const shown = dress.art !== null && free >= whole.height * LEAST_STRIP ? free : 0;
    if (dress.art && shown > 0) {
      const strip = { ...whole, height: shown };
      // Another part of the picture opens each chapter.
      const share = (strip.height / strip.width) * (1 / dress.art.ratio);
      const strips = stripsOf(dress.art, share);
      const y = strips[chapter % strips.length];
      const from =
        share >= 1
          ? { x: (1 - 1 / share) / 2, y: 0, width: 1 / share, height: 1 }
          : { x: 0, y, width: 1, height: share };
      marks.push({ kind: 'picture', image: dress.art.image, from, to: strip, tag: null });
    }
    const base = bottom - Math.max(step * 0.8, (whole.height - shown - tall) * 0.36) - tall;
    lines.forEach((line, i) => marks.push(...flow.at(line, 0, base + i * leading + flow.baseline(leading), tag)));
    return marks;
  };
  const least = Math.ceil((needed - column.y) / step);
  const usual = Math.round((sheet.height * (dress.art ? 0.34 : 0.23) - sheet.head) / step);
  const height = Math.max(8, usual, least);
  const kept = Math.ceil((sheet.height * (dress.art ? 0.34 : 0.23) * KEPT - sheet.head) / step);
  flow.push({
    height,
    marks: drawn(height),
    heading,
    bleeds: true,
    gives: { least: Math.min(height, Math.max(4, kept, least)), marks: drawn },
  });
}

function opening(flow: Flow, text: string, tag: number, number: number, heading: Row['heading'], place: Place): void {
  const { design } = flow;
  const { look, colours, step, size } = design;
  const opens = flow.chapters.open;
  const {
    lines,
    size: set,
    leading,
  } = titleLines(
    flow,
    text,
    place.width,
    size * (opens ? 2.5 : 1.75),
    look.opening === 'bar' ? colours.ink : colours.accent,
  );
  const marks: Mark[] = [];
  let top = 0;
  const numbered = look.opening === 'numeral' && number > 0;
  if (numbered) {
    const voice = flow.voice('display', size * (opens ? 4.2 : 1.75), colours.rule);
    const [line] = flow.lines([{ text: String(number), voice, link: null }], { width: place.width });
    if (line && opens) {
      marks.push(...flow.at(line, place.x, voice.size * 0.82, null));
      top = voice.size * 1.12;
    }
  }
  if (look.opening === 'rule') {
    marks.push(fill(rectPath({ x: place.x, y: top, width: place.width, height: opens ? 2.4 : 1.2 }), colours.accent));
    top += size * 0.9;
  }
  if (look.opening === 'bar' && opens) {
    marks.push(fill(rectPath({ x: place.x, y: top, width: size * 4, height: size * 0.55 }), colours.accent));
    top += size * 1.5;
  }
  if (look.opening === 'quiet' && opens) top += step * 6;
  lines.forEach((line, i) => marks.push(...flow.at(line, place.x, top + i * leading + flow.baseline(leading), tag)));
  const needed = top + lines.length * leading + (numbered && opens ? set * 0.1 : 0);
  flow.push({ height: Math.ceil(needed / step), marks, heading });
}
