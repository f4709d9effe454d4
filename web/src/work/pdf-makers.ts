import { type Result, ok } from '@yosomi/core/base';
import { setPdfCover } from '@yosomi/core/pdf';
import { stampFile } from '@yosomi/core/recipe';
import { BrowserStudio } from './browser-studio';
import type { MadePdf, PdfWish } from './ebook.worker';

/** New editions of PDFs. The lines come first, so that pages keep the numbers that they had, and the cover has none. */
export const pdfMakers = () => {
  const studio = new BrowserStudio();
  return {
    async remake(source: Uint8Array<ArrayBuffer>, { cover, stamp }: PdfWish): Promise<Result<MadePdf>> {
      const stamped = stamp ? await stampFile(source, stamp, studio) : null;
      if (stamped && !stamped.ok) return stamped;
      const bytes = stamped ? stamped.value.bytes : source;
      const covered = cover ? await setPdfCover(bytes, cover) : null;
      if (covered && !covered.ok) return covered;
      return ok({
        bytes: covered ? covered.value.bytes : bytes,
        cover: covered ? covered.value.report : null,
        stamp: stamped ? stamped.value.report : null,
      });
    },
  };
};
