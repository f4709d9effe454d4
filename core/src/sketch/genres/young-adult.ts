import { type GenreRule, chord, named } from './rule';

export const youngAdult: GenreRule = {
  why: 'Large type that takes the cover, saturated colour against dark, a single strong sign or figure; as loud as its reader feels.',
  faces: {
    serve: named(
      'bebas-neue oswald montserrat playfair-display abril-fatface league-gothic cinzel fraunces',
      'josefin-sans dm-serif-display anton',
    ),
    never: named(
      'courier-prime libre-baskerville noto-serif crimson-pro great-vibes limelight gilda-display forum',
      'im-fell-english',
    ),
  },
  caps: null,
  byline: 1.2,
  moods: ['bold', 'dark', 'bright'],
  chords: [
    chord('Neon dusk', [0.22, 0.09, 300], [0.97, 0.02, 320], [0.75, 0.2, 350], [0.38, 0.15, 300]),
    chord('Electric', [0.38, 0.18, 270], [0.98, 0.01, 260], [0.9, 0.17, 105], [0.24, 0.12, 275]),
    chord('Hot coral', [0.68, 0.18, 25], [0.99, 0.01, 60], [0.22, 0.07, 300], [0.24, 0.08, 300]),
    chord('Acid and ink', [0.88, 0.19, 115], [0.17, 0.04, 290], [0.45, 0.2, 330], [0.2, 0.05, 290]),
    chord('Midnight rose', [0.19, 0.04, 285], [0.95, 0.02, 20], [0.74, 0.16, 8], [0.33, 0.09, 350]),
    chord('Turquoise', [0.7, 0.12, 195], [0.16, 0.04, 280], [0.99, 0.01, 100], [0.95, 0.1, 100]),
    chord('Sunset tape', [0.76, 0.16, 62], [0.2, 0.08, 320], [0.42, 0.19, 350], [0.9, 0.12, 90]),
  ],
  grades: ['vivid', 'toned', 'dusk', 'night', 'plain'],
  symbols: ['lightning', 'star-four', 'flame', 'moon-stars', 'heart'],
  structures: {
    serve: named(
      'symbol-echo symbol-broken symbol-behind symbol-title-inside symbol-great symbol-cropped',
      'symbol-mirrored symbol-in-disc symbol-falling poster stacked quiet-end disc night-sky print',
      'through-letters turned-title brush-stroke stripes',
    ),
    never: named(
      'symbol-corners symbol-alone symbol-three mat wide-margins type-grid paper-slip small-centred',
      'mosaic',
    ),
  },
};
