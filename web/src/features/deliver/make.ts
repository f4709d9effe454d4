import { type Result, fail, ok } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type Deliverable, type Makers, type Others, type Wishes, makeWith } from '@yosomi/core/recipe';
import { sayFault } from '../../messages/say';
import { type MadeFile, keepFile } from '../../persist/made-files';
import { nowIso } from '../../platform/clock';
import { promoMakers } from '../../work/promos';
import { lastMeasured } from '../../work/use-cover-view';
import { press } from '../../work/workers';

const TYPES: Record<Deliverable['format'], string> = {
  JPEG: 'image/jpeg',
  PNG: 'image/png',
  WebP: 'image/webp',
  AVIF: 'image/avif',
  TIFF: 'image/tiff',
  'EPUB 3.3': 'application/epub+zip',
  PDF: 'application/pdf',
  SVG: 'image/svg+xml',
};

/** Makes one file in the workers and keeps it. Faults: those of its kind, and `trace-stopped` when aborted. */
export async function makeFile(
  book: Book,
  wanted: Deliverable,
  signal: AbortSignal,
  others: Others,
  wishes: Wishes,
): Promise<Result<MadeFile>> {
  const made = await makeWith(workers(signal), book, wanted, nowIso(), wishes, others).catch(() => fail('work-failed'));
  if (signal.aborted) return fail('trace-stopped');
  if (!made.ok) return made;
  const file: MadeFile = {
    deliverable: wanted.id,
    key: wanted.key,
    name: wanted.fileName,
    type: TYPES[wanted.format],
    madeAt: nowIso(),
    findings: made.value.findings,
    bytes: made.value.bytes,
  };
  // A file that finds no room in the browser can still be saved while the page is open: that is said, not hidden.
  const kept = await keepFile(book.id, file);
  if (!kept.ok) sayFault(kept.fault);
  return ok(file);
}

/** The workers as makers: the press paints and encodes, all tracers together trace. */
const workers = (signal: AbortSignal): Makers => ({
  ...promoMakers(signal),
  storeImage: (book, store, wishes) => press().storeImage(book, store, wishes, lastMeasured()),
  ebook: (book, modified) => press().ebook(book, modified),
  pdf: (book, modified, wishes) => press().pdf(book, modified, wishes),
  svg: (book) => press().svg(book),
  booklet: (book, modified, format) => press().booklet(book, modified, format),
  sceneFindings: (book) => press().sceneFindings(book),
  promo: (job) => press().promoPixels(job),
  promoFindings: (job) => press().promoFindings(job),
  png: (pixels, clear) => press().png(pixels, clear),
});
