import { type GenreRule, chord, named } from './rule';

export const spirituality: GenreRule = {
  why: 'Light, stillness and symmetry; soft natural colours, slender even letters with air about them.',
  faces: {
    serve: named(
      'cormorant-garamond marcellus forum gilda-display josefin-sans prata eb-garamond playfair-display',
      'poiret-one',
    ),
    never: named(
      'anton league-gothic bebas-neue alfa-slab-one archivo archivo-narrow courier-prime oswald',
      'uncial-antiqua kalam limelight abril-fatface',
    ),
  },
  caps: null,
  byline: 1,
  moods: ['calm', 'tender', 'warm'],
  chords: [
    chord('First light', [0.94, 0.03, 75], [0.34, 0.05, 40], [0.55, 0.1, 55], [0.86, 0.06, 65]),
    chord('Still lake', [0.84, 0.035, 215], [0.27, 0.05, 235], [0.45, 0.08, 220], [0.94, 0.015, 200]),
    chord('Lotus', [0.91, 0.03, 355], [0.33, 0.06, 330], [0.52, 0.1, 350], [0.82, 0.05, 345]),
    chord('Sage', [0.85, 0.04, 145], [0.28, 0.04, 160], [0.43, 0.075, 150], [0.94, 0.02, 120]),
    chord('Incense', [0.35, 0.05, 300], [0.96, 0.02, 80], [0.87, 0.08, 75], [0.47, 0.06, 305]),
    chord('Candle', [0.3, 0.045, 60], [0.96, 0.03, 85], [0.86, 0.1, 78], [0.42, 0.065, 60]),
  ],
  grades: ['golden', 'bleached', 'rose', 'plain', 'cool'],
  symbols: ['flower-lotus', 'sun-horizon', 'moon', 'feather', 'leaf'],
  structures: {
    serve: named(
      'symbol-echo symbol-wreath symbol-alone symbol-corners symbol-seal symbol-in-disc',
      'symbol-great symbol-falling quiet-end arch-window round-window soft-ground disc',
      'small-centred drawn-waves hills wide-margins ornamental-frame',
    ),
    never: named(
      'symbol-broken symbol-sliced symbol-odd-one symbol-long-shadow symbol-three symbol-on-field',
      'stacked poster type-grid torn-strip third-block stripes two-grounds band side-strip',
    ),
  },
};
