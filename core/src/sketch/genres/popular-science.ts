import { type GenreRule, chord, named } from './rule';

export const popularScience: GenreRule = {
  why: 'One clear idea made visible, on white or on one strong colour, in plain modern type: curious, not solemn.',
  faces: {
    serve: named('jost work-sans montserrat archivo dm-serif-display libre-baskerville fraunces oswald'),
    never: named(
      'great-vibes pinyon-script uncial-antiqua im-fell-english caveat kalam amatic-sc limelight cinzel',
      'poiret-one forum courier-prime gilda-display',
    ),
  },
  caps: false,
  byline: 1.1,
  moods: ['bright', 'bold', 'calm'],
  chords: [
    chord('White page', [0.97, 0.005, 240], [0.19, 0.02, 260], [0.54, 0.2, 30], [0.87, 0.14, 92]),
    chord('Signal yellow', [0.89, 0.165, 96], [0.17, 0.02, 270], [0.42, 0.18, 25], [0.98, 0.015, 95]),
    chord('Copernican', [0.3, 0.1, 268], [0.98, 0.01, 95], [0.88, 0.14, 92], [0.6, 0.16, 255]),
    chord('Litmus', [0.92, 0.04, 200], [0.22, 0.05, 260], [0.5, 0.19, 10], [0.72, 0.11, 200]),
    chord('Neuron', [0.66, 0.16, 28], [0.99, 0.01, 90], [0.18, 0.03, 280], [0.95, 0.03, 85]),
    chord('Chlorophyll', [0.42, 0.1, 150], [0.99, 0.015, 110], [0.92, 0.13, 105], [0.9, 0.09, 130]),
  ],
  grades: ['plain', 'toned', 'vivid', 'mono'],
  symbols: ['atom', 'dna', 'brain', 'planet', 'flask'],
  structures: {
    serve: named(
      'symbol-echo symbol-sliced symbol-growing symbol-odd-one symbol-in-symbol symbol-behind symbol-broken symbol-great',
      'symbol-in-disc symbol-cropped symbol-on-field symbol-three picture-below round-window',
      'drawn-waves figure-at-foot print stacked picture-above',
    ),
    never: named(
      'symbol-borders symbol-pattern small-centred two-grounds inverted-plate symbol-corners symbol-wreath symbol-seal ornamental-frame paper-slip label torn-strip',
      'arch-window great-number',
    ),
  },
};
