import { PDFArray, type PDFPage, PDFRawStream, PDFStream, decodePDFRawStream } from '@cantoo/pdf-lib';
import { itemsOf } from './objects';

const PIECE = 1 << 18;

/** A stream unpacked, piece by piece and no more than `most` of it; null where it cannot be. */
export function unpacked(stream: PDFStream, most: number): Uint8Array | null {
  try {
    if (!(stream instanceof PDFRawStream)) return stream.getContents().subarray(0, most);
    const decoder = decodePDFRawStream(stream);
    const pieces: Uint8Array[] = [];
    for (let length = 0; length < most;) {
      const piece = decoder.getBytes(PIECE);
      if (piece.length === 0) break;
      // What it gives is a view of a buffer that moves on.
      pieces.push(Uint8Array.from(piece));
      length += piece.length;
    }
    return joined(pieces);
  } catch {
    return null;
  }
}

/** Pieces one after another. */
export function joined(pieces: readonly Uint8Array[]): Uint8Array {
  if (pieces.length === 1) return pieces[0];
  const all = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  pieces.reduce((at, piece) => (all.set(piece, at), at + piece.length), 0);
  return all;
}

/** Streams of a page's content, in order. */
export function contentsOf(page: PDFPage): PDFStream[] {
  const entry = page.node.Contents();
  const all = entry instanceof PDFArray ? itemsOf(entry, 100_000) : [entry];
  return all.filter((one) => one instanceof PDFStream);
}
