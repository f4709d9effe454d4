import type { Edit } from '../../base';
import { type Scheme, readableOn } from '../../colour';
import { contains, centreOf, type Rect } from '../../plane';
import type { Doc } from '../document';
import type { Frames } from './arrange';

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
