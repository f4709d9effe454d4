/** What an image file says of itself, read from its bytes and never from its name. */
export type ImageInfo<F extends ImageFormat = ImageFormat> = {
  readonly format: F;
  readonly widthPx: number;
  readonly heightPx: number;
  /** EXIF orientation 1..8; widthPx and heightPx are as stored, before it is applied. */
  readonly orientation: number;
  readonly bitDepth: number;
  readonly colour: 'grey' | 'rgb' | 'cmyk' | 'indexed';
  readonly alpha: boolean;
  /** Pixels per inch, null where the file does not say. */
  readonly ppi: number | null;
  /** Description of the embedded colour profile, null where there is none. */
  readonly profile: string | null;
  readonly progressive: boolean;
  /** True where it holds several pictures, shown one after the other. */
  readonly animated: boolean;
  /** Names of metadata blocks: "Exif", "XMP", "text", ... */
  readonly metadata: readonly string[];
};

/** Formats that covers are delivered in; pictures that are put on covers come in the first three. */
export type PictureFormat = 'jpeg' | 'png' | 'webp';
export type ImageFormat = PictureFormat | 'avif' | 'tiff';

/** Most pixels that are decoded; larger pictures are refused before they are unpacked. */
export const MOST_PIXELS = 64_000_000;
/** The same for images that are delivered: sides of 10,000 px, as some stores take them. */
export const MOST_DELIVERED = 100_000_000;
export const MOST_BYTES = 200 * 1024 * 1024;
/** A picture with a shorter side than this is no art for any face, not even a thin spine. */
export const LEAST_SIDE = 16;
