import type { Brief } from '../book';
import type { Hex } from '../colour';
import type { Doc } from '../cover';
import { type Ink, type InkItem, fill, flat } from '../ink';
import { joinPaths, rectPath } from '../plane';
import { type Shaper, layOut, plainManner } from '../text';
import { type EdgeWords, edgeAt, edgeInk, edgePaint, heldApart } from './edge';
import { spineNeeds } from './spine';

/** Share of the back's width and height for its text, and the size of its letters as a share of the width, so that it fits. */
export const BLURB = { x: 0.16, y: 0.27, width: 0.68, height: 0.56 } as const;
export function blurbSize(text: string, { widthPx: w, heightPx: h }: { widthPx: number; heightPx: number }): number {
  // A letter is about 0.45 em wide and a line 1.4 em high.
  const fits = Math.sqrt((BLURB.width * BLURB.height * h) / w / (0.45 * 1.4 * Math.max(1, text.length)));
  return Math.min(0.036, 0.9 * fits);
}

/** The back from the front: the spine's colours run on over it, with the strapline, the text and the website. */
export function composeBack(
  doc: Doc,
  brief: Brief,
  shaper: Shaper,
  edge: readonly Hex[],
  size: { widthPx: number; heightPx: number },
): Ink {
  const { widthPx: w, heightPx: h } = size;
  const items: InkItem[] = [];
  const set: EdgeWords[] = [];
  const [, titleCut, bylineCut] = spineNeeds(doc);
  const say = (
    text: string,
    cut: string,
    y: number,
    height: number,
    most: number,
    sizePx: number | null = null,
  ): void => {
    const colour = edgeInk(null, edgeAt(edge, y, y + height));
    set.push({ from: y, to: y + height, colour });
    const block = layOut(
      shaper,
      {
        text,
        cut,
        manner: { ...plainManner, tracking: 0 },
        leading: sizePx === null ? 1.2 : 1.4,
        upper: false,
        align: sizePx === null ? 'centre' : 'left',
        alignY: sizePx === null ? 'middle' : 'top',
        sizePx,
        maxPx: most * w,
        minor: null,
        setting: 'across',
        justified: false,
        accents: [],
      },
      { x: w * 0.16, y: y * h, width: w * 0.68, height: height * h },
    );
    items.push(fill(joinPaths(block.words.map((word) => word.path)), flat(colour)));
  };
  const text = brief.blurb.trim();
  if (brief.strapline.trim()) say(brief.strapline, titleCut, text ? 0.09 : 0.2, text ? 0.13 : 0.2, 0.075);
  if (text) say(text, bylineCut, BLURB.y, BLURB.height, 0.04, blurbSize(text, size) * w);
  if (brief.website.trim()) say(brief.website, bylineCut, 0.9, 0.03, 0.03);
  const ground = fill(rectPath({ x: 0, y: 0, width: w, height: h }), edgePaint(heldApart(edge, set), h));
  return { widthPx: w, heightPx: h, items: [ground, ...items] };
}
