import { type GenreRule, chord, named } from './rule';

export const horror: GenreRule = {
  why: 'Nearly black, one sick or bloody colour, letters that are old, worn or too tall; what one cannot see is the picture.',
  faces: {
    serve: named('im-fell-english league-gothic bodoni-moda uncial-antiqua spectral courier-prime cinzel anton'),
    never: named(
      'great-vibes pinyon-script caveat kalam amatic-sc fraunces yeseva-one montserrat jost work-sans',
      'lora josefin-sans limelight alfa-slab-one gilda-display poiret-one',
    ),
  },
  caps: null,
  byline: 1.25,
  moods: ['dark', 'grave'],
  chords: [
    chord('No light', [0.11, 0.006, 40], [0.9, 0.012, 80], [0.57, 0.21, 27], [0.22, 0.02, 30]),
    chord('Dried blood', [0.26, 0.09, 25], [0.93, 0.02, 75], [0.79, 0.05, 75], [0.14, 0.03, 25]),
    chord('Mould', [0.18, 0.025, 140], [0.91, 0.03, 110], [0.78, 0.13, 125], [0.29, 0.045, 135]),
    chord('Bone', [0.87, 0.025, 85], [0.16, 0.012, 40], [0.42, 0.16, 26], [0.2, 0.015, 40]),
    chord('Moonless', [0.15, 0.02, 260], [0.88, 0.015, 240], [0.7, 0.03, 230], [0.25, 0.03, 255]),
    chord('Bile', [0.76, 0.13, 105], [0.13, 0.015, 120], [0.34, 0.12, 28], [0.16, 0.02, 110]),
    chord('Open wound', [0.47, 0.19, 26], [0.97, 0.01, 60], [0.12, 0.01, 20], [0.12, 0.015, 20]),
  ],
  grades: ['sickly', 'noir', 'night', 'toned'],
  symbols: ['skull', 'eyes', 'ghost', 'door-open', 'moon', 'tree'],
  structures: {
    serve: named(
      'symbol-broken symbol-long-shadow symbol-title-inside symbol-in-symbol symbol-alone',
      'symbol-great symbol-mirrored symbol-cropped symbol-horizon quiet-end veil poster torn-strip',
      'print small-centred great-initial soft-ground stacked',
    ),
    never: named(
      'symbol-growing symbol-corners symbol-pattern symbol-borders symbol-falling symbol-three rays',
      'stripes label-on-pattern round-window brush-stroke mosaic drawn-waves hills third-block',
      'wide-margins picture-below',
    ),
  },
};
