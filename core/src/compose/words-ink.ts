import type { Hex } from '../colour';
import type { WordRule, WordsPart } from '../cover';
import { type InkItem, fill, flat, group, stroke } from '../ink';
import { type Path, type Rect, joinPaths, pathBounds, rectPath, rotateAbout, transformPath, union } from '../plane';
import type { Block, PlacedWord } from '../text';
import { filled, laid, shadowOf } from './fills';
import type { Laid, Resources, Size } from './types';

/** What lies behind the letters of a part and belongs to it is named so: it counts as ground when contrast is measured. */
export const behind = (part: string): string => `${part}/behind`;

const colourOf = (part: WordsPart, word: PlacedWord): Hex | null => {
  if (word.initial && part.initial?.colour) return part.initial.colour;
  const accent = part.accents.find((one) => one.word === word.index);
  if (accent?.colour) return accent.colour;
  return part.minor && word.minor ? part.minor.colour : null;
};

/** The colour a word is set in; where a fill shows through the letters, the colour that stands for it. */
export const wordColour = (part: WordsPart, word: PlacedWord): Hex => colourOf(part, word) ?? part.colour;

/** Box of a part's plate, px; null without one. */
export function plateBox(part: WordsPart, block: Block): Rect | null {
  if (!part.plate || block.words.length === 0) return null;
  const { padX, padY } = part.plate;
  const { box, sizePx } = block;
  return {
    x: box.x - padX * sizePx,
    y: box.y - padY * sizePx,
    width: box.width + 2 * padX * sizePx,
    height: box.height + 2 * padY * sizePx,
  };
}

/** Box of everything a words part draws, its plate and rules included. */
export function wordsFrame(part: WordsPart, block: Block): Rect {
  return plateBox(part, block) ?? block.box;
}

/** Box of the letters as they lie on the cover, turned where the part is, px. */
export function inkBox(part: WordsPart, block: Block): Rect {
  if (part.turnRad === 0 || block.words.length === 0) return block.box;
  const { x, y, width, height } = wordsFrame(part, block);
  const turn = rotateAbout(part.turnRad, x + width / 2, y + height / 2);
  return union(block.words.map((word) => pathBounds(transformPath(word.path, turn))));
}

/** The letters of a part one word at a time, each in a colour of its own, as they lie on the cover. */
export function wordMarks(part: WordsPart, block: Block, colourOf: (word: PlacedWord) => Hex): InkItem[] {
  const { x, y, width, height } = wordsFrame(part, block);
  const transform = part.turnRad === 0 ? null : rotateAbout(part.turnRad, x + width / 2, y + height / 2);
  return block.words.map((word) => fill(word.path, flat(colourOf(word)), { part: part.id, transform }));
}

/** A list without the letters of some parts; what lies behind those letters and belongs to them stays. */
export function withoutLetters(items: readonly InkItem[], isLetters: (part: string | null) => boolean): InkItem[] {
  return items.flatMap((item): InkItem[] => {
    if (item.kind !== 'group') return isLetters(item.part) ? [] : [item];
    const own = item.items.some((one) => one.part !== null && one.part !== item.part);
    if (isLetters(item.part) && !own) return [];
    return [{ ...item, items: withoutLetters(item.items, isLetters) }];
  });
}

export function wordsInk(part: WordsPart, block: Block, doc: Size, resources: Resources, more: Laid): InkItem[] {
  if (block.words.length === 0) return [];
  const all = joinPaths(block.words.map((word) => word.path));
  const back = { ...more, part: behind(part.id) };
  const items: InkItem[] = [];
  const plate = plateBox(part, block);
  if (plate && part.plate) {
    const { radius, colour, opacity, blend } = part.plate;
    const path = rectPath(plate, radius * Math.min(plate.width, plate.height));
    items.push(fill(path, flat(colour), { ...back, opacity: more.opacity * opacity, blend }));
  }
  const rules = [
    ...(part.ruleAbove ? [ruleInk(part.ruleAbove, block, true)] : []),
    ...(part.ruleBelow ? [ruleInk(part.ruleBelow, block, false)] : []),
  ];
  items.push(...laid(rules, back));
  const underneath: InkItem[] = [];
  if (part.shadow) underneath.push(...shadowOf(silhouette(part, block, all, part.shadow.colour), part.shadow, doc));
  if (part.glow) {
    const { blur, colour, opacity } = part.glow;
    const light = [fill(all, flat(colour)), stroke(all, blur * doc.widthPx * 0.5, flat(colour))];
    // Twice, so that the light is full right at the letters and still falls off softly.
    underneath.push(group(light, { blurPx: blur * doc.widthPx, opacity }));
    underneath.push(group(light, { blurPx: blur * doc.widthPx * 0.4, opacity }));
  }
  if (part.outline?.side === 'outside')
    underneath.push(stroke(all, 2 * part.outline.width * block.sizePx, flat(part.outline.colour)));
  items.push(...laid(underneath, back));
  items.push(...laid(letters(part, block, all, doc, resources), more));
  return items;
}

function letters(part: WordsPart, block: Block, all: Path, doc: Size, resources: Resources): InkItem[] {
  const byColour = new Map<Hex | null, Path[]>();
  for (const word of block.words) {
    const colour = colourOf(part, word);
    const known = byColour.get(colour);
    if (known) known.push(word.path);
    else byColour.set(colour, [word.path]);
  }
  const items = [...byColour].flatMap(([colour, paths]) =>
    colour === null
      ? filled(joinPaths(paths), block.box, part.fill, part.colour, doc, resources)
      : [fill(joinPaths(paths), flat(colour))],
  );
  const { outline } = part;
  if (outline && outline.side !== 'outside') {
    const width = outline.width * block.sizePx;
    const line = stroke(all, outline.side === 'inside' ? 2 * width : width, flat(outline.colour));
    items.push(outline.side === 'inside' ? group([line], { mask: [fill(all, flat('#000000'))] }) : line);
  }
  return items;
}

/** What casts the shadow: the letters with an outline that stands out from them. */
function silhouette(part: WordsPart, block: Block, all: Path, colour: Hex): InkItem[] {
  const { outline } = part;
  const grown = outline && outline.side !== 'inside' ? outline.width * (outline.side === 'outside' ? 2 : 1) : 0;
  const body = fill(all, flat(colour));
  return grown > 0 ? [stroke(all, grown * block.sizePx, flat(colour)), body] : [body];
}

function ruleInk(rule: WordRule, block: Block, above: boolean): InkItem {
  const { box, sizePx } = block;
  const thick = rule.thick * sizePx;
  const gap = rule.gap * sizePx;
  const width = box.width * rule.length;
  const y = above ? box.y - gap - thick : box.y + box.height + gap;
  return fill(rectPath({ x: box.x + (box.width - width) / 2, y, width, height: thick }), flat(rule.colour));
}
