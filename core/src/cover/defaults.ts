import type { Hex } from '../colour';
import { type PicturePart, type WordsPart, commonDefaults } from './parts';

type New<P> = Omit<P, 'id' | 'order'>;

export const newWords = (
  more: Partial<New<WordsPart>> & Pick<WordsPart, 'role' | 'says' | 'area' | 'cut' | 'colour'>,
): New<WordsPart> => ({
  ...commonDefaults,
  kind: 'words',
  follows: null,
  size: null,
  maxSize: 1,
  tracking: 0,
  leading: 1.05,
  upper: false,
  align: 'centre',
  alignY: 'middle',
  minor: null,
  support: 'auto',
  ...more,
});

export const newPicture = (source: PicturePart['source'], more: Partial<New<PicturePart>> = {}): New<PicturePart> => ({
  ...commonDefaults,
  kind: 'picture',
  source,
  area: { x: 0, y: 0, width: 1, height: 1 },
  fit: 'fill',
  focus: { x: 0.5, y: 0.5 },
  zoom: 1,
  ...more,
});

export const newGround = (colour: Hex) =>
  ({ ...commonDefaults, kind: 'ground', paint: { kind: 'flat', colour } }) as const;
