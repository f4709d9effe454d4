import { type GenreRule, chord, named } from './rule';

export const literary: GenreRule = {
  why: 'One confident colour or one odd picture, book faces set plainly, much left out: it trusts its reader.',
  faces: {
    serve: named(
      'eb-garamond cormorant-garamond spectral bodoni-moda fraunces playfair-display libre-baskerville',
      'jost dm-serif-display prata',
    ),
    never: named('great-vibes uncial-antiqua amatic-sc limelight alfa-slab-one anton kalam cinzel archivo'),
  },
  caps: null,
  byline: 1.15,
  moods: ['calm', 'grave', 'tender', 'bold'],
  chords: [
    chord('Chalk and ink', [0.95, 0.01, 90], [0.2, 0.02, 265], [0.5, 0.16, 30], [0.84, 0.04, 85]),
    chord('Ochre', [0.74, 0.12, 78], [0.19, 0.03, 60], [0.97, 0.02, 90], [0.88, 0.07, 85]),
    chord('Teal room', [0.42, 0.07, 200], [0.97, 0.015, 90], [0.88, 0.1, 85], [0.32, 0.06, 205]),
    chord('Terracotta', [0.62, 0.13, 42], [0.98, 0.015, 80], [0.24, 0.05, 30], [0.93, 0.03, 75]),
    chord('Pale blue', [0.85, 0.045, 235], [0.24, 0.06, 265], [0.5, 0.17, 30], [0.95, 0.015, 90]),
    chord('Olive', [0.5, 0.07, 115], [0.97, 0.02, 95], [0.9, 0.1, 95], [0.36, 0.055, 120]),
    chord('Plum', [0.33, 0.08, 345], [0.96, 0.02, 60], [0.86, 0.08, 60], [0.45, 0.1, 345]),
    chord('Vermilion', [0.6, 0.2, 33], [0.99, 0.008, 90], [0.17, 0.02, 30], [0.94, 0.02, 85]),
  ],
  grades: ['plain', 'toned', 'mono', 'bleached', 'cool', 'aged'],
  symbols: ['bird', 'door-open', 'feather', 'chair', 'key', 'leaf'],
  structures: {
    serve: named(
      'symbol-alone symbol-in-symbol symbol-broken symbol-odd-one symbol-echo symbol-great',
      'symbol-cropped symbol-mirrored symbol-horizon symbol-on-field symbol-falling quiet-end',
      'wide-margins mat small-centred picture-below halves print',
      'inverted-plate',
    ),
    never: named(
      'paper-slip hills two-grounds night-sky stripes stacked symbol-growing symbol-borders symbol-three rays mosaic band third-block',
    ),
  },
};
