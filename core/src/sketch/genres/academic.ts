import { type GenreRule, chord, named } from './rule';

export const academic: GenreRule = {
  why: 'One colour of a list of many, a book face, the subject named in full; at most a small picture. It stands in a row with its like.',
  faces: {
    serve: named('eb-garamond libre-baskerville crimson-pro spectral work-sans noto-serif jost lora'),
    never: named(
      'great-vibes pinyon-script caveat kalam amatic-sc uncial-antiqua limelight poiret-one yeseva-one',
      'abril-fatface alfa-slab-one anton league-gothic bebas-neue courier-prime fraunces',
      'im-fell-english playfair-display',
    ),
  },
  caps: false,
  byline: 1,
  moods: ['grave', 'calm'],
  chords: [
    chord('Monograph red', [0.38, 0.12, 25], [0.97, 0.015, 85], [0.88, 0.08, 85], [0.94, 0.02, 85]),
    chord('Monograph blue', [0.35, 0.08, 258], [0.97, 0.01, 85], [0.87, 0.08, 88], [0.93, 0.015, 85]),
    chord('Monograph green', [0.36, 0.06, 160], [0.97, 0.012, 95], [0.88, 0.09, 92], [0.93, 0.02, 95]),
    chord('Offprint', [0.94, 0.016, 88], [0.2, 0.02, 60], [0.42, 0.12, 28], [0.4, 0.11, 27]),
    chord('Slate', [0.42, 0.02, 245], [0.98, 0.004, 240], [0.89, 0.08, 88], [0.92, 0.008, 240]),
    chord('Grey card', [0.86, 0.008, 90], [0.18, 0.015, 260], [0.38, 0.09, 258], [0.36, 0.08, 258]),
  ],
  grades: ['mono', 'plain', 'aged', 'cool'],
  symbols: ['scroll', 'globe-stand', 'scales', 'book-open'],
  structures: {
    serve: named(
      'symbol-odd-one symbol-alone symbol-in-symbol symbol-seal symbol-cropped type-grid',
      'two-grounds wide-margins mat picture-above picture-below small-centred inverted-plate halves',
    ),
    never: named(
      'symbol-wreath symbol-title-inside symbol-behind symbol-broken symbol-growing symbol-falling',
      'symbol-pattern symbol-borders symbol-horizon symbol-three rays brush-stroke torn-strip',
      'paper-slip hills night-sky stacked poster through-letters drawn-waves stripes figure-at-foot',
      'round-window label-on-pattern',
    ),
  },
};
