import { type Edit, fault, orderBetween, orderKeys } from '../../base';
import { type Rect, intersect, outset, rectAround, rotateAbout } from '../../plane';
import { type Doc, inOrder } from '../document';
import type { Part } from '../parts';
import type { Frames } from './arrange';

/** Where parts go in the pile: past the next one that they meet, to an end, or behind all words. */
export const DEPTHS = ['forward', 'back', 'front', 'rear', 'behind-words'] as const;
export type Depth = (typeof DEPTHS)[number];

/** How far a shadow or a glow is counted beyond a frame, as a share of the cover's width. */
const REACH = 0.02;

/** The upright box, px, in which a part may be seen; null for what is nowhere. What covers all has no frame of its own. */
function seen(part: Part, frames: Frames, doc: Doc): Rect | null {
  if (part.hidden) return null;
  if (part.kind === 'overlay' || part.kind === 'scrim' || part.kind === 'ground')
    return { x: 0, y: 0, width: doc.widthPx, height: doc.heightPx };
  const frame = frames.get(part.id);
  if (!frame) return null;
  const turned = rotateAbout(part.turnRad, frame.x + frame.width / 2, frame.y + frame.height / 2);
  return outset(rectAround(turned, frame), REACH * doc.widthPx);
}

const share = (a: Rect, b: Rect): boolean => {
  const { width, height } = intersect(a, b);
  return width > 0 && height > 0;
};

/** Parts with those that are shown only where they are: these go where their mask goes. From back to front. */
function withMasked(ids: readonly string[], sorted: readonly Part[]): Part[] {
  let taken = false;
  return sorted.filter((part) => {
    const own = ids.includes(part.id) && part.kind !== 'ground';
    // Several in a row may be shown where the same one is.
    if (!part.maskBelow) taken = own;
    return own || (part.maskBelow && taken);
  });
}

/**
 * The part right behind which parts come to stand by a step in depth, null for in front of all; `nothing` where no
 * pixel would change by it, as when none that they overlap lies on that side.
 */
export function depthPlace(
  doc: Doc,
  ids: readonly string[],
  frames: Frames,
  to: Depth,
): { readonly before: string | null } | 'nothing' {
  const sorted = inOrder(doc);
  const moving = withMasked(ids, sorted);
  if (moving.length === 0) return 'nothing';
  const others = sorted.filter((part) => !moving.includes(part) && part.kind !== 'ground');
  const boxes = moving.flatMap((part) => seen(part, frames, doc) ?? []);
  const meets = (part: Part): boolean => {
    const box = seen(part, frames, doc);
    return box !== null && boxes.some((own) => share(own, box));
  };
  const lowest = sorted.indexOf(moving[0]);
  const highest = sorted.indexOf(moving[moving.length - 1]);
  // Whoever stands between the moving ones is passed by some of them.
  const ahead = others.filter((part) => sorted.indexOf(part) > lowest && meets(part));
  const behind = others.filter((part) => sorted.indexOf(part) < highest && meets(part));
  const infront = (part: Part): string | null => {
    // What is shown only where the passed part is stays right in front of it.
    let at = others.indexOf(part) + 1;
    while (others[at]?.maskBelow) at++;
    return others[at]?.id ?? null;
  };
  switch (to) {
    case 'forward': {
      const next = ahead[0];
      return next ? { before: infront(next) } : 'nothing';
    }
    case 'front':
      return ahead.length > 0 ? { before: null } : 'nothing';
    case 'back': {
      const next = behind[behind.length - 1];
      return next ? { before: mask(next, others) } : 'nothing';
    }
    case 'rear':
      return behind.length > 0 ? { before: others[0].id } : 'nothing';
    case 'behind-words': {
      const words = behind.find((part) => part.kind === 'words');
      return words ? { before: mask(words, others) } : 'nothing';
    }
  }
}

/** The part that a masked one is shown on, which is where a pile of them begins. */
function mask(part: Part, others: readonly Part[]): string {
  let at = others.indexOf(part);
  while (at > 0 && others[at].maskBelow) at--;
  return others[at].id;
}

/**
 * Puts parts right behind another, or in front of all with null; what they are among themselves stays, and what is shown
 * only where they are comes with them. Ground stays last. Faults: `part-gone`.
 */
export function placeBehind(ids: readonly string[], before: string | null): Edit<Doc> {
  return (doc) => {
    if (ids.some((id) => !doc.parts[id]) || (before !== null && !doc.parts[before])) return fault('part-gone');
    const sorted = inOrder(doc);
    const moving = withMasked(ids, sorted);
    const others = sorted.filter((part) => !moving.includes(part));
    // Behind one of the moving themselves is behind what follows it.
    const anchor =
      before === null
        ? undefined
        : sorted.slice(sorted.findIndex((p) => p.id === before)).find((p) => others.includes(p));
    let at = anchor ? others.indexOf(anchor) : others.length;
    if (others[0]?.kind === 'ground') at = Math.max(at, 1);
    const wanted = [...others.slice(0, at), ...moving, ...others.slice(at)];
    if (wanted.every((part, i) => part === sorted[i])) return;
    const high = others[at]?.order ?? null;
    let low = others[at - 1]?.order ?? null;
    if (low !== null && high !== null && low >= high) {
      // Two of the same key leave no room between them: all are told apart first.
      const keys = orderKeys(wanted.length);
      wanted.forEach((part, i) => (doc.parts[part.id].order = keys[i]));
      return;
    }
    for (const part of moving) {
      low = orderBetween(low, high);
      doc.parts[part.id].order = low;
    }
  };
}

/** Moves parts in depth; where nothing would change by it, nothing does. Faults: `part-gone`. */
export function moveInDepth(ids: readonly string[], frames: Frames, to: Depth): Edit<Doc> {
  return (doc) => {
    const place = depthPlace(doc, ids, frames, to);
    return place === 'nothing' ? undefined : placeBehind(ids, place.before)(doc);
  };
}

/** The group that parts are in once they are placed: one of the cover's, none, or the one they make up. */
export type Into = string | null | 'own';

/**
 * Places parts right behind another and says what group they are in there. A whole group (`own`) is never put inside another:
 * it goes behind that. Faults: `part-gone`.
 */
export function dropBehind(ids: readonly string[], before: string | null, into: Into): Edit<Doc> {
  return (doc) => {
    if (ids.some((id) => !doc.parts[id])) return fault('part-gone');
    const others = inOrder(doc).filter((part) => !ids.includes(part.id));
    let at = before === null ? others.length : others.findIndex((part) => part.id === before);
    if (at < 0) return fault('part-gone');
    if (into === 'own') while (others[at]?.group && others[at].group === others[at - 1]?.group) at--;
    else for (const id of ids) if (doc.parts[id].kind !== 'ground') doc.parts[id].group = into;
    return placeBehind(ids, others[at]?.id ?? null)(doc);
  };
}

/** Binds parts into a group and brings them together at the foremost of them, or sets them free with null. Faults: `part-gone`. */
export function groupParts(ids: readonly string[], group: string | null): Edit<Doc> {
  return (doc) => {
    if (ids.some((id) => !doc.parts[id])) return fault('part-gone');
    const bound = ids.filter((id) => doc.parts[id].kind !== 'ground');
    for (const id of bound) doc.parts[id].group = group;
    if (group === null) return;
    const sorted = inOrder(doc);
    const moving = withMasked(bound, sorted);
    const after = sorted.slice(sorted.indexOf(moving[moving.length - 1]) + 1);
    return placeBehind(bound, after[0]?.id ?? null)(doc);
  };
}
