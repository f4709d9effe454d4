import type { PinScene } from '@yosomi/core/pin';
import type { Raster } from '@yosomi/core/pixels';
import { Book } from '@yosomi/core/project';
import { faceArtOf } from '@yosomi/core/recipe';
import type { Studio } from '@yosomi/core/recipe';
import { transfer } from 'comlink';

/** Art of the faces of a pinned photograph. */
export const pinArts = (studio: Studio) => ({
  async pinArt(input: Book, scene: PinScene, id: string, mostPx: number): Promise<Raster | null> {
    const face = scene.faces.find((one) => one.id === id);
    if (!face) return null;
    const made = await faceArtOf(Book.parse(input), scene, face, studio, mostPx);
    // A picture that is kept here must not be handed away: what goes is a copy.
    const own = { ...made, data: made.data.slice() };
    return transfer(own, [own.data.buffer]);
  },
});
