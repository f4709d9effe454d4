import { type Finding, never } from '../base';
import type { Brief } from '../book';
import { type Doc, type Part, inOrder } from '../cover';
import { type InkItem, flat, group, image, stroke } from '../ink';
import { type Rect, rectPath, rotateAbout } from '../plane';
import type { Block } from '../text';
import { isSoft } from '../texture';
import { setAllWords } from './blocks';
import { filled, laid } from './fills';
import { faceFindings, missingFindings, outsideFindings, pictureFindings, wordFindings } from './findings';
import { textureName, textureOf } from './needs';
import { pictureInk } from './picture-ink';
import { scrimInk } from './scrim';
import { curveInk } from './curve-ink';
import { shapeInk } from './shape-ink';
import { type AddedScrim, type Composition, type Laid, type Resources, areaPx, wholeOf } from './types';
import { inkBox, wordsFrame, wordsInk } from './words-ink';

/** Turns a document into its display list. Pure: equal input gives an equal list. Fonts must be loaded. */
export function compose(doc: Doc, brief: Brief, resources: Resources, added: readonly AddedScrim[] = []): Composition {
  const parts = inOrder(doc);
  const blocks = setAllWords(parts, doc, brief, resources);
  const frames = new Map<string, Rect>();
  const findings: Finding[] = [];
  const items: InkItem[] = [];
  const veiled = added.map((scrim) => ({ scrim, over: scrimOver(scrim, parts) }));
  let below: readonly InkItem[] = [];
  parts.forEach((part, i) => {
    const block = blocks.get(part.id);
    const { items: own, frame } = inkOf(part, doc, resources, block);
    frames.set(part.id, frame);
    if (!part.hidden) {
      if (part.maskBelow && below.length > 0) items.push(masked(own, below, part.id));
      else {
        items.push(...own);
        // Several parts in a row may be masked by the same one.
        below = own;
      }
      if (block && part.kind === 'words') {
        findings.push(...wordFindings(part, block, doc, resources.shaper));
        findings.push(...outsideFindings(part, inkBox(part, block), doc));
      }
      findings.push(...missingFindings(part, resources.images));
      if (part.kind === 'picture') findings.push(...pictureFindings(part, frame, doc));
    }
    for (const { scrim, over } of veiled) if (over === i) items.push(scrimInk(scrim, doc, null));
  });
  findings.push(...faceFindings(doc));
  return { ink: { widthPx: doc.widthPx, heightPx: doc.heightPx, items }, blocks, frames, findings };
}

/** The place in the order of parts that an added scrim lies on: the last picture that is behind all the words it serves. */
export function scrimOver(scrim: Pick<AddedScrim, 'parts'>, parts: readonly Part[]): number {
  const words = parts.findIndex((part) => scrim.parts.includes(part.id));
  return parts
    .slice(0, words < 0 ? parts.length : words)
    .findLastIndex((part) => part.kind === 'picture' || part.kind === 'ground');
}

/** A part shown only where the part below it is: blended with what is behind as it would be by itself. */
function masked(own: readonly InkItem[], below: readonly InkItem[], part: string): InkItem {
  const mask = below.map((item) => ({ ...item, blend: 'normal' as const }));
  if (own.length === 1) {
    const [only] = own;
    return group([{ ...only, blend: 'normal', opacity: 1 }], { mask, part, blend: only.blend, opacity: only.opacity });
  }
  return group(own, { mask, part });
}

function inkOf(
  part: Part,
  doc: Doc,
  resources: Resources,
  block: Block | undefined,
): { items: InkItem[]; frame: Rect } {
  const whole = wholeOf(doc);
  const frame =
    block && part.kind === 'words' ? wordsFrame(part, block) : 'area' in part ? areaPx(part.area, doc) : whole;
  const more = (of: Rect): Laid => ({
    part: part.id,
    blend: part.blend,
    opacity: part.opacity,
    transform: part.turnRad === 0 ? null : rotateAbout(part.turnRad, of.x + of.width / 2, of.y + of.height / 2),
  });
  switch (part.kind) {
    case 'ground': {
      const items = filled(rectPath(whole), whole, part.paint, '#ffffff', doc, resources);
      if (part.border) {
        const inset = (part.border.inset + part.border.width / 2) * doc.widthPx;
        const line = { x: inset, y: inset, width: doc.widthPx - 2 * inset, height: doc.heightPx - 2 * inset };
        items.push(
          stroke(rectPath(line), part.border.width * doc.widthPx, flat(part.border.colour), { join: 'miter' }),
        );
      }
      return { items: laid(items, { part: part.id }), frame };
    }
    case 'picture':
      return { items: pictureInk(part, frame, doc, resources, more(frame)), frame };
    case 'shape':
      return { items: shapeInk(part, frame, doc, resources, more(frame)), frame };
    case 'curve': {
      const flatOne = curveInk(part, doc, more(whole));
      return part.turnRad === 0 ? flatOne : { ...flatOne, items: curveInk(part, doc, more(flatOne.frame)).items };
    }
    case 'overlay': {
      const all = { x: 0, y: 0, width: 1, height: 1 };
      const { blend, opacity } = part;
      return {
        items: [
          image(textureName(textureOf(part), doc), all, whole, {
            part: part.id,
            blend,
            opacity,
            soft: isSoft(part.texture),
          }),
        ],
        frame,
      };
    }
    case 'scrim':
      return { items: [{ ...scrimInk(part, doc, part.id), blend: part.blend }], frame };
    case 'words':
      return { items: block ? wordsInk(part, block, doc, resources, more(frame)) : [], frame };
    default:
      return never(part);
  }
}
