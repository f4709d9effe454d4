import type { Edit } from '../../base';
import { type Hex, type Scheme, readableOn } from '../../colour';
import { contains, centreOf, type Rect } from '../../plane';
import { type Doc, inOrder } from '../document';
import { mainColour } from '../parts';
import type { Frames } from './arrange';

/** What a colour of a cover is for: its ground, its title, its other words, and what is set apart: shapes, lines and rules. */
export const COLOUR_ROLES = ['ground', 'words', 'second', 'accent'] as const;
export type ColourRole = (typeof COLOUR_ROLES)[number];

/** The colours a cover has by what they are for; null where it has none of its own. */
export function roleColours(doc: Doc): Record<ColourRole, Hex | null> {
  const parts = inOrder(doc).filter((part) => !part.hidden);
  const ground = parts.find((part) => part.kind === 'ground');
  const words = parts.filter((part) => part.kind === 'words');
  const shape = parts.findLast((part) => part.kind === 'shape' || part.kind === 'curve');
  return {
    ground: ground && ground.paint.kind !== 'picture' ? mainColour(ground.paint) : null,
    words: words.find((part) => part.role === 'title')?.colour ?? null,
    second: words.find((part) => part.role !== 'title')?.colour ?? null,
    accent: shape && 'colour' in shape ? shape.colour : null,
  };
}

/** Gives everything of one role another colour. */
export function recolourRole(role: ColourRole, hex: Hex): Edit<Doc> {
  return (doc) => {
    for (const part of Object.values(doc.parts)) {
      switch (part.kind) {
        case 'ground':
          if (role !== 'ground' || part.paint.kind === 'picture') break;
          if (part.paint.kind === 'pattern') part.paint.back = hex;
          else part.paint = { kind: 'flat', colour: hex };
          break;
        case 'words': {
          const own: ColourRole = part.role === 'title' ? 'words' : 'second';
          if (role === own) {
            part.colour = hex;
            if (part.fill?.kind !== 'picture') part.fill = null;
          }
          if (role !== 'accent') break;
          if (part.minor) part.minor.colour = hex;
          for (const one of part.accents) if (one.colour) one.colour = hex;
          if (part.ruleAbove) part.ruleAbove.colour = hex;
          if (part.ruleBelow) part.ruleBelow.colour = hex;
          break;
        }
        case 'shape':
        case 'curve':
          if (role !== 'accent') break;
          part.colour = hex;
          if (part.kind === 'shape' && part.fill?.kind !== 'picture') part.fill = null;
          break;
        case 'picture':
        case 'overlay':
        case 'scrim':
          break;
      }
    }
  };
}

/**
 * Dresses a cover in a scheme: ground, title, the other words, what is set apart, plates and bands. Words that stand
 * on a plate or a band read on it. Pictures and overlays keep their colours.
 */
export function applyScheme(scheme: Scheme, frames: Frames): Edit<Doc> {
  return (doc) => {
    const parts = Object.values(doc.parts);
    const plates: Rect[] = [];
    for (const part of parts) {
      if (part.kind === 'ground' && part.paint.kind !== 'picture') {
        if (part.paint.kind === 'pattern') [part.paint.back, part.paint.colour] = [scheme.ground, scheme.accent];
        else part.paint = { kind: 'flat', colour: scheme.ground };
        if (part.border) part.border.colour = scheme.accent;
      }
      if (part.kind === 'shape' || part.kind === 'curve') {
        part.colour = scheme.accent;
        if (part.kind === 'shape') {
          part.fill = part.fill?.kind === 'picture' ? part.fill : null;
          const frame = frames.get(part.id);
          if (frame && (part.role === 'plate' || part.role === 'band')) plates.push(frame);
        }
      }
    }
    for (const part of parts) {
      if (part.kind !== 'words') continue;
      const frame = frames.get(part.id);
      const on = frame && plates.some((plate) => contains(plate, centreOf(frame))) ? scheme.accent : null;
      const own = part.role === 'title' ? scheme.words : scheme.second;
      if (part.plate) part.plate.colour = scheme.ground;
      const behind = on ? [on] : [];
      part.colour = behind.length > 0 ? readableOn(own, behind) : own;
      if (part.fill?.kind !== 'picture') part.fill = null;
      const accent = behind.length > 0 ? readableOn(scheme.ground, behind) : scheme.accent;
      if (part.minor) part.minor.colour = accent;
      for (const one of part.accents) if (one.colour) one.colour = accent;
      if (part.ruleAbove) part.ruleAbove.colour = accent;
      if (part.ruleBelow) part.ruleBelow.colour = accent;
    }
  };
}
