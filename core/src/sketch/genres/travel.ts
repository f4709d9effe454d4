import { type GenreRule, chord, named } from './rule';

export const travel: GenreRule = {
  why: 'A place that one wants to be in, and a clear label that could be a sign, a stamp or a ticket.',
  faces: {
    serve: named(
      'jost montserrat josefin-sans dm-serif-display playfair-display oswald work-sans abril-fatface',
      'bebas-neue league-gothic',
    ),
    never: named('great-vibes uncial-antiqua im-fell-english courier-prime cinzel noto-serif limelight'),
  },
  caps: null,
  byline: 1,
  moods: ['bright', 'warm', 'calm'],
  chords: [
    chord('Map water', [0.86, 0.055, 215], [0.24, 0.06, 250], [0.5, 0.17, 32], [0.96, 0.03, 90]),
    chord('Desert road', [0.78, 0.1, 68], [0.22, 0.05, 40], [0.4, 0.12, 250], [0.92, 0.05, 82]),
    chord('Night bus', [0.29, 0.065, 260], [0.97, 0.015, 90], [0.86, 0.13, 82], [0.42, 0.08, 255]),
    chord('Alpine', [0.96, 0.008, 230], [0.24, 0.05, 250], [0.5, 0.18, 28], [0.62, 0.09, 235]),
    chord('Palm', [0.42, 0.085, 165], [0.98, 0.02, 95], [0.9, 0.12, 90], [0.93, 0.04, 95]),
    chord('Tile red', [0.56, 0.15, 36], [0.99, 0.015, 85], [0.94, 0.08, 90], [0.3, 0.06, 240]),
  ],
  grades: ['vivid', 'plain', 'golden', 'bleached'],
  symbols: ['compass-rose', 'airplane-tilt', 'suitcase', 'map-trifold', 'mountains'],
  structures: {
    serve: named(
      'symbol-title-inside symbol-behind symbol-wreath symbol-great symbol-in-disc symbol-pattern',
      'symbol-three symbol-borders quiet-end band picture-above label picture-below three-strips',
      'mosaic hills third-block print',
    ),
    never: named('symbol-broken symbol-sliced great-initial paper-slip ornamental-frame'),
  },
};
