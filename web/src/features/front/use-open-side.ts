import type { SideName } from '@yosomi/core/project';
import { newSide } from '@yosomi/core/recipe';
import { sayFault } from '../../messages/say';
import { useBook, useSession } from '../../state/session';
import { studio } from '../../work/workers';

/** Makes sure that a side can be edited: one that was made from the front until now becomes a composition of its own. Answers whether it is there. */
export function useOpenSide(): (side: SideName) => Promise<boolean> {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  return async (side) => {
    if (book.sides[side]) return true;
    try {
      const made = newSide(book, side, await studio.frontEdge(book));
      return edit(`Edit the ${side}`, (draft) => void (draft.sides[side] ??= made));
    } catch {
      sayFault({ code: 'work-failed', data: {} });
      return false;
    }
  };
}
