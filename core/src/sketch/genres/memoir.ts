import { type GenreRule, chord, named } from './rule';

export const memoir: GenreRule = {
  why: 'One person and one photograph: honest, a little faded, set in book faces or a hand; the name matters as much as the title.',
  faces: {
    serve: named(
      'libre-baskerville eb-garamond playfair-display lora dm-serif-display caveat crimson-pro fraunces',
      'courier-prime spectral',
    ),
    never: named(
      'anton alfa-slab-one limelight uncial-antiqua cinzel league-gothic great-vibes kalam poiret-one',
      'archivo',
    ),
  },
  caps: null,
  byline: 1.3,
  moods: ['warm', 'calm', 'tender'],
  chords: [
    chord('Album page', [0.9, 0.03, 80], [0.28, 0.035, 50], [0.46, 0.11, 40], [0.76, 0.055, 70]),
    chord('Faded blue', [0.74, 0.045, 235], [0.18, 0.03, 250], [0.98, 0.02, 85], [0.9, 0.02, 220]),
    chord('Kitchen wall', [0.85, 0.06, 95], [0.26, 0.04, 60], [0.44, 0.12, 35], [0.94, 0.025, 90]),
    chord('Garden gate', [0.44, 0.06, 150], [0.97, 0.02, 95], [0.9, 0.08, 90], [0.87, 0.04, 110]),
    chord('Brick', [0.5, 0.11, 36], [0.98, 0.02, 80], [0.93, 0.07, 85], [0.92, 0.03, 80]),
    chord('Evening street', [0.33, 0.045, 265], [0.96, 0.02, 80], [0.85, 0.1, 75], [0.45, 0.05, 260]),
  ],
  grades: ['aged', 'plain', 'bleached', 'mono', 'golden'],
  symbols: ['house', 'bicycle', 'key', 'chair', 'bird', 'suitcase'],
  structures: {
    serve: named(
      'symbol-alone symbol-broken symbol-long-shadow symbol-growing symbol-great symbol-seal',
      'symbol-horizon symbol-cropped quiet-end picture-above picture-below mat plate wide-margins',
      'paper-slip halves',
    ),
    never: named('symbol-sliced symbol-mirrored rays stripes night-sky poster torn-strip drawn-waves'),
  },
};
