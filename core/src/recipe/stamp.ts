import type { Result } from '../base';
import { type Stamp, type StampReport, stampPdf } from '../pdf';
import { FALLBACK_CUT } from '../text';
import type { Studio } from './studio';

/** What lines on pages of others are set in: quiet beside any text. */
const CUT = 'work-sans/400';

/** Heads, feet and page numbers on the pages of a PDF. Faults: those of `stampPdf`. */
export async function stampFile(
  source: Uint8Array,
  wish: Omit<Stamp, 'cut'>,
  studio: Studio,
): Promise<Result<{ bytes: Uint8Array<ArrayBuffer>; report: StampReport }>> {
  await studio.loadFonts([CUT, FALLBACK_CUT]);
  const texts = [wish.head, wish.foot, wish.even?.head, wish.even?.foot].map((line) => line?.text ?? '').join('');
  const cut = studio.shaper.lacks(CUT, texts).length === 0 ? CUT : FALLBACK_CUT;
  return stampPdf(source, { ...wish, cut }, studio.shaper, await studio.subsetter());
}
