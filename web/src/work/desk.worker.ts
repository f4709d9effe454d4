import type { SurfaceImage } from '@yosomi/core/ink';
import { DESK_RIGHTS, deskPicture, wholeSize } from '@yosomi/core/desk';
import { MOTIFS, paintPicture } from '@yosomi/core/paintings';
import type { Raster } from '@yosomi/core/pixels';
import { Book, assetId } from '@yosomi/core/project';
import { type HouseAsk, type TakenPicture, deskCover } from '@yosomi/core/recipe';
import type { Doc } from '@yosomi/core/cover';
import type { Sketch } from '@yosomi/core/sketch';
import { expose, transfer } from 'comlink';
import { LRUCache } from 'lru-cache';
import { bitmapOf } from './bitmaps';
import { BrowserStudio } from './browser-studio';
import { paintedPicture } from './painted-picture';

/** Width of a painted picture as it is looked through, before words are set on it and after. */
const SMALL_PX = 400;
const LOOK_PX = 240;

/** A picture of the desk as one looks through them: with a title's words where they fit, else by itself. */
export type DeskLook = {
  readonly bitmap: ImageBitmap;
  readonly cover: { readonly sketch: Sketch; readonly doc: Doc } | null;
};

/** Knows pictures of the desk by the name of their place there, before any title has them. */
class DeskStudio extends BrowserStudio {
  readonly small = new LRUCache<string, Raster>({ max: 60 });

  override async picture(id: string): Promise<SurfaceImage | null> {
    const known = this.small.get(id);
    return known ? this.imageOf(known) : super.picture(id);
  }

  painted(id: string): { key: string; sample: Raster; widthPx: number; heightPx: number } | null {
    const spec = deskPicture(id);
    if (!spec) return null;
    const key = keyOfDesk(id);
    const sample = this.small.get(key) ?? paintPicture(spec, SMALL_PX, (ink, px) => this.paint(ink, px, new Map()));
    if (!sample) return null;
    this.small.set(key, sample);
    return { key, sample, ...wholeSize(spec) };
  }
}

/** What stands for a picture in a cover until it has been painted whole and has a name of its own. */
const keyOfDesk = (id: string): string => `desk${assetId(new TextEncoder().encode(id))}`.slice(0, 40);

const studio = new DeskStudio();

const api = {
  /** A picture small, with the words of a title set on it where one is given; null where there is no such picture. */
  async look(id: string, input: Book | null, house: HouseAsk): Promise<DeskLook | null> {
    const one = studio.painted(id);
    if (!one) return null;
    const book = input && Book.parse(input);
    const made =
      book && (await deskCover(book, house, { id: one.key, ...one }, await studio.symbols(), studio, LOOK_PX));
    const bitmap = await bitmapOf(
      made ? made.pixels : studio.pixelsOf(studio.resized(studio.imageOf(one.sample), LOOK_PX)),
    );
    const cover = made && { sketch: made.sketch, doc: made.doc };
    return transfer({ bitmap, cover }, [bitmap]);
  },

  /** A picture as a file for a title, and the name that stood for it in covers; null where there is no such picture. */
  async whole(
    id: string,
    onProgress: (share: number) => void,
  ): Promise<{ taken: TakenPicture; stoodFor: string } | null> {
    const spec = deskPicture(id);
    if (!spec) return null;
    const painted = paintPicture(
      spec,
      wholeSize(spec).widthPx,
      (ink, px) => studio.paint(ink, px, new Map()),
      (share) => {
        onProgress(share * 0.9);
        return false;
      },
    );
    if (!painted) return null;
    const { asset, bytes } = await paintedPicture(studio, painted, MOTIFS[spec.motif].name, DESK_RIGHTS);
    onProgress(1);
    const sample = studio.pixelsOf(studio.resized(studio.imageOf(painted), SMALL_PX));
    return transfer({ taken: { asset, bytes, sample }, stoodFor: keyOfDesk(id) }, [bytes.buffer, sample.data.buffer]);
  },
};

export type DeskApi = typeof api;
expose(api);
