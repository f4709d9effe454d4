import { type Result, fail, never, ok } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import {
  type Deliverable,
  type Delivered,
  type Others,
  type Wishes,
  judged,
  promoMockup,
  subjectsOf,
} from '@yosomi/core/recipe';
import { sayFault } from '../../messages/say';
import { type MadeFile, keepFile } from '../../persist/made-files';
import { nowIso } from '../../platform/clock';
import { FINAL, traceBook } from '../../work/trace';
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
  const made = await content(book, wanted, signal, others, wishes).catch(() => fail('work-failed'));
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

async function content(
  book: Book,
  wanted: Deliverable,
  signal: AbortSignal,
  others: Others,
  wishes: Wishes,
): Promise<Result<Delivered>> {
  switch (wanted.kind) {
    case 'store-image':
      return press().storeImage(book, wanted.store ?? '', wishes, lastMeasured());
    case 'pdf':
      return press().pdf(book, nowIso(), wishes);
    case 'svg':
      return press().svg(book);
    case 'epub':
      return press().ebook(book, nowIso());
    case 'mockup': {
      const lost = await press().missing(book, 'scene', [...others.values()]);
      if (lost) return { ok: false, fault: lost };
      const pixels = await traceBook(book, book.scene, wanted, FINAL, { signal, others });
      if (!pixels) return fail('trace-stopped');
      const shown = await press().onGround(pixels, book, book.scene, subjectsOf(book, book.scene, others));
      return judged(await press().png(shown, book.scene.ground.kind === 'clear'), await press().sceneFindings(book));
    }
    case 'promo': {
      const lost = await press().missing(book, 'promo', [...others.values()]);
      if (lost) return { ok: false, fault: lost };
      const { scene, ...size } = promoMockup(book);
      const mockup = await traceBook(book, scene, size, FINAL, { signal, others });
      if (!mockup) return fail('trace-stopped');
      const seen = await press().promoFindings(book, mockup);
      return judged(await press().png(await press().promoPixels(book, mockup), false), seen);
    }
    default:
      return never(wanted.kind);
  }
}
