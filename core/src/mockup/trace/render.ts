import { type Cancelled, type Progress, neverCancelled } from '../../jobs';
import { type Raster, raster } from '../../pixels';
import { ALL_LAYERS, type Layers, type Quality, renderBand } from './band';
import type { Textures } from '../../warp';
import type { Stage } from './stage';

/** Rows of one unit of work: short enough that a cancel is noticed at once. */
export const BAND = 64;

/** The bands of a picture, top to bottom, as [from, to) rows. */
export function bands(height: number): [from: number, to: number][] {
  return Array.from({ length: Math.ceil(height / BAND) }, (_, i) => [i * BAND, Math.min(height, (i + 1) * BAND)]);
}

/** Renders a whole picture on this thread; null when cancelled between two bands. */
export function render(
  stage: Stage,
  textures: Textures,
  quality: Quality,
  cancelled: Cancelled = neverCancelled,
  progress: Progress = () => {},
  layers: Layers = ALL_LAYERS,
): Raster | null {
  const out = raster(stage.width, stage.height);
  for (const [from, to] of bands(stage.height)) {
    if (cancelled()) return null;
    out.data.set(renderBand(stage, textures, from, to, quality, layers), from * stage.width * 4);
    progress(to / stage.height);
  }
  return out;
}
