import type { Book } from '@yosomi/core/project';
import { coverKey } from '@yosomi/core/recipe';
import { nowMs } from '../platform/clock';
import { keepSeen, lastSeen } from '../persist/seen';
import { keepSmall } from '../persist/smalls';
import type { CoverView } from './studio.worker';

/** Width at which small covers are painted and kept at most, px: twice that at which a list shows them. */
export const SMALL_PX = 400;

/** A cover as it is kept for lists. */
export async function smallPicture(bitmap: ImageBitmap): Promise<Uint8Array<ArrayBuffer>> {
  const width = Math.min(SMALL_PX, bitmap.width);
  const height = Math.max(1, Math.round((width * bitmap.height) / bitmap.width));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (context) context.imageSmoothingQuality = 'high';
  context?.drawImage(bitmap, 0, 0, width, height);
  const file = await canvas.convertToBlob({ type: 'image/webp', quality: 0.92 });
  return new Uint8Array(await file.arrayBuffer());
}

const pngOf = async (bitmap: ImageBitmap): Promise<Blob> => {
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0);
  return canvas.convertToBlob({ type: 'image/png' });
};

/** A cover is kept as it was seen once the hand has rested so long, ms. */
const RESTS_MS = 1500;
let waiting: ReturnType<typeof setTimeout> | undefined;

async function keep(book: Book, view: CoverView): Promise<void> {
  const { bitmap, thumbs, frames, reports, findings, measure } = view;
  const [picture, ...small] = await Promise.all([bitmap, ...thumbs].map(pngOf));
  await keepSeen(
    book,
    {
      picture,
      thumbs: small,
      frames: Object.fromEntries(frames),
      reports: Object.fromEntries(reports),
      findings,
      measure,
    },
    nowMs(),
  );
  if (bitmap.width * 2 >= SMALL_PX) await keepSmall(book.id, coverKey(book), await smallPicture(bitmap));
}

/** Keeps a measured view of the front, when no other follows it soon. It may be made again: a failure is nobody's concern. */
export function keepSight(book: Book, view: CoverView): void {
  clearTimeout(waiting);
  waiting = setTimeout(() => void keep(book, view).catch(() => {}), RESTS_MS);
}

/** The front as it was seen last, where it is still that; null else. */
export async function sightOf(book: Book): Promise<CoverView | null> {
  const seen = await lastSeen(book);
  if (!seen) return null;
  try {
    const [bitmap, ...thumbs] = await Promise.all([seen.picture, ...seen.thumbs].map((png) => createImageBitmap(png)));
    const { measure } = seen;
    return {
      bitmap,
      thumbs,
      frames: new Map(Object.entries(seen.frames)),
      reports: new Map(Object.entries(seen.reports)),
      findings: seen.findings,
      measure: { ...measure, titleFromPx: measure.titleFromPx },
      whole: true,
    };
  } catch {
    return null;
  }
}
