import { type GenreRule, chord, named } from './rule';

export const scienceFiction: GenreRule = {
  why: 'Even, engineered capitals with air, set in much dark or much white; one light source. Scale is what it promises.',
  faces: {
    serve: named('jost montserrat archivo oswald bebas-neue josefin-sans work-sans archivo-narrow poiret-one'),
    never: named(
      'great-vibes pinyon-script caveat kalam amatic-sc fraunces yeseva-one im-fell-english',
      'uncial-antiqua limelight lora playfair-display cormorant-garamond alfa-slab-one',
      'libre-baskerville abril-fatface eb-garamond crimson-pro gilda-display',
    ),
  },
  caps: true,
  byline: 1.25,
  moods: ['dark', 'bold', 'calm'],
  chords: [
    chord('Far side', [0.14, 0.015, 265], [0.95, 0.01, 250], [0.72, 0.16, 40], [0.27, 0.05, 265]),
    chord('Ion', [0.18, 0.05, 265], [0.96, 0.015, 220], [0.84, 0.12, 200], [0.33, 0.1, 265]),
    chord('Red planet', [0.5, 0.14, 38], [0.98, 0.015, 70], [0.92, 0.07, 80], [0.3, 0.09, 32]),
    chord('Clean room', [0.95, 0.006, 240], [0.2, 0.03, 260], [0.55, 0.19, 35], [0.82, 0.02, 235]),
    chord('Reactor', [0.2, 0.03, 190], [0.94, 0.02, 180], [0.86, 0.17, 150], [0.32, 0.055, 195]),
    chord('Nebula', [0.22, 0.09, 300], [0.96, 0.02, 310], [0.82, 0.13, 350], [0.36, 0.13, 290]),
    chord('Solar', [0.78, 0.155, 72], [0.18, 0.02, 280], [0.99, 0.01, 90], [0.2, 0.03, 280]),
  ],
  grades: ['cool', 'night', 'toned', 'vivid', 'plain'],
  symbols: ['planet', 'rocket-launch', 'meteor', 'atom', 'globe-hemisphere-west'],
  structures: {
    serve: named(
      'symbol-sliced symbol-echo symbol-behind symbol-long-shadow symbol-in-disc symbol-great',
      'symbol-horizon symbol-cropped quiet-end night-sky disc poster print type-grid veil',
      'round-window drawn-waves',
    ),
    never: named(
      'two-grounds small-centred symbol-wreath symbol-corners symbol-growing symbol-pattern symbol-borders symbol-falling',
      'ornamental-frame label-on-pattern paper-slip brush-stroke arch-window label torn-strip rays',
    ),
  },
};
