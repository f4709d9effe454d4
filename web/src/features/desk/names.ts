import {
  COLOURS,
  type ColourName,
  type DeskPicture,
  PLACES,
  type Place,
  SHAPES,
  type Shape,
  shapeOf,
  wholeSize,
} from '@yosomi/core/desk';
import { HANDS, HAND_NAMES, MOTIFS } from '@yosomi/core/paintings';
import type { MenuGroup } from '../../ui/menu';

export const PLACE_NAMES: Readonly<Record<Place, string>> = {
  top: 'At the top',
  foot: 'At the foot',
  left: 'On the left',
  right: 'On the right',
  middle: 'In the middle',
};
const SHAPE_NAMES: Readonly<Record<Shape, string>> = { tall: 'Tall', square: 'Square', wide: 'Wide' };
const capital = (word: string): string => word[0].toUpperCase() + word.slice(1);
const colourName = (name: ColourName): string => capital(name);

/** What stands for no choice. */
export const ANY = 'any';

const menu = <T extends string>(
  title: string,
  any: string,
  values: readonly T[],
  name: (value: T) => string,
): MenuGroup[] => [
  { title, options: [{ value: ANY, label: any }, ...values.map((value) => ({ value, label: name(value) }))] },
];

/** What can be asked beside the words. */
export const CHOICES = {
  quiet: menu('Where words fit', 'Words anywhere', PLACES, (place) => `Words ${PLACE_NAMES[place].toLowerCase()}`),
  hand: menu('How it is painted', 'Every hand', HAND_NAMES, (hand) => HANDS[hand].name),
  colour: menu('Colours in it', 'Every colour', COLOURS, colourName),
  tone: menu('How light it is', 'Light and dark', ['light', 'dark'] as const, capital),
  shape: menu('Its shape', 'Every shape', SHAPES, (shape) => SHAPE_NAMES[shape]),
  detail: menu('How much is in it', 'Calm and busy', ['calm', 'busy'] as const, capital),
} as const;
export type Choice = keyof typeof CHOICES;

/** What a picture shows, and how. */
export const pictureName = ({ motif, hand }: DeskPicture): string =>
  `${MOTIFS[motif].name}, ${HANDS[hand].name.toLowerCase()}`;

/** What is measured of a picture, in words. */
export function factsOf(picture: DeskPicture): [name: string, value: string][] {
  const { light, colours, quiet } = picture.reading;
  const { widthPx, heightPx } = wholeSize(picture);
  const shape = SHAPE_NAMES[shapeOf(picture.tall)];
  return [
    ['Quiet', quiet.length > 0 ? quiet.map((place) => PLACE_NAMES[place].toLowerCase()).join(', ') : 'nowhere'],
    ['Colours', colours.map(colourName).join(', ') || 'Many'],
    ['Lightness', `${Math.round(light * 100)} of 100`],
    ['Size', `${shape}, ${widthPx} x ${heightPx} px`],
  ];
}
