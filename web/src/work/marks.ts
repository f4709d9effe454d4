import type { Result } from '@yosomi/core/base';
import type { Hex } from '@yosomi/core/colour';
import { type MarkFormat, type MarkWish, drawingFile, markDrawings } from '@yosomi/core/recipe';
import type { Drawing } from '@yosomi/core/vector';
import type { BrowserStudio } from './browser-studio';

/** Marks made from letters, and marks as files. */
export const markMakers = (studio: BrowserStudio) => ({
  markDrawings: (ways: readonly string[], wish: MarkWish): Promise<Record<string, Drawing>> =>
    markDrawings(ways, wish, studio),

  drawingFile: (drawing: Drawing, colour: Hex, format: MarkFormat): Promise<Result<Uint8Array<ArrayBuffer>>> =>
    drawingFile(drawing, colour, format, studio),
});
