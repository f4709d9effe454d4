import { type GenreRule, chord, named } from './rule';

export const thriller: GenreRule = {
  why: 'Tall heavy capitals across the whole cover, one hot colour in the cold and dark: danger, told in a second. The author is the brand and stands large.',
  faces: {
    serve: ['league-gothic', 'anton', 'bebas-neue', 'oswald', 'archivo', 'archivo-narrow'],
    never: named(
      'great-vibes pinyon-script caveat kalam amatic-sc fraunces yeseva-one poiret-one limelight',
      'uncial-antiqua lora gilda-display cormorant-garamond forum marcellus abril-fatface alfa-slab-one',
      'prata courier-prime im-fell-english',
    ),
  },
  caps: true,
  byline: 1.6,
  moods: ['dark', 'bold', 'grave'],
  chords: [
    chord('Warning light', [0.16, 0.012, 255], [0.97, 0.004, 250], [0.64, 0.22, 28], [0.5, 0.2, 28]),
    chord('Cold steel', [0.2, 0.03, 245], [0.95, 0.012, 235], [0.82, 0.14, 88], [0.33, 0.05, 240]),
    chord('Red on black', [0.13, 0.006, 20], [0.95, 0.008, 80], [0.6, 0.23, 27], [0.27, 0.03, 20]),
    chord('Sodium lamp', [0.17, 0.02, 270], [0.9, 0.16, 92], [0.96, 0.02, 95], [0.3, 0.04, 265]),
    chord('Blood orange', [0.56, 0.21, 30], [0.99, 0.004, 90], [0.14, 0.01, 30], [0.15, 0.012, 30]),
    chord('Night train', [0.22, 0.05, 225], [0.97, 0.008, 220], [0.75, 0.15, 55], [0.14, 0.03, 230]),
    chord('White alarm', [0.95, 0.003, 250], [0.15, 0.01, 260], [0.55, 0.22, 27], [0.57, 0.22, 27]),
    chord('Poison green', [0.15, 0.02, 170], [0.96, 0.01, 160], [0.84, 0.19, 140], [0.28, 0.05, 165]),
  ],
  grades: ['night', 'noir', 'cool', 'toned', 'dusk'],
  symbols: ['skull', 'eyes', 'key', 'road-horizon', 'knife', 'footprints'],
  structures: {
    serve: named(
      'symbol-broken symbol-in-symbol symbol-odd-one symbol-sliced symbol-long-shadow symbol-alone symbol-great symbol-on-field',
      'symbol-cropped poster stacked quiet-end turned-title torn-strip veil print side-strip',
    ),
    never: named(
      'soft-ground stripes paper-slip night-sky great-initial disc two-grounds symbol-wreath symbol-corners symbol-growing symbol-pattern symbol-borders symbol-falling',
      'symbol-three arch-window round-window label-on-pattern ornamental-frame brush-stroke hills',
      'wide-margins mat rays drawn-waves mosaic label small-centred',
    ),
  },
};
