import { type Result, fail, ok } from '../base';
import { ascii, bytesOf, concat, u16 } from './bytes';
import { orientationOf } from './exif';
import { profileName } from './icc';
import type { ImageInfo } from './info';

export type Segment = { readonly marker: number; readonly from: number; readonly to: number };

export const SOS = 0xda;
const APP0 = 0xe0;
const APP1 = 0xe1;
const APP2 = 0xe2;
const APP14 = 0xee;
const COM = 0xfe;

/** Marker segments from after SOI up to the start of the scan; null where the chain breaks. */
export function segments(b: Uint8Array): Segment[] | null {
  const list: Segment[] = [];
  let at = 2;
  while (at + 4 <= b.length) {
    if (b[at] !== 0xff) return null;
    while (b[at + 1] === 0xff) at++;
    const marker = b[at + 1];
    const to = at + 2 + u16(b, at + 2);
    if (to > b.length || to < at + 4) return null;
    list.push({ marker, from: at, to });
    if (marker === SOS) return list;
    at = to;
  }
  return null;
}

export const isFrame = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;

/** Faults: `image-truncated`, `image-damaged`. */
export function readJpeg(b: Uint8Array): Result<ImageInfo<'jpeg'>> {
  const list = segments(b);
  if (!list) return fail('image-damaged', { format: 'JPEG' });
  const frame = list.find((s) => isFrame(s.marker));
  if (!frame || frame.to - frame.from < 10) return fail('image-damaged', { format: 'JPEG' });
  if (!endsWhole(b)) return fail('image-truncated', { format: 'JPEG' });
  const components = b[frame.from + 9];
  const metadata: string[] = [];
  const iccParts: Uint8Array[] = [];
  let orientation = 1;
  let ppi: number | null = null;
  for (const { marker, from, to } of list) {
    const id = ascii(b, from + 4, 30);
    if (marker === APP0 && id.startsWith('JFIF\0')) {
      const unit = b[from + 11];
      const x = u16(b, from + 12);
      if (unit === 1) ppi = x;
      if (unit === 2) ppi = Math.round(x * 2.54);
    } else if (marker === APP1 && id.startsWith('Exif\0')) {
      orientation = orientationOf(b.subarray(from + 10, to));
      metadata.push('Exif');
    } else if (marker === APP1) metadata.push(id.startsWith('http://ns.adobe.com/xap') ? 'XMP' : 'APP1');
    else if (marker === APP2 && id.startsWith('ICC_PROFILE\0')) iccParts.push(b.subarray(from + 18, to));
    else if (marker === COM) metadata.push('comment');
    else if (marker > APP0 && marker < APP14 + 2 && marker !== APP14) metadata.push(`APP${marker - APP0}`);
  }
  return ok({
    format: 'jpeg',
    widthPx: u16(b, frame.from + 7),
    heightPx: u16(b, frame.from + 5),
    orientation,
    bitDepth: b[frame.from + 4],
    colour: components === 1 ? 'grey' : components === 4 ? 'cmyk' : 'rgb',
    alpha: false,
    ppi,
    profile: iccParts.length > 0 ? profileName(concat(iccParts)) : null,
    progressive: frame.marker === 0xc2,
    animated: false,
    metadata,
  });
}

/** A whole file ends with EOI; some cameras pad it with zeros. */
function endsWhole(b: Uint8Array): boolean {
  let end = b.length;
  while (end > 2 && b[end - 1] === 0) end--;
  const from = Math.max(2, end - 4096);
  for (let i = end - 2; i >= from; i--) if (b[i] === 0xff && b[i + 1] === 0xd9) return true;
  return false;
}

export function segment(marker: number, payload: Uint8Array): Uint8Array {
  const length = payload.length + 2;
  return concat([Uint8Array.of(0xff, marker, length >> 8, length & 255), payload]);
}

/** The file without Exif, XMP, comments and private blocks; pixels, colour profile and density stay as they are. */
export function stripJpeg(b: Uint8Array): Uint8Array<ArrayBuffer> {
  return rebuild(b, [], (s) => {
    if (s.marker === COM) return false;
    if (s.marker < APP0 || s.marker > 0xef) return true;
    if (s.marker === APP2) return ascii(b, s.from + 4, 11) === 'ICC_PROFILE';
    return s.marker === APP0 ? ascii(b, s.from + 4, 4) === 'JFIF' : s.marker === APP14;
  });
}

/** The file with exactly this density and colour profile and no other metadata. The coded picture is not touched. */
export function dressJpeg(b: Uint8Array, ppi: number, icc: Uint8Array): Uint8Array<ArrayBuffer> {
  const density = Uint8Array.of(1, 2, 1, ppi >> 8, ppi & 255, ppi >> 8, ppi & 255, 0, 0);
  const jfif = segment(APP0, concat([bytesOf('JFIF\0'), density]));
  const most = 65_519;
  const total = Math.ceil(icc.length / most);
  const profile = Array.from({ length: total }, (_, i) =>
    segment(
      APP2,
      concat([bytesOf('ICC_PROFILE\0'), Uint8Array.of(i + 1, total), icc.subarray(i * most, (i + 1) * most)]),
    ),
  );
  return rebuild(
    b,
    [jfif, ...profile],
    (s) => s.marker !== COM && (s.marker < APP0 || s.marker > 0xef || s.marker === APP14),
  );
}

function rebuild(b: Uint8Array, head: Uint8Array[], keep: (s: Segment) => boolean): Uint8Array<ArrayBuffer> {
  const list = segments(b);
  if (!list) throw new Error('not a JPEG that was read before');
  const last = list[list.length - 1];
  const kept = list.slice(0, -1).filter(keep);
  return concat([
    b.subarray(0, 2),
    ...head,
    ...kept.map((s) => b.subarray(s.from, s.to)),
    b.subarray(last.from, endOf(b, last.to)),
  ]);
}

const EOI = 0xd9;

/** Where the picture ends: after the marker that says so, found by going through its scans; another file may follow it. */
function endOf(b: Uint8Array, from: number): number {
  for (let at = b.indexOf(0xff, from); at >= 0 && at + 1 < b.length; at = b.indexOf(0xff, at)) {
    const marker = b[at + 1];
    if (marker === EOI) return at + 2;
    // A byte of 255 in the data, a place to begin anew, or filling.
    if (marker === 0 || (marker >= 0xd0 && marker <= 0xd7)) at += 2;
    else if (marker === 0xff) at++;
    else if (at + 4 <= b.length) at += 2 + u16(b, at + 2);
    else break;
  }
  return b.length;
}
