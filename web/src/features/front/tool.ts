import { type Doc, setParts } from '@yosomi/core/cover';
import { type RefObject, useEffect, useMemo } from 'react';
import { create } from 'zustand';
import { say } from '../../messages/say';
import type { Action } from '../../state/actions';
import { useSession } from '../../state/session';
import type { On } from './use-set';

/** What the hand does on the cover. Each has a key of its own, which the list of keys shows. */
export const TOOLS = [
  { id: 'work', label: 'Choose, move and change', key: '1', also: 'tool hand arrow', says: '' },
  {
    id: 'choose',
    label: 'Only choose',
    key: '2',
    also: 'tool select arrow nothing moves',
    says: 'Only choosing: nothing moves by hand. 1 moves things again.',
  },
  {
    id: 'view',
    label: 'Move the view',
    key: '3',
    also: 'tool pan hand scroll',
    says: 'The hand moves the view. 1 moves things again.',
  },
] as const;
export type Tool = (typeof TOOLS)[number]['id'];

const AS_BEGUN = { tool: 'work', gaps: false } as const;

export const useTool = create<{
  readonly tool: Tool;
  /** Whether the room round what is chosen is shown. */
  readonly gaps: boolean;
}>(() => AS_BEGUN);

/** Gives a colour that was taken from the cover to what is chosen and has one; where nothing does, it is copied. */
function takeColour(hex: string, doc: Doc, on: On): void {
  const { selection, edit } = useSession.getState();
  const coloured = selection.filter(
    (id) => doc.parts[id] && ('colour' in doc.parts[id] || doc.parts[id].kind === 'ground'),
  );
  if (coloured.length > 0) {
    const dressed = setParts(coloured, (part) =>
      part.kind === 'ground' ? { paint: { kind: 'flat', colour: hex } } : { colour: hex },
    );
    return void edit('Colour from the cover', on(dressed));
  }
  const copied = navigator.clipboard?.writeText(hex) ?? Promise.reject(new Error('no clipboard'));
  copied.then(
    () => say(`${hex} is copied`),
    () => say(hex),
  );
}

/** The tools as things to do on this screen; they are laid aside when it is left. */
export function useToolActions(
  latest: RefObject<{ readonly book: { readonly cover: Doc }; readonly on: On }>,
  pick: (take: (hex: string) => void) => void,
): Action[] {
  useEffect(() => () => useTool.setState(AS_BEGUN), []);
  return useMemo(
    () => [
      ...TOOLS.map(({ id, label, also, key }) => ({
        id: `tool-${id}`,
        label,
        also,
        group: 'Cover',
        combos: [key],
        run: () => useTool.setState({ tool: id }),
      })),
      {
        id: 'take-colour',
        label: 'Take a colour from the cover',
        also: 'tool pick eyedropper pipette',
        group: 'Cover',
        combos: ['4'],
        run: () => pick((hex) => takeColour(hex, latest.current.book.cover, latest.current.on)),
      },
      {
        id: 'gaps',
        label: 'Show the gaps round what is chosen',
        also: 'distance measure margin space neighbours',
        group: 'Cover',
        combos: ['5'],
        run: () => useTool.setState(({ gaps }) => ({ gaps: !gaps })),
      },
    ],
    [latest, pick],
  );
}
