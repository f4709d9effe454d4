import { type GenreRule, chord, named } from './rule';

export const historical: GenreRule = {
  why: 'Old faces, paper, madder and gilt; a picture that has aged. The century is read in the letters.',
  faces: {
    serve: named(
      'im-fell-english cinzel libre-baskerville eb-garamond cormorant-garamond playfair-display',
      'marcellus forum bodoni-moda pinyon-script',
    ),
    never: named(
      'jost montserrat work-sans archivo archivo-narrow bebas-neue anton oswald caveat kalam amatic-sc',
      'josefin-sans alfa-slab-one uncial-antiqua limelight league-gothic',
    ),
  },
  caps: null,
  byline: 1.2,
  moods: ['warm', 'grave', 'dark'],
  chords: [
    chord('Parchment', [0.89, 0.04, 82], [0.26, 0.04, 45], [0.42, 0.13, 28], [0.78, 0.06, 78]),
    chord('Madder', [0.36, 0.11, 24], [0.94, 0.035, 82], [0.85, 0.09, 82], [0.25, 0.07, 24]),
    chord('Gilt on navy', [0.26, 0.05, 262], [0.93, 0.03, 85], [0.8, 0.11, 82], [0.36, 0.065, 260]),
    chord('Hunting green', [0.29, 0.05, 155], [0.93, 0.035, 88], [0.8, 0.11, 82], [0.39, 0.06, 150]),
    chord('Sepia', [0.31, 0.035, 60], [0.93, 0.03, 82], [0.78, 0.09, 72], [0.42, 0.05, 62]),
    chord('Fresco', [0.8, 0.06, 60], [0.27, 0.05, 35], [0.4, 0.1, 245], [0.9, 0.035, 80]),
    chord('Indigo wash', [0.41, 0.075, 262], [0.95, 0.025, 85], [0.87, 0.08, 82], [0.86, 0.04, 82]),
  ],
  grades: ['aged', 'golden', 'dusk', 'plain', 'toned'],
  symbols: ['crown', 'sailboat', 'feather', 'scroll', 'key', 'sword'],
  structures: {
    serve: named(
      'symbol-corners symbol-in-symbol symbol-wreath symbol-seal symbol-mirrored symbol-great',
      'quiet-end ornamental-frame mat arch-window label plate picture-below paper-slip',
      'inverted-plate wide-margins',
    ),
    never: named(
      'symbol-sliced symbol-echo symbol-growing symbol-odd-one symbol-three symbol-on-field',
      'symbol-falling type-grid three-strips stripes poster halves mosaic rays drawn-waves',
      'side-strip stacked',
    ),
  },
};
