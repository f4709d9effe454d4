import { type GenreRule, chord, named } from './rule';

export const selfHelp: GenreRule = {
  why: 'A promise in large plain letters on one flat cheerful colour; the subtitle says how. No picture is needed.',
  faces: {
    serve: named(
      'montserrat jost work-sans archivo dm-serif-display fraunces bebas-neue libre-baskerville',
      'abril-fatface',
    ),
    never: named(
      'uncial-antiqua im-fell-english courier-prime cinzel limelight great-vibes pinyon-script',
      'poiret-one forum marcellus cormorant-garamond league-gothic',
    ),
  },
  caps: false,
  byline: 1.1,
  moods: ['bright', 'bold', 'warm'],
  chords: [
    chord('Sunrise', [0.87, 0.15, 88], [0.2, 0.03, 270], [0.48, 0.18, 30], [0.98, 0.02, 95]),
    chord('Fresh start', [0.97, 0.012, 150], [0.22, 0.04, 200], [0.5, 0.13, 160], [0.82, 0.12, 155]),
    chord('Clear sky', [0.65, 0.13, 240], [0.99, 0.01, 230], [0.97, 0.1, 98], [0.95, 0.02, 95]),
    chord('Coral', [0.7, 0.165, 28], [0.99, 0.01, 80], [0.22, 0.05, 280], [0.96, 0.04, 80]),
    chord('Calm teal', [0.52, 0.09, 190], [0.99, 0.012, 180], [0.94, 0.11, 95], [0.93, 0.03, 180]),
    chord('White and orange', [0.98, 0.004, 90], [0.2, 0.015, 270], [0.62, 0.19, 45], [0.75, 0.165, 58]),
  ],
  grades: ['plain', 'bleached', 'vivid', 'golden'],
  symbols: ['sun-horizon', 'ladder', 'rocket-launch', 'star', 'mountains'],
  structures: {
    serve: named(
      'symbol-growing symbol-echo symbol-odd-one symbol-behind symbol-title-inside symbol-great',
      'symbol-in-disc symbol-cropped symbol-on-field symbol-three stacked third-block picture-below',
      'disc stripes rays type-grid round-window band',
    ),
    never: named(
      'small-centred symbol-borders inverted-plate symbol-corners symbol-sliced torn-strip night-sky ornamental-frame paper-slip label veil',
      'great-number',
    ),
  },
};
