import {
  type ColourName,
  type DeskPicture,
  type Place,
  type Reading,
  type Shape,
  shapeOf,
  wholeSize,
} from '@yosomi/core/desk';
import { HANDS, MOTIFS } from '@yosomi/core/paintings';

export const PLACE_NAMES: Readonly<Record<Place, string>> = {
  top: 'At the top',
  foot: 'At the foot',
  left: 'On the left',
  right: 'On the right',
  middle: 'In the middle',
};
export const SHAPE_NAMES: Readonly<Record<Shape, string>> = { tall: 'Tall', square: 'Square', wide: 'Wide' };
export const capital = (word: string): string => word[0].toUpperCase() + word.slice(1);
export const colourName = (name: ColourName): string => capital(name);

/** What a picture shows, and how. */
export const pictureName = ({ motif, hand }: DeskPicture): string =>
  `${MOTIFS[motif].name}, ${HANDS[hand].name.toLowerCase()}`;

/** What is measured of a picture of the desk, in words. */
export const factsOf = (picture: DeskPicture): [name: string, value: string][] =>
  factsOfReading(picture.reading, wholeSize(picture));

/** What is measured of any picture, in words. */
export function factsOfReading(
  { light, colours, quiet }: Reading,
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
): [name: string, value: string][] {
  const shape = SHAPE_NAMES[shapeOf(heightPx / widthPx)];
  return [
    ['Quiet', quiet.length > 0 ? quiet.map((place) => PLACE_NAMES[place].toLowerCase()).join(', ') : 'nowhere'],
    ['Colours', colours.map(colourName).join(', ') || 'Many'],
    ['Lightness', `${Math.round(light * 100)} of 100`],
    ['Size', `${shape}, ${widthPx} x ${heightPx} px`],
  ];
}
