import { type GenreRule, chord, named } from './rule';

export const pictureBook: GenreRule = {
  why: 'Round heavy letters that a child can follow with a finger, sweet light colours, one friendly picture with room about it. Nothing thin, nothing dark.',
  faces: {
    serve: ['fraunces', 'yeseva-one', 'kalam', 'alfa-slab-one', 'montserrat', 'caveat', 'jost'],
    never: named(
      'cormorant-garamond poiret-one bodoni-moda courier-prime great-vibes pinyon-script cinzel forum',
      'marcellus prata gilda-display work-sans archivo archivo-narrow libre-baskerville noto-serif',
      'oswald eb-garamond crimson-pro spectral league-gothic anton bebas-neue josefin-sans',
      'im-fell-english uncial-antiqua limelight lora amatic-sc playfair-display dm-serif-display',
      'abril-fatface',
    ),
  },
  caps: false,
  byline: 1,
  moods: ['playful', 'bright', 'tender'],
  chords: [
    chord('Butter', [0.95, 0.075, 95], [0.3, 0.1, 275], [0.53, 0.19, 28], [0.8, 0.1, 215]),
    chord('Puddle', [0.83, 0.075, 225], [0.26, 0.09, 270], [0.48, 0.19, 25], [0.97, 0.06, 97]),
    chord('Strawberry', [0.87, 0.075, 12], [0.31, 0.11, 350], [0.5, 0.19, 20], [0.97, 0.03, 90]),
    chord('Pistachio', [0.89, 0.08, 140], [0.25, 0.07, 250], [0.5, 0.19, 30], [0.7, 0.1, 235]),
    chord('Sunny side', [0.97, 0.02, 95], [0.28, 0.09, 270], [0.53, 0.2, 30], [0.9, 0.14, 93]),
    chord('Tangerine', [0.8, 0.14, 65], [0.26, 0.09, 290], [0.38, 0.14, 340], [0.97, 0.05, 90]),
    chord('Cherry', [0.47, 0.18, 26], [0.99, 0.02, 95], [0.97, 0.11, 98], [0.86, 0.08, 215]),
    chord('Bedtime', [0.47, 0.12, 265], [0.99, 0.02, 95], [0.94, 0.13, 96], [0.75, 0.09, 235]),
  ],
  grades: ['vivid', 'plain', 'golden'],
  symbols: ['balloon', 'moon-stars', 'rabbit', 'bird', 'rainbow', 'house'],
  structures: {
    serve: named(
      'symbol-title-inside symbol-behind symbol-echo symbol-wreath symbol-great symbol-pattern',
      'symbol-in-disc symbol-falling symbol-horizon figure-at-foot quiet-end round-window hills',
      'picture-below disc brush-stroke stacked picture-above',
    ),
    never: named(
      'drawn-waves stripes label-on-pattern symbol-long-shadow rays symbol-on-field symbol-alone symbol-sliced symbol-broken symbol-corners symbol-seal symbol-three',
      'symbol-mirrored small-centred type-grid two-grounds wide-margins mat paper-slip halves',
      'three-strips veil turned-title torn-strip great-initial soft-ground side-strip poster print',
      'ornamental-frame great-number label night-sky inverted-plate third-block mosaic band plate',
    ),
  },
};
