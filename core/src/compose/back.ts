import type { Brief } from '../book';
import { type Hex, mostLegible } from '../colour';
import type { Doc } from '../cover';
import { type Ink, type InkItem, fill, flat } from '../ink';
import { joinPaths, rectPath } from '../plane';
import { type Shaper, layOut, plainManner } from '../text';
import { edgePaint } from './edge';
import { spineNeeds } from './spine';

/** The back from the front: the spine's colours run on over it, with the strapline and the website. */
export function composeBack(
  doc: Doc,
  brief: Brief,
  shaper: Shaper,
  edge: readonly Hex[],
  size: { widthPx: number; heightPx: number },
): Ink {
  const { widthPx: w, heightPx: h } = size;
  const items: InkItem[] = [fill(rectPath({ x: 0, y: 0, width: w, height: h }), edgePaint(edge, h))];
  const [, titleCut, bylineCut] = spineNeeds(doc);
  const say = (text: string, cut: string, y: number, height: number, most: number): void => {
    const ground = edge[Math.round((y + height / 2) * (edge.length - 1))];
    const block = layOut(
      shaper,
      {
        text,
        cut,
        manner: { ...plainManner, tracking: 0 },
        leading: 1.2,
        upper: false,
        align: 'centre',
        alignY: 'middle',
        sizePx: null,
        maxPx: most * w,
        minor: null,
        setting: 'across',
        justified: false,
        accents: [],
      },
      { x: w * 0.16, y: y * h, width: w * 0.68, height: height * h },
    );
    items.push(
      fill(joinPaths(block.words.map((word) => word.path)), flat(mostLegible(ground, ['#faf7ee', '#16181b']))),
    );
  };
  if (brief.strapline.trim()) say(brief.strapline, titleCut, 0.2, 0.2, 0.075);
  if (brief.website.trim()) say(brief.website, bylineCut, 0.9, 0.03, 0.03);
  return { widthPx: w, heightPx: h, items };
}
