import { type GenreRule, chord, named } from './rule';

export const business: GenreRule = {
  why: 'Sure and spare: heavy even sans, two colours, one device; it has to look like a decision.',
  faces: {
    serve: named(
      'archivo montserrat jost work-sans oswald bebas-neue dm-serif-display libre-baskerville',
      'archivo-narrow',
    ),
    never: named(
      'great-vibes pinyon-script caveat kalam amatic-sc uncial-antiqua im-fell-english limelight cinzel',
      'poiret-one forum marcellus yeseva-one cormorant-garamond gilda-display courier-prime',
    ),
  },
  caps: null,
  byline: 1.2,
  moods: ['bold', 'bright', 'grave'],
  chords: [
    chord('Boardroom', [0.25, 0.05, 262], [0.98, 0.008, 250], [0.84, 0.14, 85], [0.38, 0.07, 260]),
    chord('Memo', [0.97, 0.004, 90], [0.16, 0.01, 260], [0.52, 0.2, 27], [0.56, 0.21, 28]),
    chord('Growth', [0.48, 0.11, 158], [0.99, 0.01, 150], [0.95, 0.1, 100], [0.3, 0.07, 160]),
    chord('Signal', [0.62, 0.21, 32], [0.99, 0.006, 90], [0.15, 0.015, 30], [0.16, 0.015, 30]),
    chord('Graphite', [0.24, 0.006, 260], [0.97, 0.004, 250], [0.82, 0.17, 110], [0.36, 0.008, 255]),
    chord('Cobalt', [0.45, 0.18, 262], [0.99, 0.006, 250], [0.93, 0.12, 100], [0.96, 0.012, 250]),
  ],
  grades: ['mono', 'toned', 'cool', 'plain'],
  symbols: ['scales', 'ladder', 'rocket-launch', 'globe-hemisphere-west', 'trophy'],
  structures: {
    serve: named(
      'symbol-growing symbol-odd-one symbol-title-inside symbol-sliced symbol-great symbol-on-field',
      'symbol-cropped symbol-three type-grid stacked third-block two-grounds stripes halves',
      'inverted-plate disc picture-above print',
    ),
    never: named(
      'small-centred rays symbol-wreath symbol-corners symbol-alone symbol-falling symbol-pattern symbol-borders',
      'symbol-mirrored ornamental-frame arch-window brush-stroke torn-strip paper-slip label hills',
      'night-sky label-on-pattern soft-ground drawn-waves wide-margins great-initial',
    ),
  },
};
