import type { CSSProperties } from 'react';
import { fontUrl } from './font-files';

const shown = new Set<string>();
const nameOf = (cut: string): string => `face-${cut.replace('/', '-')}`;

/** Makes a shipped face usable in the interface, for previews in menus. */
export function showFace(cut: string): void {
  if (shown.has(cut)) return;
  shown.add(cut);
  load(cut, new FontFace(nameOf(cut), `url(${fontUrl(cut)})`));
}

/** The same for a font of a person's own, by its bytes. */
export function showFaceBytes(cut: string, bytes: Uint8Array<ArrayBuffer>): void {
  if (shown.has(cut)) return;
  shown.add(cut);
  load(cut, new FontFace(nameOf(cut), bytes));
}

function load(cut: string, face: FontFace): void {
  face.load().then(
    (ready) => document.fonts.add(ready),
    () => shown.delete(cut),
  );
}

export const faceStyle = (cut: string): CSSProperties => ({ fontFamily: `'${nameOf(cut)}'`, fontSize: 16 });
