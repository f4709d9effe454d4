import { type GenreRule, chord, named } from './rule';

export const study: GenreRule = {
  why: 'A sober grid, one even sans, two colours and a rule; it will be filed, cited and printed.',
  faces: {
    serve: named('work-sans archivo jost montserrat libre-baskerville archivo-narrow noto-serif crimson-pro'),
    never: named(
      'great-vibes pinyon-script caveat kalam amatic-sc uncial-antiqua im-fell-english limelight cinzel',
      'poiret-one forum marcellus yeseva-one abril-fatface alfa-slab-one gilda-display',
      'cormorant-garamond fraunces anton league-gothic courier-prime prata bodoni-moda',
    ),
  },
  caps: false,
  byline: 0.95,
  moods: ['calm', 'grave', 'bright'],
  chords: [
    chord('Ministry', [0.97, 0.004, 240], [0.22, 0.035, 255], [0.45, 0.11, 250], [0.38, 0.09, 252]),
    chord('Survey', [0.3, 0.06, 245], [0.98, 0.006, 240], [0.85, 0.11, 200], [0.42, 0.075, 240]),
    chord('Land use', [0.94, 0.02, 130], [0.23, 0.04, 155], [0.42, 0.1, 150], [0.45, 0.09, 152]),
    chord('Grey and signal', [0.9, 0.004, 250], [0.18, 0.01, 260], [0.5, 0.19, 30], [0.3, 0.012, 260]),
    chord('Deep teal', [0.36, 0.06, 200], [0.98, 0.008, 190], [0.88, 0.12, 90], [0.94, 0.015, 195]),
    chord('Sand', [0.92, 0.022, 85], [0.24, 0.025, 60], [0.43, 0.1, 45], [0.36, 0.04, 60]),
  ],
  grades: ['mono', 'cool', 'toned', 'plain'],
  symbols: ['globe-hemisphere-west', 'buildings', 'scales', 'road-horizon'],
  structures: {
    serve: named(
      'symbol-odd-one symbol-behind symbol-on-field symbol-cropped symbol-three type-grid',
      'picture-above picture-below halves third-block two-grounds stripes mosaic three-strips',
    ),
    never: named(
      'symbol-wreath symbol-corners symbol-broken symbol-sliced symbol-long-shadow symbol-alone',
      'symbol-title-inside symbol-echo symbol-in-symbol symbol-falling symbol-pattern',
      'symbol-borders symbol-mirrored symbol-horizon symbol-great ornamental-frame arch-window',
      'brush-stroke torn-strip paper-slip label hills night-sky label-on-pattern rays',
      'through-letters great-initial poster figure-at-foot round-window disc turned-title',
    ),
  },
};
