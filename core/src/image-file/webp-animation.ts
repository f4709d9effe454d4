import { bytesOf, concat, u32le } from './bytes';
import { webpChunk, webpChunks } from './webp';

const le = (value: number, bytes: number): Uint8Array =>
  Uint8Array.from({ length: bytes }, (_, i) => Math.floor(value / 256 ** i) & 255);

/** Bit of the frame flags: the frame replaces what was there instead of being laid over it. */
const REPLACES = 2;
const ANIMATED = 0x02;
const CLEAR = 0x10;

/**
 * An animation of still WebP files of one size, each shown for `frameMs` (one for all, or each its own), over and over where `loop`; the coded pictures
 * are taken as they are (RIFF container of WebP: VP8X, ANIM, ANMF). Throws for files that were not made here.
 */
export function animatedWebp(
  stills: readonly Uint8Array[],
  widthPx: number,
  heightPx: number,
  frameMs: number | readonly number[],
  loop: boolean,
): Uint8Array<ArrayBuffer> {
  let clear = false;
  const frames = stills.map((still, i) => {
    const list = webpChunks(still);
    const coded = list?.filter((c) => ['ALPH', 'VP8 ', 'VP8L'].includes(c.name)) ?? [];
    const last = coded.at(-1);
    if (!last || last.name === 'ALPH') throw new Error('not a still WebP');
    // A lossless picture says itself whether it has clear pixels.
    if (coded.length > 1 || (last.name === 'VP8L' && ((u32le(last.data, 1) >>> 28) & 1) === 1)) clear = true;
    const head = concat([
      le(0, 3),
      le(0, 3),
      le(widthPx - 1, 3),
      le(heightPx - 1, 3),
      le(Math.round(typeof frameMs === 'number' ? frameMs : frameMs[i]), 3),
      Uint8Array.of(REPLACES),
    ]);
    return webpChunk('ANMF', concat([head, ...coded.map((c) => webpChunk(c.name, c.data))]));
  });
  const extended = webpChunk(
    'VP8X',
    concat([Uint8Array.of(ANIMATED | (clear ? CLEAR : 0)), le(0, 3), le(widthPx - 1, 3), le(heightPx - 1, 3)]),
  );
  const animation = webpChunk('ANIM', concat([le(0, 4), le(loop ? 0 : 1, 2)]));
  const body = concat([bytesOf('WEBP'), extended, animation, ...frames]);
  return concat([bytesOf('RIFF'), le(body.length, 4), body]);
}
