import { type Result, ok } from '../base';
import type { Hex } from '../colour';
import { type SymbolName, drawMark, findWay, lettersOf, serves } from '../marks';
import { FALLBACK_CUT, fallbacksFor } from '../text';
import { type Drawing, svgOf } from '../vector';
import { pngFile } from './deliverables';
import { drawingRaster } from './drawing';
import type { Studio } from './studio';

/** What a mark is made from: letters as typed, the name it may write out, a symbol instead of each way's own, and a second colour. */
export type MarkWish = {
  readonly letters: string;
  readonly name: string;
  readonly symbol: SymbolName | null;
  readonly second: Hex | null;
};

/** The mark drawn in each of some ways; ways that do not suit the letters are left out. */
export async function markDrawings(
  ways: readonly string[],
  { letters: typed, name, symbol, second }: MarkWish,
  studio: Studio,
): Promise<Record<string, Drawing>> {
  const words = { letters: lettersOf(typed), name, symbol };
  const served = ways.flatMap((id) => findWay(id) ?? []).filter((way) => serves(way, words));
  await studio.loadFonts([...served.map(({ cut }) => cut), FALLBACK_CUT, ...fallbacksFor(typed + name)]);
  return Object.fromEntries(
    served.flatMap((way) => {
      const drawing = drawMark(way, words, second, studio.shaper);
      return drawing ? [[way.id, drawing] as const] : [];
    }),
  );
}

export const MARK_FILES = { svg: 'image/svg+xml', png: 'image/png' } as const;
export type MarkFormat = keyof typeof MARK_FILES;

/** Longer side of a mark saved as PNG. */
export const MARK_PX = 2000;

/** A drawing as a file on a clear ground; what has no colour of its own is drawn in `colour`. */
export async function drawingFile(
  drawing: Drawing,
  colour: Hex,
  format: MarkFormat,
  studio: Studio,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  if (format === 'svg') return ok(new TextEncoder().encode(svgOf(drawing, colour)));
  const paths = drawing.paths.map((path) => ({ ...path, colour: path.colour ?? colour }));
  const file = pngFile(await drawingRaster({ ...drawing, paths }, MARK_PX, null, studio), true);
  return file.ok ? ok(file.value.bytes) : file;
}
