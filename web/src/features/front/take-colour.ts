import { type Edit } from '@yosomi/core/base';
import { type Doc, setPart } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { say } from '../../messages/say';
import { useSession } from '../../state/session';
import type { On } from './use-set';

/** Gives a colour that was taken from the cover to what is selected; where nothing is, it is copied. */
export function takeColour(hex: string, doc: Doc, on: On): void {
  const { selection, edit } = useSession.getState();
  const coloured = selection.filter((id) => doc.parts[id] && 'colour' in doc.parts[id]);
  if (coloured.length === 0) {
    void navigator.clipboard?.writeText(hex).then(
      () => say(`${hex} is copied`),
      () => say(hex),
    );
    return;
  }
  const colour: Edit<Doc> = (draft) => {
    for (const id of coloured) {
      const refused = setPart(id, { colour: hex })(draft);
      if (refused) return refused;
    }
  };
  edit('Colour from the cover', on(colour) as Edit<Book>);
}
