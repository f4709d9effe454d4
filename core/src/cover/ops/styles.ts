import { type Edit, fault } from '../../base';
import type { Doc } from '../document';
import { StyleLook, type WordsPart, WordsStyle } from '../parts';

const FIELDS = Object.keys(StyleLook.shape) as (keyof StyleLook)[];
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What of words a style can set. */
export const lookOf = (part: WordsPart): StyleLook =>
  Object.fromEntries(FIELDS.map((name) => [name, part[name]])) as StyleLook;

/** Fields in which words differ from the style that they were given; none for words without one. */
export function ownLook(doc: Doc, part: WordsPart): (keyof StyleLook)[] {
  const style = part.style === null ? undefined : doc.styles[part.style];
  return style ? FIELDS.filter((name) => !same(style.look[name], part[name])) : [];
}

function write(part: WordsPart, look: StyleLook, names: readonly (keyof StyleLook)[]): void {
  for (const name of names) if (!same(part[name], look[name])) Object.assign(part, { [name]: look[name] });
}

/**
 * Names the look of words; they are the first to have it. Faults: `part-gone`, `style-value` for a name that is empty or too
 * long, `style-known` where another style has it.
 */
export function nameStyle(from: string, id: string, name: string): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[from];
    if (part?.kind !== 'words') return fault('part-gone');
    const made = WordsStyle.safeParse({ name: name.trim(), look: lookOf(part) });
    if (!made.success) return fault('style-value');
    const known = Object.values(doc.styles).some((one) => one.name.toLowerCase() === made.data.name.toLowerCase());
    if (known) return fault('style-known', { name: made.data.name });
    doc.styles[id] = made.data;
    part.style = id;
  };
}

/** Gives words a style: they take all that it sets; null keeps their look as their own. Locked ones stay. Faults: `part-gone`, `style-gone`. */
export function wearStyle(ids: readonly string[], id: string | null): Edit<Doc> {
  return (doc) => {
    const style = id === null ? null : doc.styles[id];
    if (style === undefined) return fault('style-gone');
    for (const one of ids) {
      const part = doc.parts[one];
      if (!part) return fault('part-gone');
      if (part.kind !== 'words' || part.locked) continue;
      part.style = id;
      if (style) write(part, style.look, FIELDS);
    }
  };
}

/**
 * Makes a style look as these words do. All others that have it follow in what was not their own; locked ones too, for the style
 * is what they were locked with. Faults: `part-gone`, `style-gone`.
 */
export function setStyle(from: string): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[from];
    if (part?.kind !== 'words' || part.style === null) return fault('part-gone');
    if (!doc.styles[part.style]) return fault('style-gone');
    follow(doc, part.style, lookOf(part));
  };
}

/** Gives a style another look; words that have it follow in what was not their own. */
function follow(doc: Doc, id: string, next: StyleLook): void {
  const style = doc.styles[id];
  for (const part of Object.values(doc.parts)) {
    if (part.kind !== 'words' || part.style !== id) continue;
    write(
      part,
      next,
      FIELDS.filter((name) => same(part[name], style.look[name])),
    );
  }
  style.look = next;
}

/**
 * Brings a style from elsewhere and gives it to words. Where the document has it, it comes to look as it does there, and all that
 * have it follow; where another has its name, it is told apart by a number. Faults: `part-gone`, `style-value`.
 */
export function bringStyle(ids: readonly string[], id: string, from: WordsStyle): Edit<Doc> {
  return (doc) => {
    const brought = WordsStyle.safeParse(from);
    if (!brought.success) return fault('style-value');
    const { name, look } = brought.data;
    const others = Object.entries(doc.styles).filter(([other]) => other !== id);
    const taken = new Set(others.map(([, one]) => one.name.toLowerCase()));
    const names = [name, ...Array.from({ length: 60 }, (_, i) => `${name.slice(0, 56)} ${i + 2}`)];
    const called = names.find((one) => !taken.has(one.toLowerCase())) ?? name;
    if (doc.styles[id]) follow(doc, id, look);
    doc.styles[id] = { name: called, look };
    return wearStyle(ids, id)(doc);
  };
}

/** Takes a style away; words that had it keep their look. Faults: `style-gone`. */
export function dropStyle(id: string): Edit<Doc> {
  return (doc) => {
    if (!doc.styles[id]) return fault('style-gone');
    delete doc.styles[id];
    for (const part of Object.values(doc.parts)) if (part.kind === 'words' && part.style === id) part.style = null;
  };
}
