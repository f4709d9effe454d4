import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Shaper, findCut } from '@yosomi/core/text';
import { FONTS } from './paths';

/** Loads shipped fonts into a shaper, each once. Unknown cuts throw: documents name shipped ones only. */
export function loadFonts(shaper: Shaper, cuts: readonly string[]): void {
  for (const id of cuts) {
    if (shaper.has(id)) continue;
    const found = findCut(id);
    if (!found) throw new Error(`no such font: ${id}`);
    const added = shaper.add(id, readFileSync(join(FONTS, found.cut.file)));
    if (!added.ok) throw new Error(`shipped font is damaged: ${id}`);
  }
}
