import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { OWN_FACE, Shaper, findCut, isOwnCut } from '@yosomi/core/text';
import { FONTS } from './paths';

/**
 * Loads fonts into a shaper, each once: shipped ones from their folder, a person's own from the files of the title.
 * Own ones that are missing or damaged are left out; an unknown shipped cut throws.
 */
export function loadFonts(shaper: Shaper, cuts: readonly string[], files: ReadonlyMap<string, Uint8Array>): void {
  for (const id of cuts) {
    if (shaper.has(id)) continue;
    if (isOwnCut(id)) {
      const bytes = files.get(id.slice(OWN_FACE.length));
      if (bytes) shaper.add(id, bytes);
      continue;
    }
    const found = findCut(id);
    if (!found) throw new Error(`no such font: ${id}`);
    const added = shaper.add(id, readFileSync(join(FONTS, found.cut.file)), found.cut.axes ?? {});
    if (!added.ok) throw new Error(`shipped font is damaged: ${id}`);
  }
}
