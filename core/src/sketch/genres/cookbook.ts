import { type GenreRule, chord, named } from './rule';

export const cookbook: GenreRule = {
  why: 'The dish, near and in warm light, and a title one can read from the other end of the kitchen.',
  faces: {
    serve: named(
      'fraunces dm-serif-display abril-fatface playfair-display yeseva-one josefin-sans jost caveat',
      'amatic-sc libre-baskerville',
    ),
    never: named(
      'league-gothic anton cinzel uncial-antiqua courier-prime limelight archivo-narrow noto-serif',
      'im-fell-english poiret-one',
    ),
  },
  caps: null,
  byline: 1,
  moods: ['warm', 'bright', 'playful'],
  chords: [
    chord('Tomato', [0.58, 0.19, 30], [0.99, 0.02, 90], [0.96, 0.08, 95], [0.95, 0.03, 90]),
    chord('Table linen', [0.96, 0.014, 85], [0.27, 0.05, 40], [0.5, 0.15, 38], [0.85, 0.04, 75]),
    chord('Saffron', [0.82, 0.14, 78], [0.24, 0.06, 35], [0.42, 0.15, 30], [0.97, 0.03, 90]),
    chord('Basil', [0.45, 0.1, 145], [0.99, 0.02, 100], [0.95, 0.1, 98], [0.95, 0.035, 105]),
    chord('Aubergine', [0.31, 0.08, 325], [0.97, 0.02, 80], [0.89, 0.1, 85], [0.43, 0.09, 330]),
    chord('Lemon', [0.94, 0.12, 100], [0.25, 0.06, 150], [0.42, 0.11, 145], [0.99, 0.02, 100]),
  ],
  grades: ['golden', 'vivid', 'plain'],
  symbols: ['cooking-pot', 'fork-knife', 'bread', 'pepper', 'carrot'],
  structures: {
    serve: named(
      'symbol-wreath symbol-title-inside symbol-behind symbol-corners symbol-pattern symbol-borders',
      'symbol-great symbol-in-disc symbol-three plate band picture-above picture-below quiet-end',
      'round-window label mosaic third-block',
    ),
    never: named(
      'symbol-broken symbol-sliced symbol-long-shadow symbol-alone symbol-mirrored symbol-horizon',
      'veil torn-strip poster night-sky great-initial side-strip turned-title paper-slip hills',
      'two-grounds print',
    ),
  },
};
