import { type GenreRule, chord, named } from './rule';

export const crime: GenreRule = {
  why: 'Quieter than a thriller: a place, muted and cold, and firm capitals; something is wrong in an ordinary landscape.',
  faces: {
    serve: named(
      'oswald archivo-narrow league-gothic work-sans libre-baskerville courier-prime spectral',
      'bebas-neue',
    ),
    never: named(
      'great-vibes pinyon-script caveat kalam amatic-sc yeseva-one poiret-one limelight uncial-antiqua',
      'gilda-display fraunces alfa-slab-one forum marcellus',
    ),
  },
  caps: null,
  byline: 1.35,
  moods: ['grave', 'dark', 'calm'],
  chords: [
    chord('Peat', [0.24, 0.02, 80], [0.94, 0.02, 85], [0.72, 0.14, 60], [0.36, 0.035, 75]),
    chord('Wet slate', [0.34, 0.022, 240], [0.96, 0.006, 230], [0.85, 0.13, 90], [0.22, 0.02, 245]),
    chord('Case file', [0.88, 0.03, 85], [0.2, 0.015, 60], [0.5, 0.17, 30], [0.3, 0.03, 60]),
    chord('Harbour fog', [0.78, 0.018, 220], [0.2, 0.03, 240], [0.45, 0.15, 28], [0.5, 0.035, 225]),
    chord('Bottle green', [0.27, 0.045, 165], [0.94, 0.02, 110], [0.8, 0.12, 80], [0.18, 0.03, 170]),
    chord('Rust and snow', [0.94, 0.006, 240], [0.22, 0.02, 250], [0.48, 0.14, 38], [0.44, 0.13, 38]),
    chord('Cellar', [0.18, 0.012, 60], [0.92, 0.02, 80], [0.66, 0.16, 42], [0.29, 0.025, 55]),
  ],
  grades: ['cool', 'noir', 'aged', 'night', 'mono'],
  symbols: ['footprints', 'keyhole', 'detective', 'knife', 'house', 'eyes'],
  structures: {
    serve: named(
      'symbol-odd-one symbol-long-shadow symbol-broken symbol-in-symbol symbol-alone symbol-great',
      'symbol-horizon symbol-on-field symbol-cropped quiet-end picture-above picture-below',
      'torn-strip band print third-block paper-slip type-grid veil',
    ),
    never: named(
      'soft-ground symbol-wreath symbol-corners symbol-growing symbol-pattern symbol-borders symbol-falling',
      'rays label-on-pattern brush-stroke ornamental-frame round-window arch-window',
    ),
  },
};
