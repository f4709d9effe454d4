import {
  type Depth,
  type Doc,
  type Part,
  coverSlivers,
  duplicateParts,
  groupParts,
  moveInDepth,
  pasteLook,
  pasteParts,
  removePart,
  setPart,
} from '@yosomi/core/cover';
import type { Fault } from '@yosomi/core/base';
import { slivers } from '@yosomi/core/compose';
import type { Rect } from '@yosomi/core/plane';
import { useEffect, useMemo, useRef } from 'react';
import { say, sayFault } from '../../messages/say';
import { copyParts, copiedParts } from '../../persist/keeps';
import { freshId } from '../../platform/ids';
import { type Action, useActions } from '../../state/actions';
import { useSession } from '../../state/session';
import { DEPTH_NAMES } from './depth-group';
import { evenMargins } from './equal-margins';
import type { On } from './use-set';

const selected = (): readonly string[] => useSession.getState().selection;

/** Everything the Front offers by key and by the command list. */
export function useFrontActions(props: {
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  extra: readonly Action[];
}): void {
  const { extra } = props;
  // The actions stay the same ones while the cover changes; they read it when they run.
  const latest = useRef(props);
  useEffect(() => {
    latest.current = props;
  }, [props]);
  const offer = useActions((s) => s.offer);
  const withdraw = useActions((s) => s.withdraw);
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const selectMany = useSession((s) => s.selectMany);
  const actions = useMemo<Action[]>(() => {
    const on: On = (change) => latest.current.on(change);
    const doc = (): Doc => latest.current.doc;
    const chosen = (): Part[] => selected().flatMap((id) => doc().parts[id] ?? []);
    const each = (label: string, of: (part: Part) => ReturnType<typeof setPart> | null) => (): void =>
      void edit(label, (book): Fault | undefined | void => {
        for (const part of chosen()) {
          const one = of(part);
          const refused = one && on(one)(book);
          if (refused) return refused;
        }
      });
    const depth = (to: Depth) => (): void => {
      const ids = selected().filter((id) => doc().parts[id]);
      if (ids.length > 0) edit(DEPTH_NAMES[to], on(moveInDepth(ids, latest.current.frames, to)));
    };
    const duplicate = (): void => {
      const ids = chosen()
        .filter((p) => p.kind !== 'ground')
        .map((p) => p.id);
      const fresh = ids.map(() => freshId());
      if (ids.length > 0 && edit('Duplicate', on(duplicateParts(ids, fresh)))) selectMany(fresh);
    };
    const remove = (): void => {
      const done = edit('Remove', (book): Fault | undefined | void => {
        for (const part of chosen()) {
          if (part.kind === 'ground' && chosen().length > 1) continue;
          const refused = on(removePart(part.id))(book);
          if (refused) return refused;
        }
      });
      if (done) select(null);
    };
    const copy = async (): Promise<boolean> => {
      const parts = chosen().filter((p) => p.kind !== 'ground');
      const { book } = useSession.getState();
      if (!book || parts.length === 0) return false;
      await copyParts(parts, book.assets, book.faces, doc().groups);
      say(parts.length === 1 ? 'Copied. It can be pasted into any title.' : `Copied ${parts.length} parts.`);
      return true;
    };
    const paste = async (): Promise<void> => {
      const read = await copiedParts();
      if (!read.ok) return sayFault(read.fault);
      const kept = read.value;
      if (!kept) return say('Nothing has been copied yet.');
      const names = kept.parts.map(() => freshId());
      const done = edit('Paste', (book): Fault | undefined | void => {
        Object.assign(book.assets, kept.assets);
        Object.assign(book.faces, kept.faces);
        return on(pasteParts(kept.parts, names, kept.groups))(book);
      });
      if (done) selectMany(names);
    };
    const lookFrom = async (): Promise<void> => {
      const read = await copiedParts();
      if (!read.ok) return sayFault(read.fault);
      const kept = read.value;
      if (!kept) return say('Copy a part first; then its look can be given to others.');
      edit('Paste the look', on(pasteLook(kept.parts[0], selected())));
    };
    const slivered = (): void =>
      void edit('Cover the slivers', (book): Fault | undefined | void => {
        for (const part of Object.values(doc().parts)) {
          const frame = latest.current.frames.get(part.id);
          const edges = part.kind === 'picture' && frame ? slivers(part, frame, doc()).map(({ edge }) => edge) : [];
          const refused = edges.length > 0 && on(coverSlivers(part.id, edges))(book);
          if (refused) return refused;
        }
      });
    const group = 'Parts';
    return [
      {
        id: 'all',
        label: 'Select all parts',
        also: 'everything',
        group,
        combos: ['$mod+a'],
        run: () =>
          selectMany(
            Object.values(doc().parts)
              .filter((p) => p.kind !== 'ground')
              .map((p) => p.id),
          ),
      },
      { id: 'none', label: 'Select nothing', group, combos: ['Escape'], run: () => select(null) },
      { id: 'duplicate', label: 'Duplicate', also: 'copy clone double', group, combos: ['$mod+d'], run: duplicate },
      { id: 'copy', label: 'Copy parts', also: 'clipboard', group, combos: ['$mod+c'], run: () => void copy() },
      {
        id: 'cut',
        label: 'Cut parts',
        also: 'clipboard',
        group,
        combos: ['$mod+x'],
        run: () => void copy().then((done) => done && remove()),
      },
      {
        id: 'paste',
        label: 'Paste parts',
        also: 'clipboard insert',
        group,
        combos: ['$mod+v'],
        run: () => void paste(),
      },
      {
        id: 'paste-look',
        label: 'Paste the look of the copied part',
        also: 'style format',
        group,
        combos: ['$mod+Shift+v'],
        run: () => void lookFrom(),
      },
      { id: 'remove', label: 'Remove', also: 'delete erase', group, combos: ['Delete', 'Backspace'], run: remove },
      {
        id: 'group',
        label: 'Group',
        also: 'join together',
        group,
        combos: ['$mod+g'],
        run: () => void edit('Group parts', on(groupParts(selected(), freshId()))),
      },
      {
        id: 'ungroup',
        label: 'Ungroup',
        group,
        combos: ['$mod+Shift+g'],
        run: () => void edit('Ungroup parts', on(groupParts(selected(), null))),
      },
      {
        id: 'forward',
        label: 'Bring forward',
        also: 'front layer up order',
        group,
        combos: [']'],
        run: depth('forward'),
      },
      {
        id: 'back',
        label: 'Send back',
        also: 'behind layer down order',
        group,
        combos: ['['],
        run: depth('back'),
      },
      {
        id: 'very-front',
        label: 'To the very front',
        also: 'top layer order above everything',
        group,
        combos: ['Shift+BracketRight'],
        run: depth('front'),
      },
      {
        id: 'very-back',
        label: 'To the very back',
        also: 'bottom layer order under everything',
        group,
        combos: ['Shift+BracketLeft'],
        run: depth('rear'),
      },
      {
        id: 'behind-words',
        label: 'Behind the words',
        also: 'under text layer order',
        group,
        combos: ['w'],
        run: depth('behind-words'),
      },
      {
        id: 'hide',
        label: 'Hide or show',
        also: 'invisible show',
        group,
        combos: ['h'],
        run: each('Hide or show', (p) => (p.kind === 'ground' ? null : setPart(p.id, { hidden: !p.hidden }))),
      },
      {
        id: 'lock',
        label: 'Lock or unlock',
        also: 'protect fix',
        group,
        combos: ['l'],
        run: each('Lock or unlock', (p) => setPart(p.id, { locked: !p.locked })),
      },
      {
        id: 'margins',
        label: 'Equal margins at top and foot',
        also: 'even spacing',
        group: 'Cover',
        combos: ['m'],
        run: () => evenMargins(doc(), latest.current.frames, on),
      },
      {
        id: 'slivers',
        label: 'Cover slivers at the edges',
        also: 'edges gaps bleed',
        group: 'Cover',
        combos: ['s'],
        run: slivered,
      },
      ...extra,
    ];
  }, [extra, edit, select, selectMany]);
  useEffect(() => {
    offer('front', actions);
    return () => withdraw('front');
  }, [actions, offer, withdraw]);
}
