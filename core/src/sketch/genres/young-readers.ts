import { type GenreRule, chord, named } from './rule';

export const youngReaders: GenreRule = {
  why: 'An adventure at one glance: big friendly heavy letters, clear bright colours with one dark, a scene with something going on.',
  faces: {
    serve: ['fraunces', 'alfa-slab-one', 'montserrat', 'kalam', 'yeseva-one', 'caveat', 'abril-fatface', 'jost'],
    never: named(
      'cormorant-garamond poiret-one bodoni-moda courier-prime great-vibes pinyon-script cinzel forum',
      'marcellus prata gilda-display work-sans archivo archivo-narrow libre-baskerville noto-serif',
      'oswald eb-garamond crimson-pro spectral josefin-sans im-fell-english',
    ),
  },
  caps: null,
  byline: 1,
  moods: ['playful', 'bright', 'bold'],
  chords: [
    chord('Treasure', [0.42, 0.1, 235], [0.98, 0.03, 95], [0.89, 0.16, 92], [0.9, 0.15, 90]),
    chord('Jungle', [0.5, 0.13, 148], [0.99, 0.03, 105], [0.92, 0.16, 100], [0.33, 0.09, 155]),
    chord('Big sky', [0.79, 0.1, 225], [0.22, 0.08, 270], [0.45, 0.2, 25], [0.96, 0.09, 98]),
    chord('Comet', [0.3, 0.11, 285], [0.99, 0.02, 100], [0.9, 0.16, 95], [0.62, 0.19, 25]),
    chord('Popsicle', [0.72, 0.17, 20], [0.99, 0.02, 95], [0.27, 0.1, 280], [0.95, 0.1, 98]),
    chord('Lemonade', [0.93, 0.14, 98], [0.27, 0.1, 265], [0.5, 0.21, 25], [0.76, 0.11, 215]),
    chord('Grass stain', [0.86, 0.15, 125], [0.24, 0.08, 255], [0.48, 0.2, 20], [0.97, 0.04, 100]),
  ],
  grades: ['vivid', 'plain', 'golden'],
  symbols: ['compass', 'rocket', 'balloon', 'tree', 'lightning', 'rainbow'],
  structures: {
    serve: named(
      'symbol-behind symbol-title-inside symbol-echo symbol-great symbol-pattern symbol-in-disc',
      'symbol-falling symbol-on-field quiet-end figure-at-foot hills round-window stacked',
      'picture-below disc rays night-sky band',
    ),
    never: named(
      'symbol-alone symbol-sliced symbol-broken symbol-corners symbol-seal symbol-mirrored',
      'small-centred type-grid two-grounds wide-margins mat paper-slip halves three-strips veil',
      'turned-title torn-strip great-initial soft-ground side-strip label',
    ),
  },
};
