import { type Result, fail, ok } from '../base';
import { ascii, bytesOf, u16, u32 } from './bytes';
import { profileName } from './icc';
import type { ImageInfo } from './info';

type Box = { readonly type: string; readonly from: number; readonly to: number };

/** Boxes between two places (ISO/IEC 14496-12, 4.2); null where one reaches beyond the end. */
function boxes(b: Uint8Array, from: number, to: number): Box[] | null {
  const list: Box[] = [];
  for (let at = from; at + 8 <= to && list.length < 4000;) {
    let length = u32(b, at);
    let head = 8;
    if (length === 1) {
      length = u32(b, at + 8) * 2 ** 32 + u32(b, at + 12);
      head = 16;
    } else if (length === 0) length = to - at;
    if (length < head || at + length > to) return null;
    list.push({ type: ascii(b, at + 4, 4), from: at + head, to: at + length });
    at += length;
  }
  return list;
}

const TURNS = [1, 8, 3, 6];

/** Reads an AVIF still picture (AV1 in HEIF). Faults: `image-truncated`, `image-damaged`. */
export function readAvif(b: Uint8Array): Result<ImageInfo<'avif'>> {
  const top = boxes(b, 0, b.length);
  if (!top) return fail('image-truncated', { format: 'AVIF' });
  const meta = top.find((box) => box.type === 'meta');
  const inner = meta && boxes(b, meta.from + 4, meta.to);
  const iprp = inner?.find((box) => box.type === 'iprp');
  const ipco = iprp && boxes(b, iprp.from, iprp.to)?.find((box) => box.type === 'ipco');
  const properties = ipco && boxes(b, ipco.from, ipco.to);
  if (!inner || !properties) return fail('image-damaged', { format: 'AVIF' });
  let [widthPx, heightPx, bitDepth, alpha, orientation] = [0, 0, 8, false, 1];
  let profile: string | null = null;
  let grey = false;
  for (const { type, from, to } of properties) {
    if (type === 'ispe' && u32(b, from + 4) * u32(b, from + 8) > widthPx * heightPx)
      [widthPx, heightPx] = [u32(b, from + 4), u32(b, from + 8)];
    if (type === 'pixi' && b[from + 4] > 1) bitDepth = b[from + 5];
    if (type === 'pixi' && b[from + 4] === 1 && !properties.some((p) => p.type === 'auxC')) grey = true;
    if (type === 'auxC' && ascii(b, from + 4, to - from - 4).includes('alpha')) alpha = true;
    if (type === 'irot') orientation = TURNS[b[from] & 3];
    if (type === 'colr' && profile === null) {
      const kind = ascii(b, from, 4);
      // Primaries of BT.709 with the transfer of IEC 61966-2-1 are sRGB (ITU-T H.273).
      if (kind === 'nclx') profile = u16(b, from + 4) === 1 && u16(b, from + 6) === 13 ? 'sRGB' : 'other colours';
      else if (kind === 'prof' || kind === 'rICC') profile = profileName(b.subarray(from + 4, to));
    }
  }
  if (widthPx === 0) return fail('image-damaged', { format: 'AVIF' });
  const items = inner.find((box) => box.type === 'iinf');
  const names = items ? ascii(b, items.from, items.to - items.from) : '';
  return ok({
    format: 'avif',
    widthPx,
    heightPx,
    orientation,
    bitDepth,
    colour: grey ? 'grey' : 'rgb',
    alpha,
    ppi: null,
    profile,
    progressive: false,
    animated: ascii(b, 8, 4) === 'avis',
    metadata: [...(names.includes('Exif') ? ['Exif'] : []), ...(names.includes('mime') ? ['XMP'] : [])],
  });
}

/** An AVIF that says its colours are sRGB (ITU-T H.273: primaries 1, transfer 13); the encoder leaves that open. The format holds no density. */
export function dressAvif(b: Uint8Array): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(b);
  const name = bytesOf('colrnclx');
  for (let at = 0; at + 12 < Math.min(out.length, 4096); at++) {
    if (name.some((v, i) => out[at + i] !== v)) continue;
    out.set([0, 1, 0, 13], at + 8);
    return out;
  }
  throw new Error('not an AVIF that was made before');
}
