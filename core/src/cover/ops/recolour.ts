import type { Edit } from '../../base';
import type { Hex } from '../../colour';
import type { Doc } from '../document';

/** Changes one colour everywhere it is used, in one step. */
export function recolour(from: Hex, to: Hex): Edit<Doc> {
  return (doc) => {
    for (const part of Object.values(doc.parts)) {
      switch (part.kind) {
        case 'words':
          if (part.colour === from) part.colour = to;
          if (part.minor?.colour === from) part.minor.colour = to;
          break;
        case 'shape':
        case 'scrim':
          if (part.colour === from) part.colour = to;
          break;
        case 'ground':
          if (part.paint.kind === 'flat') {
            if (part.paint.colour === from) part.paint.colour = to;
          } else {
            const { colours } = part.paint;
            colours.forEach((colour, i) => {
              if (colour === from) colours[i] = to;
            });
          }
          break;
        case 'picture':
          break;
      }
    }
  };
}

/** Colours in use, each once, words first. */
export function coloursOf(doc: Doc): Hex[] {
  const found = Object.values(doc.parts).flatMap((part): Hex[] => {
    switch (part.kind) {
      case 'words':
        return part.minor ? [part.colour, part.minor.colour] : [part.colour];
      case 'shape':
      case 'scrim':
        return [part.colour];
      case 'ground':
        return part.paint.kind === 'flat' ? [part.paint.colour] : part.paint.colours;
      case 'picture':
        return [];
    }
  });
  return [...new Set(found)];
}
