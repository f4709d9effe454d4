import { type Doc, equalMargins, marginsOf } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { say } from '../../messages/say';
import { useSession } from '../../state/session';
import { nameOf } from './part-names';
import type { On } from './use-set';

/** Evens the margins at the top and the foot, and says what moved where, or why nothing did. */
export function evenMargins(doc: Doc, frames: ReadonlyMap<string, Rect>, on: On): void {
  const margins = marginsOf(doc, frames);
  switch (margins.kind) {
    case 'few':
      return say('Equal margins need two lines of words that can be moved.');
    case 'equal':
      return say(`Nothing moved: ${Math.round(margins.marginPx)} px are above and below the words already.`);
    case 'move': {
      if (!useSession.getState().edit('Equal margins', on(equalMargins(frames)))) return;
      const way = margins.byPx < 0 ? 'up' : 'down';
      say(
        `${nameOf(doc.parts[margins.id])} moved ${way} by ${Math.round(Math.abs(margins.byPx))} px. ${Math.round(margins.marginPx)} px are above and below the words now.`,
      );
    }
  }
}
