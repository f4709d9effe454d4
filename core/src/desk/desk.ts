import { ownPainting } from '../book';
import { CATALOGUE, type PaintingSpec } from '../paintings';
import type { ColourName, Place, Reading } from './reading';
import { READINGS } from './readings';

/** A picture of the desk: what it is painted from, and what was measured of it. */
export type DeskPicture = PaintingSpec & { readonly id: string; readonly reading: Reading };

const listed = <T extends string>(list: string): T[] => (list === '-' ? [] : (list.split(',') as T[]));

const MEASURED: ReadonlyMap<string, Reading> = new Map(
  READINGS.trim()
    .split('\n')
    .map((row) => {
      const [id, light, warmth, busy, quiet, colours] = row.trim().split(' ');
      const measured = { light: Number(light), warmth: Number(warmth), busy: Number(busy) };
      return [id, { ...measured, quiet: listed<Place>(quiet), colours: listed<ColourName>(colours) }];
    }),
);

/** Every picture of the desk; one that was not read yet (`npm run desk`) is left out, and a test says so. */
export const DESK: readonly DeskPicture[] = CATALOGUE.flatMap((one) => {
  const reading = MEASURED.get(one.id);
  return reading ? [{ ...one, reading }] : [];
});

export const deskPicture = (id: string): DeskPicture | undefined => DESK.find((one) => one.id === id);

/** What a picture of the desk may be used for, as a title keeps it beside the picture. */
export const DESK_RIGHTS = ownPainting('The picture desk');

/** Longer side of a picture that a title takes: a tall one fills a cover of 1600 x 2560 pixel for pixel. */
const WHOLE_PX = 2560;

/** Pixels of a picture as a title keeps it. */
export function wholeSize({ tall }: PaintingSpec): { readonly widthPx: number; readonly heightPx: number } {
  const widthPx = Math.round(WHOLE_PX / Math.max(1, tall));
  return { widthPx, heightPx: Math.round(widthPx * tall) };
}
