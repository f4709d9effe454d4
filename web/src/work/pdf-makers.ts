import { type Result, ok } from '@yosomi/core/base';
import { findPdfNames, oldPdfNames, renamePdf, setPdfCover } from '@yosomi/core/pdf';
import { stampFile } from '@yosomi/core/recipe';
import { BrowserStudio } from './browser-studio';
import type { MadePdf, PdfWish } from './ebook.worker';

/** New editions of PDFs. The lines come before the cover, so that pages keep the numbers that they had, and the cover has none. */
export const pdfMakers = () => {
  const studio = new BrowserStudio();
  return {
    names: oldPdfNames,
    places: findPdfNames,
    async remake(
      source: Uint8Array<ArrayBuffer>,
      { names, cover, stamp, modified }: PdfWish,
    ): Promise<Result<MadePdf>> {
      let bytes = source;
      const renamed = names && (await renamePdf(bytes, names, modified));
      if (renamed) {
        if (!renamed.ok) return renamed;
        bytes = renamed.value.bytes;
      }
      const stamped = stamp && (await stampFile(bytes, stamp, studio));
      if (stamped) {
        if (!stamped.ok) return stamped;
        bytes = stamped.value.bytes;
      }
      const covered = cover && (await setPdfCover(bytes, cover));
      if (covered) {
        if (!covered.ok) return covered;
        bytes = covered.value.bytes;
      }
      return ok({
        bytes,
        names: renamed ? renamed.value.report : null,
        stamp: stamped ? stamped.value.report : null,
        cover: covered ? covered.value.report : null,
      });
    },
  };
};
