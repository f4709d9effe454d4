import { type Doc, type Mask, type PicturePart, maskOutline } from '../cover';
import { type InkItem, fill, flat, group, image, stroke } from '../ink';
import {
  type Affine,
  type Path,
  type Rect,
  compose,
  joinPaths,
  rectPath,
  rotateAbout,
  scale,
  translate,
} from '../plane';
import { layOut, plainManner } from '../text';
import { cropShare, laid, shadowOf } from './fills';
import { grainOf, imageOf, textureName } from './needs';
import { softMask } from './soft-mask';
import { type Laid, type Resources, type Size, wholeOf } from './types';

const ALL = { x: 0, y: 0, width: 1, height: 1 };

export function pictureInk(part: PicturePart, frame: Rect, doc: Doc, resources: Resources, more: Laid): InkItem[] {
  const name = imageOf(part);
  const size = resources.images.get(name);
  if (!size) return [];
  const shown = part.fit === 'whole' ? wholeIn(size, frame, part.zoom) : frame;
  const outline = part.mask ? maskPath(part.mask, shown, resources) : rectPath(shown);
  const content = flipped(contentOf(part, name, size, shown, doc), part, shown);
  if (part.look.grain > 0) content.push(image(textureName(grainOf(part), doc), ALL, wholeOf(doc)));
  const cut = part.mask !== null || part.look.grain > 0 || part.innerTurnRad !== 0 || part.fit === 'tile';
  const items: InkItem[] = cut ? [group(content, { mask: [fill(outline, flat('#000000'))] })] : content;
  const veil = part.soft && softMask(part.soft, shown, frame);
  const softened = (list: readonly InkItem[]): readonly InkItem[] => (veil ? [group(list, { mask: veil })] : list);
  if (part.border) {
    // Twice the width, cut to the picture: a border never widens it.
    const line = stroke(outline, part.border.width * doc.widthPx * 2, flat(part.border.colour), { join: 'miter' });
    items.push(group([line], { mask: [fill(outline, flat('#000000'))] }));
  }
  const shadow = part.shadow ? shadowOf(softened(casterOf(part, content, outline, shown)), part.shadow, doc) : [];
  return laid([...shadow, ...softened(items)], more);
}

/** What throws a picture's shadow: the thing in it where the rest was taken out, else the place that it fills. */
function casterOf(part: PicturePart, content: readonly InkItem[], outline: Path, shown: Rect): InkItem[] {
  const colour = flat(part.shadow?.colour ?? '#000000');
  const full = [fill(part.mask ? outline : rectPath(shown), colour)];
  return part.cutOut || part.soft?.clear ? [group(full, { mask: content })] : full;
}

function wholeIn(size: Size, frame: Rect, zoom: number): Rect {
  const k = Math.min(frame.width / size.widthPx, frame.height / size.heightPx) * zoom;
  const width = size.widthPx * k;
  const height = size.heightPx * k;
  return { x: frame.x + (frame.width - width) / 2, y: frame.y + (frame.height - height) / 2, width, height };
}

function contentOf(part: PicturePart, name: string, size: Size, shown: Rect, doc: Size): InkItem[] {
  const turn = part.innerTurnRad;
  const cx = shown.x + shown.width / 2;
  const cy = shown.y + shown.height / 2;
  if (part.fit === 'tile') {
    const width = part.tileSize * doc.widthPx;
    const height = (width * size.heightPx) / size.widthPx;
    const [stepX, stepY] = [width * (1 + part.tileGap), height + width * part.tileGap];
    // Never more tiles than the eye can tell apart.
    const countX = Math.min(60, Math.ceil(shown.width / stepX) + 2);
    const countY = Math.min(90, Math.ceil(shown.height / stepY) + 2);
    const items: InkItem[] = [];
    for (let row = -1; row < countY; row++)
      for (let col = -1; col < countX; col++)
        items.push(image(name, ALL, { x: shown.x + col * stepX, y: shown.y + row * stepY, width, height }));
    return turn === 0 ? items : items.map((one) => ({ ...one, transform: rotateAbout(turn, cx, cy) }));
  }
  if (part.fit === 'whole') return [image(name, ALL, shown)];
  if (turn === 0) return [image(name, cropShare(size, shown, part.focus, part.zoom), shown)];
  // Turned inside its frame, it must be larger to leave no corner bare.
  const c = Math.abs(Math.cos(turn));
  const s = Math.abs(Math.sin(turn));
  const width = shown.width * c + shown.height * s;
  const height = shown.width * s + shown.height * c;
  const grown = { x: cx - width / 2, y: cy - height / 2, width, height };
  return [image(name, cropShare(size, grown, part.focus, part.zoom), grown, { transform: rotateAbout(turn, cx, cy) })];
}

function flipped(items: InkItem[], part: PicturePart, shown: Rect): InkItem[] {
  if (!part.flipX && !part.flipY) return items;
  const cx = shown.x + shown.width / 2;
  const cy = shown.y + shown.height / 2;
  const flip: Affine = compose(
    translate(cx, cy),
    compose(scale(part.flipX ? -1 : 1, part.flipY ? -1 : 1), translate(-cx, -cy)),
  );
  return items.map((one) => ({ ...one, transform: one.transform ? compose(flip, one.transform) : flip }));
}

/** The outline a picture is cut to, in pixels. */
export function maskPath(mask: Mask, frame: Rect, resources: Resources): Path {
  if (mask.kind !== 'letters') return maskOutline(mask, frame) ?? rectPath(frame);
  const block = layOut(
    resources.shaper,
    {
      text: mask.text,
      cut: resources.shaper.standIn(mask.cut),
      manner: plainManner,
      leading: 0.9,
      upper: false,
      align: 'centre',
      alignY: 'middle',
      setting: 'across',
      justified: false,
      sizePx: null,
      maxPx: frame.height * 2,
      minor: null,
      accents: [],
    },
    frame,
  );
  return joinPaths(block.words.map((word) => word.path));
}
