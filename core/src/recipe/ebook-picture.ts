import { type Result, ok } from '../base';
import { EPUB_PIXELS, type EpubInput } from '../ebook';
import { dressJpeg, srgbProfile } from '../image-file';
import type { Book } from '../project';
import { coverRaster } from './cover';
import { PRINT_PPI } from './delivered';
import { missingFile } from './missing';
import type { Studio } from './studio';

/** The cover as the picture inside an ebook: a JPEG within the pixels that every store takes. Fault: `picture-missing`. */
export async function ebookPicture(book: Book, studio: Studio): Promise<Result<EpubInput['cover']>> {
  const lost = await missingFile(book, 'cover', studio);
  if (lost) return { ok: false, fault: lost };
  const { widthPx, heightPx } = book.cover;
  const k = Math.min(1, Math.sqrt(EPUB_PIXELS / (widthPx * heightPx)));
  const pixels = await coverRaster(book, Math.floor(widthPx * k), studio);
  const bytes = dressJpeg(await studio.encodeJpeg(pixels, 88, false), PRINT_PPI, srgbProfile());
  return ok({ bytes, widthPx: pixels.width, heightPx: pixels.height });
}
