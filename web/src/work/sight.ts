import type { Book } from '@yosomi/core/project';
import { nowMs } from '../platform/clock';
import { keepSeen, lastSeen } from '../persist/seen';
import type { CoverView } from './studio.worker';

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

/** The same, small, for a list of titles. */
export async function smallSightOf(book: Book): Promise<ImageBitmap | null> {
  const seen = await lastSeen(book);
  return seen ? createImageBitmap(seen.thumbs[0]).catch(() => null) : null;
}
