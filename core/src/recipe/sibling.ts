import { type Edit, change, diff, fault } from '../base';
import { type Doc, type Part, adaptDoc } from '../cover';
import { Place, type Book, type Sibling } from '../project';
import { sameShape } from './sizes';

/** The cover at a sibling's ratio: adapted by its constraints, then as a person has placed things there. */
export function siblingDoc(cover: Doc, sibling: Sibling): Doc {
  return placed(adaptDoc(cover, sibling), sibling.places);
}

/** A document with parts where these places say. */
export function placed(doc: Doc, places: Sibling['places']): Doc {
  const parts = Object.fromEntries(
    Object.entries(doc.parts).map(([id, part]): [string, Part] => {
      const place = places[id];
      if (!place) return [id, part];
      const known = Object.fromEntries(Object.entries(place).filter(([name]) => name in part));
      return [id, { ...part, ...known } as Part];
    }),
  );
  return { ...doc, parts };
}

/** The sibling of a title that has the ratio of a size, if there is one. */
export const siblingFor = (book: Book, size: { widthPx: number; heightPx: number }): Sibling | undefined =>
  Object.values(book.siblings).find((one) => sameShape(one, size));

const PLACED = Object.keys(Place.shape);

/** Lengths that a part takes along when it is scaled. In a sibling they stay those of the cover, which says how things look. */
const SCALED = new Set(['width', 'border', 'shadow', 'glow', 'fill', 'tileSize', 'tileGap', 'family']);

/**
 * An edit of the sibling as it is shown. Where a part sits is written down for the sibling alone; everything else (what
 * it says, its colours and effects, parts added and removed) is written to the cover, so that both have it.
 * Faults: `sibling-gone`, and those of the edit.
 */
export function onSibling(id: string, edit: Edit<Doc>): Edit<Book> {
  return (book) => {
    const sibling = book.siblings[id];
    if (!sibling) return fault('sibling-gone');
    const shown = siblingDoc(book.cover, sibling);
    const done = change(shown, edit);
    if (!done.ok) return done.fault;
    const next = done.value.next;
    for (const [part, was] of Object.entries(shown.parts)) {
      const now = next.parts[part];
      if (!now) {
        delete book.cover.parts[part];
        delete sibling.places[part];
        continue;
      }
      if (now === was) continue;
      const target = book.cover.parts[part] as unknown as Record<string, unknown>;
      const place: Record<string, unknown> = { ...sibling.places[part] };
      const before = was as unknown as Record<string, unknown>;
      const changed = Object.entries(now).filter(([name, value]) => diff(before[name], value).length > 0);
      const placed = changed.some(([name]) => name === 'area' || name === 'nodes');
      for (const [name, value] of changed) {
        if (PLACED.includes(name)) place[name] = value;
        else if (!placed || !SCALED.has(name)) target[name] = value;
      }
      if (Object.keys(place).length > 0) sibling.places[part] = Place.parse(place);
    }
    // What one works by is the same in all sizes, in shares of each.
    if (next.guides !== shown.guides) book.cover.guides = next.guides;
    for (const [part, now] of Object.entries(next.parts)) if (!shown.parts[part]) book.cover.parts[part] = now;
  };
}
