import { type GenreRule, chord, named } from './rule';

export const history: GenreRule = {
  why: 'Authority and evidence: a document, a place or a person of the time, firm serifs or narrow capitals, deep national colours.',
  faces: {
    serve: named(
      'libre-baskerville eb-garamond oswald bodoni-moda cinzel league-gothic archivo-narrow',
      'playfair-display spectral im-fell-english',
    ),
    never: named(
      'great-vibes caveat kalam amatic-sc poiret-one limelight yeseva-one uncial-antiqua fraunces',
      'abril-fatface alfa-slab-one pinyon-script',
    ),
  },
  caps: null,
  byline: 1.2,
  moods: ['grave', 'dark', 'bold'],
  chords: [
    chord('State paper', [0.9, 0.03, 85], [0.2, 0.02, 60], [0.42, 0.14, 28], [0.35, 0.09, 28]),
    chord('Uniform', [0.3, 0.04, 250], [0.95, 0.02, 85], [0.8, 0.1, 82], [0.42, 0.05, 250]),
    chord('Imperial red', [0.4, 0.14, 26], [0.96, 0.025, 85], [0.86, 0.1, 84], [0.2, 0.04, 25]),
    chord('Field grey', [0.45, 0.02, 130], [0.97, 0.015, 95], [0.89, 0.09, 88], [0.28, 0.015, 130]),
    chord('Ledger green', [0.28, 0.04, 160], [0.94, 0.025, 90], [0.78, 0.1, 80], [0.38, 0.045, 155]),
    chord('Newsprint', [0.87, 0.012, 90], [0.17, 0.008, 80], [0.45, 0.17, 28], [0.24, 0.01, 80]),
  ],
  grades: ['aged', 'mono', 'noir', 'toned', 'cool'],
  symbols: ['scroll', 'sword', 'crown', 'globe-stand', 'scales'],
  structures: {
    serve: named(
      'symbol-in-symbol symbol-broken symbol-corners symbol-odd-one symbol-great symbol-seal',
      'symbol-on-field symbol-cropped picture-below picture-above quiet-end band type-grid',
      'torn-strip print plate inverted-plate two-grounds',
    ),
    never: named(
      'symbol-echo symbol-growing symbol-wreath symbol-falling symbol-pattern rays brush-stroke',
      'label-on-pattern round-window drawn-waves hills night-sky stripes',
    ),
  },
};
