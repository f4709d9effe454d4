import type { Book } from '@yosomi/core/project';
import { addSize, hasShape } from '@yosomi/core/recipe';
import { sayFault } from '../../messages/say';
import { freshId } from '../../platform/ids';
import { useSession } from '../../state/session';
import { studio } from '../../work/workers';

/** Adds a size of its own to the title, composed by what its pictures show, and then shows it. */
export function useAddSize(
  book: Book,
  onShow: (id: string) => void,
): (name: string, size: { widthPx: number; heightPx: number }) => void {
  const edit = useSession((s) => s.edit);
  const add = async (name: string, size: { widthPx: number; heightPx: number }): Promise<void> => {
    const id = freshId();
    const places = hasShape(book, size) ? {} : await studio.placesAt(book, size);
    // Another title may have been opened meanwhile.
    if (useSession.getState().book?.id !== book.id) return;
    if (edit(`Add a size: ${name}`, addSize(id, name, size, structuredClone(places)))) onShow(id);
  };
  return (name, size) => void add(name, size).catch(() => sayFault({ code: 'work-failed', data: {} }));
}
