import { type Result, ok } from '@yosomi/core/base';
import type { SurfaceImage } from '@yosomi/core/ink';
import { DESK_RIGHTS, deskPicture, wholeSize } from '@yosomi/core/desk';
import { writePng } from '@yosomi/core/image-file';
import { type OwnPicture, ownPicture } from '@yosomi/core/library';
import { MOTIFS, paintPicture } from '@yosomi/core/paintings';
import type { Raster } from '@yosomi/core/pixels';
import { type Asset, Book, assetId } from '@yosomi/core/project';
import { type HouseAsk, SCREEN_PPI, type TakenPicture, deskCover, takePicture } from '@yosomi/core/recipe';
import type { Doc } from '@yosomi/core/cover';
import type { Sketch } from '@yosomi/core/sketch';
import { expose, transfer } from 'comlink';
import { LRUCache } from 'lru-cache';
import { bitmapOf } from './bitmaps';
import { BrowserStudio } from './browser-studio';
import { bytesFor } from '../persist/bytes';
import { paintedPicture } from './painted-picture';
import { encodeWebp } from './encode-webp';

/** Width of a painted picture as it is looked through, before words are set on it and after. */
const SMALL_PX = 400;
const LOOK_PX = 240;
/** Longer side of the small picture that is kept of one's own. */
const THUMB_PX = 320;

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

  /** A picture of a person's own, small; null where its bytes are gone. */
  async own(id: string): Promise<Raster | null> {
    const known = this.small.get(id);
    if (known) return known;
    const image = await super.picture(id);
    if (!image) return null;
    const sample = this.pixelsOf(this.resized(image, Math.min(SMALL_PX, image.widthPx)));
    this.small.set(id, sample);
    return sample;
  }

  /** A picture so small that thousands can be kept, as a file: WebP, or PNG where this browser cannot write that. */
  async smallFile(sample: Raster): Promise<Uint8Array<ArrayBuffer>> {
    const widthPx = Math.round((sample.width * THUMB_PX) / Math.max(sample.width, sample.height));
    const small =
      widthPx < sample.width ? this.pixelsOf(this.resized(this.imageOf(sample), Math.max(1, widthPx))) : sample;
    return (await encodeWebp(small, 0.82)) ?? writePng(small, SCREEN_PPI);
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

/** A file that came into the library: its bytes as they are kept, and a small picture of it as a file. */
export type TakenOwn = {
  readonly picture: OwnPicture;
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly small: Uint8Array<ArrayBuffer>;
};

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

  /** A picture of a person's own, with the words of a title where one is given; null where its bytes are gone. */
  async ownLook(asset: Asset, input: Book | null, house: HouseAsk): Promise<DeskLook | null> {
    const sample = await studio.own(asset.id);
    if (!sample) return null;
    const book = input && Book.parse(input);
    const made = book && (await deskCover(book, house, { ...asset, sample }, await studio.symbols(), studio, LOOK_PX));
    const bitmap = await bitmapOf(made ? made.pixels : sample);
    return transfer({ bitmap, cover: made && { sketch: made.sketch, doc: made.doc } }, [bitmap]);
  },

  async smallOfOwn(asset: Asset): Promise<Uint8Array<ArrayBuffer> | null> {
    const sample = await studio.own(asset.id);
    if (!sample) return null;
    const bytes = await studio.smallFile(sample);
    return transfer(bytes, [bytes.buffer]);
  },

  async wholeOwn(asset: Asset): Promise<TakenPicture | null> {
    const [bytes, sample] = await Promise.all([bytesFor('assets', asset.id), studio.own(asset.id)]);
    return bytes && sample && transfer({ asset, bytes, sample }, [bytes.buffer]);
  },

  /** Checks a file, and measures what it shows. */
  async takeOwn(
    input: Uint8Array<ArrayBuffer>,
    name: string,
    folder: string,
    addedAt: string,
  ): Promise<Result<TakenOwn>> {
    const taken = await takePicture(input, name, studio);
    if (!taken.ok) return taken;
    const { asset, bytes, sample } = taken.value;
    const small = await studio.smallFile(sample);
    return transfer(ok({ picture: ownPicture(asset, sample, folder, addedAt), bytes, small }), [
      bytes.buffer,
      small.buffer,
    ]);
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
