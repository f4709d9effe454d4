import { type Brief, wordsOf } from '../book';
import { type Doc, type Part, type PicturePart, type WordRole, type WordsPart, eachColour } from '../cover';
import { type Lab, hexTurned, labOf, rgbOf } from '../colour';
import { clamp } from '../plane';
import type { Book } from '../project';
import { FIELD_OF_ROLE, type PictureFacts, type Weighted, cropFor, isDark, keyWord } from '../sketch';

/** A tint that is this strong is the design's own colours; a weaker one is how the picture is developed. */
export const OWN_TINT = 0.5;
/** How much of the box of words is letters, of all that is painted there. */
const LETTERS = 0.3;
/** Forms that are lines, and how much of their box is painted. */
const LINES: ReadonlySet<string> = new Set(['frame', 'divider', 'line']);
const LINE = 0.05;
/** How much more of the design's own scrim comes with a picture that is so much darker, or brighter. */
const SCRIM = 1.5;

/** Words of a front that are neither of its brief nor of a role that a brief has: they come along as they are. */
export type Typed = { readonly role: WordRole; readonly text: string };

/** The picture that a cover is about: that of its largest frame, or of the largest form, letters or ground that it fills; null where it shows none. */
export function mainPicture(doc: Doc): string | null {
  let [found, most]: [string | null, number] = [null, 0];
  for (const part of Object.values(doc.parts)) {
    const shown = part.hidden ? null : pictureOf(part);
    if (shown && shown.size > most) [found, most] = [shown.asset, shown.size];
  }
  return found;
}

/** The picture that a part shows, and how much of the cover it is seen on, about. */
function pictureOf(part: Part): { readonly asset: string; readonly size: number } | null {
  if (part.kind === 'picture') {
    const size = part.fit === 'tile' ? LINE : part.area.width * part.area.height;
    return part.source.kind === 'asset' ? { asset: part.source.asset, size } : null;
  }
  const fill = part.kind === 'ground' ? part.paint : part.kind === 'words' || part.kind === 'shape' ? part.fill : null;
  return fill?.kind === 'picture' ? { asset: fill.asset, size: sizeOf(part) } : null;
}

/** How much of the cover a part paints, as a share of it. */
function sizeOf(part: Part): number {
  switch (part.kind) {
    case 'words':
      return LETTERS * part.area.width * part.area.height;
    case 'shape':
      return (LINES.has(part.form.kind) ? LINE : 1) * part.area.width * part.area.height;
    case 'ground':
      return 1;
    case 'picture':
    case 'curve':
    case 'scrim':
    case 'overlay':
      return LINE;
  }
}

/** The colours of a front by how much of it they cover, as far as one part does not lie over another. */
export function coloursOfFront(doc: Doc): Weighted {
  const found = new Map<string, number>();
  for (const part of Object.values(doc.parts)) {
    if (part.hidden || part.kind === 'picture') continue;
    const size = sizeOf(part);
    eachColour(part, (hex) => (found.set(hex, (found.get(hex) ?? 0) + size), hex));
  }
  const sum = [...found.values()].reduce((a, b) => a + b, 0) || 1;
  return [...found].map(([hex, weight]) => ({ hex, weight: weight / sum }));
}

/** What is greyer than this has no hue to tell, OKLab. */
const GREY = 0.02;
/** How well the hues of all colours must agree about one turn, 0..1. */
const AGREED = 0.8;

/** By which angle the colours of one front are those of another, turned, in radians; null where they are not that. */
export function turnBetween(from: Doc, to: Doc): number | null {
  let [x, y, sum] = [0, 0, 0];
  for (const [id, part] of Object.entries(from.parts)) {
    const other = to.parts[id];
    if (!other || other.kind !== part.kind || part.kind === 'picture') continue;
    const [mine, theirs] = [part, other].map((one) => {
      const found: Lab[] = [];
      eachColour(one, (hex) => (found.push(labOf(rgbOf(hex))), hex));
      return found;
    });
    if (mine.length !== theirs.length) continue;
    for (const [i, [, a, b]] of mine.entries()) {
      const [, c, d] = theirs[i];
      const weight = Math.min(Math.hypot(a, b), Math.hypot(c, d));
      if (weight < GREY) continue;
      const turn = Math.atan2(d, c) - Math.atan2(b, a);
      x += weight * Math.cos(turn);
      y += weight * Math.sin(turn);
      sum += weight;
    }
  }
  return sum > 0 && Math.hypot(x, y) >= AGREED * sum ? Math.atan2(y, x) : null;
}

const plain = (text: string): string => text.replace(/\s+/g, ' ').trim().toLocaleLowerCase();

/** What words of one title say on the cover of another: what its brief says, or what was typed. `typed` is what stays as it was; null where nothing does. */
function saysFor(part: WordsPart, from: Brief, to: Brief): { says: WordsPart['says']; typed: string | null } {
  const { says } = part;
  if (says.kind === 'brief') return { says, typed: null };
  const field = FIELD_OF_ROLE[part.role];
  if (!field) return { says, typed: says.text };
  const [mine, theirs] = [wordsOf(from, field), wordsOf(to, field)];
  if (field === 'title' || plain(says.text) === plain(mine)) return { says: { kind: 'brief', field }, typed: null };
  const at = mine.trim() === '' ? -1 : says.text.toLocaleLowerCase().indexOf(mine.trim().toLocaleLowerCase());
  // "by Ida Quill" goes on saying "by".
  if (at >= 0 && theirs.trim() !== '') {
    const text = says.text.slice(0, at) + theirs.trim() + says.text.slice(at + mine.trim().length);
    return { says: { kind: 'own', text: text.slice(0, 600) }, typed: null };
  }
  return { says, typed: says.text };
}

/** A word that is set apart: the word that carries the title stays it, others keep their place while there is one. */
function accentsFor(part: WordsPart, before: readonly string[], after: readonly string[]): WordsPart['accents'] {
  if (before.join(' ') === after.join(' ')) return part.accents;
  const [one] = part.accents;
  if (part.accents.length === 1 && one.word === keyWord(before)) return [{ ...one, word: keyWord(after) }];
  return part.accents.filter(({ word }) => word < after.length);
}

/** Another picture in a frame: its own subject is in view, and what was marked on the one before is gone. `light` makes it so much brighter, or darker. */
function withPicture(part: PicturePart, facts: PictureFacts, light: number, doc: Doc): void {
  const ratio = (part.area.width * doc.widthPx) / (part.area.height * doc.heightPx);
  part.source = { kind: 'asset', asset: facts.asset };
  part.focus = cropFor(facts, ratio, part.zoom).focus;
  part.cutOut = null;
  part.lean = { x: 0, y: 0 };
  part.innerTurnRad = 0;
  part.look = { ...part.look, brightness: clamp(part.look.brightness + light, -1, 1) };
  if (part.soft) part.soft = { ...part.soft, strokes: [], clear: null };
}

/**
 * The front of one title as that of another of its series: words say what the other's brief says, colours are turned, and the main picture
 * is another where one is given, `light` brighter or darker than it is (-1..1), with more of the scrim that the design has. `typed` are words that stay as they were typed.
 */
export function carriedFront(
  from: Pick<Book, 'brief' | 'cover'>,
  to: Brief,
  angleRad: number,
  picture: PictureFacts | null,
  light = 0,
): { doc: Doc; typed: Typed[] } {
  const doc = structuredClone(from.cover);
  const main = mainPicture(doc);
  const typed: Typed[] = [];
  const turned = (hex: string): string => (angleRad === 0 ? hex : hexTurned(hex, angleRad));
  for (const style of Object.values(doc.styles)) eachColour(style, turned);
  for (const part of Object.values(doc.parts)) {
    if (part.kind === 'words') {
      const wordsIn = (says: WordsPart['says'], brief: Brief): string[] =>
        (says.kind === 'brief' ? wordsOf(brief, says.field) : says.text).split(/\s+/).filter(Boolean);
      const before = wordsIn(part.says, from.brief);
      const said = saysFor(part, from.brief, to);
      part.says = said.says;
      part.accents = accentsFor(part, before, wordsIn(said.says, to));
      if (said.typed?.trim() && !part.hidden) typed.push({ role: part.role, text: said.typed });
    }
    if (picture && main !== null && picture.asset !== main) {
      if (part.kind === 'picture' && part.source.kind === 'asset' && part.source.asset === main)
        withPicture(part, picture, light, doc);
      else filledWith(part, main, picture);
    }
    if (part.kind === 'scrim' && isDark(part.colour) === light < 0)
      part.opacity = clamp(part.opacity + SCRIM * Math.abs(light), 0, 1);
    const look = part.kind === 'picture' ? structuredClone(part.look) : null;
    eachColour(part, turned);
    if (part.kind === 'picture' && look && (look.tint?.amount ?? 0) < OWN_TINT) part.look = look;
  }
  return { doc, typed };
}

/** Fills with another picture, its own subject in the middle of what is filled. */
function filledWith(part: Part, from: string, facts: PictureFacts): void {
  const fill = part.kind === 'ground' ? part.paint : part.kind === 'words' || part.kind === 'shape' ? part.fill : null;
  if (fill?.kind !== 'picture' || fill.asset !== from) return;
  fill.asset = facts.asset;
  fill.focus = facts.subject.clear ? { x: facts.subject.x, y: facts.subject.y } : { x: 0.5, y: 0.5 };
}
