import { thicknessMm } from '../book';
import type { Raster } from '../pixels';
import { type FaceName, type Model, SMOOTH, TRIM_HEIGHT_MM, pageEdges, paperback } from './models';
import type { Scene } from './scene';
import { type Texture, type Textures, textureOf } from './trace';

/** Sizes of a paperback whose front has the art's ratio; the height is a common trade size. */
export function bookSize(
  scene: Scene,
  front: { widthPx: number; heightPx: number },
  pageCount: number | null,
): { widthMm: number; heightMm: number; thicknessMm: number } {
  return {
    widthMm: (TRIM_HEIGHT_MM * front.widthPx) / front.heightPx,
    heightMm: TRIM_HEIGHT_MM,
    thicknessMm: scene.object.thicknessMm ?? thicknessMm(pageCount),
  };
}

export function modelOf(
  scene: Scene,
  front: { widthPx: number; heightPx: number },
  pageCount: number | null,
  strips = SMOOTH,
): Model {
  return paperback(bookSize(scene, front, pageCount), strips);
}

/** Pixels of the spine that go with a front of this height. */
export function spineSize(heightPx: number, thickness: number): { widthPx: number; heightPx: number } {
  return { widthPx: Math.max(8, Math.round((heightPx * thickness) / TRIM_HEIGHT_MM)), heightPx };
}

/** Thickness of a book whose spine art has these sides, within what can be bound: 2 to 120 mm. */
export const spineThickness = (width: number, height: number): number =>
  Math.min(120, Math.max(2, (TRIM_HEIGHT_MM * width) / height));

/** Textures of a paperback: the art on its faces and trimmed paper on the others. */
export function paperbackTextures(
  art: { front: Raster; spine: Raster; back: Raster },
  thickness: number,
  pageCount: number | null,
): Textures {
  const leaves = Math.max(8, Math.round((pageCount ?? thickness / 0.063) / 2));
  const entries: [FaceName, Texture][] = [
    ['front', textureOf(art.front)],
    ['spine', textureOf(art.spine)],
    ['back', textureOf(art.back)],
    ['top', textureOf(pageEdges(leaves, thickness, false))],
    ['bottom', textureOf(pageEdges(leaves, thickness, false))],
    ['edge', textureOf(pageEdges(leaves, thickness, true))],
  ];
  return new Map(entries);
}
