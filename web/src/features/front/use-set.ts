import type { Edit } from '@yosomi/core/base';
import { type Doc, type Part, setPart } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { useSession } from '../../state/session';
import { nameOf } from './part-names';

/** Puts an edit of a composition into the book: on the cover, on a sibling of it, or on the promo. */
export type On = (edit: Edit<Doc>) => Edit<Book>;

/** Writes fields of one part; `merge` joins a run of such changes (a drag, a held key) into one step. */
export function useSet<P extends Part>(
  part: P,
  on: On,
): (what: string, fields: Partial<P>, merge?: string | false) => void {
  const edit = useSession((s) => s.edit);
  return (what, fields, merge = false) =>
    void edit(
      `${what} of ${nameOf(part).toLowerCase()}`,
      on(setPart(part.id, fields)),
      merge ? `${merge}-${part.id}` : null,
    );
}
