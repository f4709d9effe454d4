import type { Brief } from '../book';
import type { Doc, Part, WordsPart } from '../cover';
import { type Polyline, type Rect, arcBaseline } from '../plane';
import { type Block, type Shaper, type TextSpec, layOut, layOutAlong, standIn } from '../text';
import { curveLine } from './curve-ink';
import { areaPx } from './types';
import { textOf } from './words-of';

/** Sets parts after those they hang under. An empty part passes its own place on to what hangs under it. */
export function setAllWords(parts: readonly Part[], doc: Doc, brief: Brief, shaper: Shaper): Map<string, Block> {
  const words = parts.filter((part): part is WordsPart => part.kind === 'words');
  const byId = new Map(words.map((part) => [part.id, part]));
  const blocks = new Map<string, Block>();
  const setting = new Set<string>();
  const setOne = (part: WordsPart): Block => {
    const known = blocks.get(part.id);
    if (known) return known;
    setting.add(part.id);
    const area = areaPx(part.area, doc);
    const above = part.follows ? byId.get(part.follows.part) : undefined;
    let from = area;
    if (above && part.follows && !setting.has(above.id)) {
      const { box } = setOne(above);
      const gap = box.height > 0 ? part.follows.gap * doc.heightPx : 0;
      from = { ...area, y: box.y + box.height + gap };
    }
    const spec = specOf({ ...part, cut: shaper.standIn(part.cut) }, textOf(part, brief), doc.widthPx);
    let block: Block;
    if (part.baseline) {
      const line: Polyline =
        part.baseline.kind === 'arc' ? arcBaseline(from, part.baseline.bend) : curveLine(part.baseline.nodes, doc);
      const set = layOutAlong(shaper, spec, line, part.baseline.kind === 'arc' ? from.height : doc.heightPx / 2);
      block = part.baseline.kind === 'arc' ? standIn(set, from, spec.alignY) : set;
    } else block = layOut(shaper, spec, from);
    blocks.set(part.id, block);
    setting.delete(part.id);
    return block;
  };
  words.forEach(setOne);
  return blocks;
}

/** Sets the words of one part that runs straight in a place given in pixels, on a cover of this width. */
export const setWords = (part: NewWords, text: string, place: Rect, widthPx: number, shaper: Shaper): Block =>
  layOut(shaper, specOf({ ...part, cut: shaper.standIn(part.cut) }, text, widthPx), place);

type NewWords = Omit<WordsPart, 'id' | 'order'>;

function specOf(part: NewWords, text: string, widthPx: number): TextSpec {
  const { tracking, smallCaps, alternates, figures, wide } = part;
  return {
    text,
    cut: part.cut,
    manner: { tracking, smallCaps, alternates, figures, wide },
    leading: part.leading,
    upper: part.upper,
    align: part.align,
    alignY: part.follows ? 'top' : part.alignY,
    setting: part.setting,
    justified: part.justified,
    sizePx: part.size === null ? null : part.size * widthPx,
    maxPx: part.maxSize * widthPx,
    minor: part.minor,
    accents: part.accents,
  };
}
