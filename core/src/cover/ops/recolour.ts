import type { Edit } from '../../base';
import type { Hex } from '../../colour';
import type { Doc } from '../document';

const COLOUR = /^#[0-9a-f]{6}$/;

/** Calls back for every colour of a part, a style or a scene, wherever it stands; what comes back takes its place. */
export function eachColour(thing: object, visit: (colour: Hex) => Hex): void {
  const walk = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return;
    const fields = value as Record<string, unknown>;
    for (const [name, one] of Object.entries(fields)) {
      // What words say is no colour, even if it looks like one.
      if (name === 'says' || name === 'id') continue;
      if (typeof one === 'string') {
        if (!COLOUR.test(one)) continue;
        const next = visit(one);
        if (next !== one) fields[name] = next;
      } else walk(one);
    }
  };
  walk(thing);
}

/** Changes one colour everywhere it is used, in named styles too, in one step. */
export function recolour(from: Hex, to: Hex): Edit<Doc> {
  return (doc) => {
    for (const part of [...Object.values(doc.parts), ...Object.values(doc.styles)])
      eachColour(part, (colour) => (colour === from ? to : colour));
  };
}

/** Colours in use, each once, words first, with the number of places each is used in. */
export function colourUse(doc: Doc): { colour: Hex; places: number }[] {
  const found = new Map<Hex, number>();
  const order = ['words', 'shape', 'curve', 'scrim', 'overlay', 'picture', 'ground'];
  const parts = Object.values(doc.parts).sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind));
  for (const part of parts) {
    eachColour(part, (colour) => {
      found.set(colour, (found.get(colour) ?? 0) + 1);
      return colour;
    });
  }
  return [...found].map(([colour, places]) => ({ colour, places }));
}

export const coloursOf = (doc: Doc): Hex[] => colourUse(doc).map(({ colour }) => colour);
