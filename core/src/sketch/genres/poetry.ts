import { type GenreRule, chord, named } from './rule';

export const poetry: GenreRule = {
  why: 'Little, placed with care, and quiet: book faces, much ground, one gesture.',
  faces: {
    serve: named(
      'cormorant-garamond eb-garamond playfair-display spectral fraunces gilda-display jost bodoni-moda',
      'marcellus prata',
    ),
    never: named(
      'anton league-gothic bebas-neue alfa-slab-one archivo archivo-narrow limelight uncial-antiqua',
      'noto-serif kalam',
    ),
  },
  caps: null,
  byline: 1,
  moods: ['calm', 'tender', 'grave'],
  chords: [
    chord('Eggshell', [0.94, 0.014, 95], [0.28, 0.03, 250], [0.5, 0.09, 230], [0.82, 0.035, 220]),
    chord('Rain glass', [0.8, 0.03, 225], [0.23, 0.045, 250], [0.4, 0.08, 245], [0.91, 0.015, 220]),
    chord('Fig', [0.32, 0.06, 340], [0.95, 0.02, 60], [0.85, 0.06, 60], [0.43, 0.07, 345]),
    chord('Lichen', [0.79, 0.05, 125], [0.25, 0.04, 150], [0.4, 0.08, 145], [0.9, 0.025, 115]),
    chord('Dusk wall', [0.66, 0.075, 35], [0.19, 0.04, 20], [0.97, 0.02, 80], [0.86, 0.045, 60]),
    chord('Deep blue', [0.31, 0.07, 255], [0.96, 0.012, 90], [0.87, 0.06, 90], [0.42, 0.075, 250]),
  ],
  grades: ['plain', 'bleached', 'mono', 'toned', 'cool'],
  symbols: ['feather', 'leaf', 'bird', 'moon', 'waves'],
  structures: {
    serve: named(
      'symbol-alone symbol-wreath symbol-long-shadow symbol-broken symbol-corners symbol-seal',
      'symbol-falling symbol-horizon symbol-cropped symbol-mirrored wide-margins small-centred mat',
      'quiet-end soft-ground drawn-waves disc great-initial arch-window',
    ),
    never: named(
      'stacked label-on-pattern night-sky symbol-growing symbol-three symbol-borders rays mosaic band poster third-block stripes',
      'type-grid',
    ),
  },
};
