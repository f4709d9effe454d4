import { pathBounds } from '../plane';
import type { Shaper } from '../text';
import { putQuote, putTip } from './boxes';
import type { Design } from './design';
import { putButton, putPause, putPicture } from './figures';
import { type Chapters, Flow, type Place } from './flow';
import { putList } from './lists';
import { type Block, type BlockOf, type Manuscript, isWorded } from './manuscript';
import { chapterHeading, lesserHeading } from './openings';
import type { SettingOptions, Spoken } from './setting';
import { putTable } from './tables';

function putBlock(flow: Flow, block: Block, place: Place, before: Block | null): void {
  switch (block.kind) {
    case 'heading':
      return putHeading(flow, block, place);
    case 'paragraph':
      return putParagraph(flow, block, place, before);
    case 'list':
      return putList(flow, block, place);
    case 'quote':
      return putQuote(flow, block, place);
    case 'tip':
      return putTip(flow, block, place);
    case 'table':
      return putTable(flow, block, place);
    case 'picture':
      return putPicture(flow, block, place);
    case 'button':
      return putButton(flow, block, place);
    case 'pause':
      return putPause(flow, place);
  }
}

function putParagraph(flow: Flow, { spans }: BlockOf<'paragraph'>, place: Place, before: Block | null): void {
  const { look, size } = flow.design;
  const tag = flow.tag('P', place.tag);
  const begins = before === null || before.kind === 'heading';
  const indents = look.paragraphs === 'indent' && place.panels.length === 0;
  flow.gap(indents && before?.kind === 'paragraph' ? 0 : 1);
  const spoken = flow.spoken(spans, place.voice, place.deep);
  const align = look.filled && place.tag === 0 ? 'filled' : 'left';
  if (look.initial && begins && opensChapter(flow, before) && putInitial(flow, spoken, place, tag, align)) return;
  const indent = indents && before?.kind === 'paragraph' ? size * 1.5 : 0;
  flow.lineRows(flow.lines(spoken, { width: place.width, align, indent }), place, tag);
}

function opensChapter(flow: Flow, before: Block | null): boolean {
  return before?.kind === 'heading' && before.level === flow.chapters.level && flow.chapters.open;
}

/** A first letter three lines high beside its paragraph; false where the paragraph is too short for it. */
function putInitial(
  flow: Flow,
  spoken: readonly Spoken[],
  place: Place,
  tag: number,
  align: SettingOptions['align'],
): boolean {
  const { leading, colours } = flow.design;
  const [first, ...rest] = spoken;
  const letter = first && /^\p{Lu}/u.exec(first.text)?.[0];
  if (!letter || spoken.map(({ text }) => text).join('').length < 160) return false;
  const metrics = flow.shaper.metrics(flow.design.cuts.display);
  const size = (leading * 2 + flow.shaper.metrics(place.voice.cut).capHeight * place.voice.size) / metrics.capHeight;
  const voice = { ...flow.voice('display', size, colours.accent) };
  const [drawn] = flow.lines([{ text: letter, voice, link: null }], { width: place.width });
  if (!drawn || drawn.width > place.width * 0.3) return false;
  const ink = pathBounds(flow.shaper.outline(voice.cut, drawn.marks[0].glyphs[0].glyph));
  const beside = { lines: 3, by: (ink.x + ink.width) * size + place.voice.size * 0.3 };
  const lines = flow.lines([{ ...first, text: first.text.slice(letter.length) }, ...rest], {
    width: place.width,
    align,
    beside,
  });
  if (lines.length < 4) return false;
  const marks = flow.at(drawn, place.x, flow.baseline() + 2 * leading, tag);
  const from = flow.rows.length;
  flow.lineRows(lines, place, tag, { marks });
  // The initial stands beside three lines: they stay together.
  for (const at of [from + 1, from + 2]) flow.rows[at] = { ...flow.rows[at], cut: Infinity };
  return true;
}

function putHeading(flow: Flow, block: BlockOf<'heading'>, place: Place): void {
  const { level } = flow.chapters;
  if (level !== null && block.level <= level && place.panels.length === 0)
    chapterHeading(flow, block, place, block.level === level);
  else lesserHeading(flow, block, place);
}

/** Lines that are due, small, after all else. */
function putCredits(flow: Flow, place: Place): void {
  const { dress, colours, size } = flow.design;
  const voice = flow.voice('text', size * 0.8, colours.soft);
  flow.gap(4);
  for (const line of dress.credits) {
    const lines = flow.lines([{ text: line, voice, link: null }], { width: place.width });
    flow.lineRows(lines, { ...place, voice }, flow.tag('P', place.tag));
  }
}

/** Lays out a text from its beginning. All cuts of the design must be in the shaper. */
export function flowOf(shaper: Shaper, design: Design, { blocks }: Manuscript, chapters: Chapters): Flow {
  const flow = new Flow(shaper, design, chapters, putBlock);
  const place = flow.top();
  blocks.forEach((block, i) => {
    if (!isWorded(block)) return;
    flow.from(i);
    putBlock(flow, block, place, blocks[i - 1] ?? null);
  });
  putCredits(flow, place);
  return flow;
}
