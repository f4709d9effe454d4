import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as harfbuzz from 'harfbuzzjs';
import { OWN_FACE, Shaper, findCut, isOwnCut } from '@yosomi/core/text';
import { FONTS } from './paths';

/** Fonts of all studios of this thread, each once: what they take of memory is given back late or never. */
let shared = new Shaper(harfbuzz);
let own = 0;
/** As many fonts of persons' own are held; then all begin anew. */
const MOST_OWN = 60;

function shippedFont(id: string): void {
  const found = findCut(id);
  if (!found) throw new Error(`no such font: ${id}`);
  const added = shared.add(id, readFileSync(join(FONTS, found.cut.file)), found.cut.axes ?? {});
  if (!added.ok) throw new Error(`shipped font is damaged: ${id}`);
}

/** A font of a person's own, as its title has it; false where it is damaged. */
function ownFont(id: string, bytes: Uint8Array): boolean {
  const held = shared.bytesOf(id);
  if (held && Buffer.compare(held, bytes) === 0) return true;
  if (own >= MOST_OWN) [shared, own] = [new Shaper(harfbuzz), 0];
  own++;
  return shared.add(id, bytes).ok;
}

/**
 * Loads fonts into a shaper, each once: shipped ones from their folder, a person's own from the files of the title.
 * Own ones that are missing or damaged are left out; an unknown shipped cut throws.
 */
export function loadFonts(shaper: Shaper, cuts: readonly string[], files: ReadonlyMap<string, Uint8Array>): void {
  for (const id of cuts) {
    if (shaper.has(id)) continue;
    if (isOwnCut(id)) {
      const bytes = files.get(id.slice(OWN_FACE.length));
      if (bytes && ownFont(id, bytes)) shaper.share(id, shared);
      continue;
    }
    if (!shared.has(id)) shippedFont(id);
    shaper.share(id, shared);
  }
}
