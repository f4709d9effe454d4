import { type GenreRule, chord, named } from './rule';

export const romance: GenreRule = {
  why: 'Warm light, blush, wine or evening blue; letters with curves, a script where the title is short. It promises that it ends well.',
  faces: {
    serve: named(
      'playfair-display great-vibes pinyon-script yeseva-one fraunces prata dm-serif-display',
      'abril-fatface lora gilda-display caveat',
    ),
    never: named(
      'courier-prime archivo archivo-narrow league-gothic anton bebas-neue oswald work-sans',
      'uncial-antiqua im-fell-english noto-serif alfa-slab-one',
    ),
  },
  caps: false,
  byline: 1.25,
  moods: ['tender', 'warm', 'bright'],
  chords: [
    chord('Peony', [0.9, 0.045, 10], [0.36, 0.12, 5], [0.52, 0.16, 15], [0.8, 0.09, 15]),
    chord('Champagne', [0.95, 0.022, 75], [0.36, 0.07, 20], [0.56, 0.11, 60], [0.87, 0.045, 65]),
    chord('Wine', [0.31, 0.1, 12], [0.97, 0.02, 60], [0.86, 0.08, 70], [0.43, 0.12, 12]),
    chord('Evening blue', [0.34, 0.075, 270], [0.97, 0.014, 60], [0.86, 0.075, 45], [0.46, 0.09, 275]),
    chord('Apricot', [0.86, 0.085, 55], [0.3, 0.08, 350], [0.47, 0.15, 15], [0.94, 0.04, 70]),
    chord('Summer pink', [0.72, 0.13, 5], [0.99, 0.01, 60], [0.28, 0.08, 350], [0.95, 0.03, 40]),
    chord('Seafoam', [0.88, 0.05, 185], [0.3, 0.07, 350], [0.5, 0.15, 10], [0.94, 0.03, 60]),
    chord('Lavender field', [0.82, 0.065, 305], [0.28, 0.1, 300], [0.48, 0.14, 350], [0.92, 0.03, 310]),
  ],
  grades: ['rose', 'golden', 'vivid', 'dusk', 'plain'],
  symbols: ['heart', 'flower', 'paper-plane-tilt', 'champagne', 'moon-stars'],
  structures: {
    serve: named(
      'symbol-wreath symbol-in-symbol symbol-corners symbol-title-inside symbol-great',
      'symbol-falling symbol-in-disc symbol-pattern quiet-end arch-window soft-ground',
      'figure-at-foot picture-below brush-stroke hills ornamental-frame disc label-on-pattern veil',
    ),
    never: named(
      'symbol-broken symbol-sliced symbol-odd-one symbol-long-shadow symbol-growing symbol-three',
      'symbol-on-field type-grid torn-strip three-strips halves side-strip paper-slip turned-title',
      'great-initial mosaic two-grounds',
    ),
  },
};
