import { type GenreRule, chord, named } from './rule';

export const gardenCraft: GenreRule = {
  why: 'The finished thing in daylight, a friendly serif or a hand, leaf, clay and cream: one wants to begin.',
  faces: {
    serve: named(
      'fraunces dm-serif-display yeseva-one lora libre-baskerville abril-fatface caveat amatic-sc jost',
      'playfair-display crimson-pro',
    ),
    never: named(
      'league-gothic anton bebas-neue oswald cinzel uncial-antiqua courier-prime limelight',
      'archivo-narrow bodoni-moda poiret-one great-vibes',
    ),
  },
  caps: null,
  byline: 1,
  moods: ['warm', 'bright', 'calm'],
  chords: [
    chord('Leaf and cream', [0.95, 0.028, 100], [0.28, 0.06, 150], [0.45, 0.11, 140], [0.72, 0.1, 135]),
    chord('Fern', [0.4, 0.08, 150], [0.98, 0.025, 100], [0.92, 0.11, 98], [0.3, 0.065, 155]),
    chord('Clay pot', [0.62, 0.115, 45], [0.99, 0.02, 85], [0.26, 0.05, 40], [0.94, 0.035, 85]),
    chord('Linen and moss', [0.9, 0.03, 95], [0.29, 0.05, 125], [0.46, 0.1, 55], [0.62, 0.08, 120]),
    chord('Sweet pea', [0.92, 0.035, 350], [0.3, 0.07, 340], [0.44, 0.1, 145], [0.82, 0.07, 350]),
    chord('Blue shed', [0.58, 0.07, 230], [0.99, 0.015, 90], [0.95, 0.09, 95], [0.93, 0.03, 95]),
  ],
  grades: ['plain', 'vivid', 'golden'],
  symbols: ['leaf', 'flower-tulip', 'potted-plant', 'sun', 'yarn'],
  structures: {
    serve: named(
      'symbol-wreath symbol-growing symbol-behind symbol-corners symbol-pattern symbol-borders',
      'symbol-great symbol-falling symbol-in-disc plate picture-above picture-below band quiet-end',
      'round-window arch-window mosaic third-block figure-at-foot label-on-pattern',
    ),
    never: named(
      'symbol-broken symbol-sliced symbol-long-shadow symbol-alone symbol-mirrored veil torn-strip',
      'poster great-initial night-sky side-strip turned-title paper-slip two-grounds',
    ),
  },
};
