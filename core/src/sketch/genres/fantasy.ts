import { type GenreRule, chord, named } from './rule';

export const fantasy: GenreRule = {
  why: 'Carved or old letters, gold on deep colours, a world behind them with light in it: far away, long ago, and large.',
  faces: {
    serve: named('cinzel marcellus forum im-fell-english uncial-antiqua cormorant-garamond bodoni-moda spectral'),
    never: named(
      'work-sans archivo archivo-narrow montserrat jost bebas-neue oswald courier-prime caveat kalam',
      'amatic-sc alfa-slab-one noto-serif great-vibes limelight anton',
    ),
  },
  caps: null,
  byline: 1.2,
  moods: ['dark', 'grave', 'warm'],
  chords: [
    chord('Dragon gold', [0.19, 0.03, 60], [0.88, 0.1, 85], [0.72, 0.14, 65], [0.31, 0.06, 45]),
    chord('Deep forest', [0.22, 0.05, 160], [0.92, 0.06, 95], [0.82, 0.12, 90], [0.33, 0.065, 160]),
    chord('Starlight', [0.2, 0.06, 280], [0.94, 0.03, 250], [0.84, 0.1, 90], [0.32, 0.09, 285]),
    chord('Glacier', [0.28, 0.06, 235], [0.96, 0.02, 220], [0.85, 0.08, 200], [0.4, 0.075, 230]),
    chord('Embers', [0.2, 0.05, 25], [0.93, 0.05, 80], [0.75, 0.16, 50], [0.36, 0.12, 28]),
    chord('Old map', [0.86, 0.05, 82], [0.27, 0.05, 45], [0.45, 0.12, 35], [0.73, 0.07, 75]),
    chord('Amethyst', [0.25, 0.09, 310], [0.94, 0.03, 80], [0.84, 0.11, 85], [0.37, 0.11, 310]),
  ],
  grades: ['dusk', 'golden', 'night', 'plain', 'toned', 'vivid'],
  symbols: ['sword', 'crown', 'castle-turret', 'star-four', 'flame', 'feather'],
  structures: {
    serve: named(
      'symbol-corners symbol-in-symbol symbol-long-shadow symbol-behind symbol-seal symbol-great',
      'symbol-mirrored symbol-in-disc quiet-end ornamental-frame arch-window mat night-sky hills',
      'veil figure-at-foot soft-ground inverted-plate',
    ),
    never: named(
      'symbol-sliced symbol-growing symbol-odd-one symbol-three symbol-borders symbol-pattern',
      'type-grid stacked three-strips halves mosaic paper-slip stripes third-block side-strip',
      'turned-title poster two-grounds rays',
    ),
  },
};
