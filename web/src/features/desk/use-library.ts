import type { Result } from '@yosomi/core/base';
import type { LibraryAsk, OwnPicture } from '@yosomi/core/library';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { sayFault } from '../../messages/say';
import { changeOwn, ownByIds, putBackOwn, removeOwn, removedOwnCount, restoreOwn } from '../../persist/library';
import { nowIso } from '../../platform/clock';
import { OwnLibrary } from '../../work/library';
import type { LibraryFacts, OwnHits } from '../../work/library.worker';

const KEY = 'own-pictures';

/** One's own pictures as they stand, and what can be done with them; every change can be taken back. */
export type OwnPicturesHere = {
  readonly facts: LibraryFacts | null;
  readonly removed: number;
  readonly search: OwnLibrary;
  /** Changes with what is stored. */
  readonly rev: string;
  /** What was done last, with a way back: it stands on the desk, for notices cannot be reached over it. */
  readonly last: { readonly text: string; undo(): void } | null;
  /** `what` is said with a way back; nothing where it is null: that is for a line while it is typed. */
  change(ids: readonly string[], what: string | null, edit: (picture: OwnPicture) => OwnPicture): Promise<void>;
  remove(ids: readonly string[]): Promise<void>;
  putBackAll(): void;
};

/** `rev` goes up when pictures have come in. */
export function useLibrary(rev: number): OwnPicturesHere {
  const [search] = useState(() => new OwnLibrary());
  const [edits, setEdits] = useState(0);
  const [last, setLast] = useState<OwnPicturesHere['last']>(null);
  const queries = useQueryClient();
  useEffect(() => () => search.end(), [search]);
  const state = `${rev} ${edits}`;
  const { data } = useQuery({
    queryKey: [KEY, 'facts', state],
    queryFn: async () => ({
      facts: await search.read(),
      removed: await removedOwnCount(),
      state,
    }),
    placeholderData: keepPreviousData,
    staleTime: 0,
    gcTime: 0,
    retry: false,
  });
  const changed = (): void => {
    setEdits((n) => n + 1);
    void queries.invalidateQueries({ queryKey: [KEY, 'one'] });
  };
  const after = (done: Result<unknown>, text: string | null, back: () => Promise<Result<unknown>>): void => {
    changed();
    if (!done.ok) return sayFault(done.fault);
    if (text === null) return;
    const undo = async (): Promise<void> => {
      const undone = await back();
      setLast(null);
      changed();
      if (!undone.ok) sayFault(undone.fault);
    };
    setLast({ text, undo: () => void undo() });
  };
  return {
    facts: data?.facts ?? null,
    removed: data?.removed ?? 0,
    search,
    last,
    rev: data?.state ?? '',
    async change(ids, what, edit) {
      const before = await ownByIds(ids);
      const done = await changeOwn(ids, edit);
      if (done.ok && done.value === 0) return;
      after(done, what, () => restoreOwn(before));
    },
    async remove(ids) {
      const done = await removeOwn(ids, nowIso());
      const said =
        ids.length === 1
          ? 'The picture is removed. Titles that show it keep it.'
          : `${ids.length} pictures are removed. Titles that show them keep them.`;
      after(done, said, () => putBackOwn(ids));
    },
    putBackAll: () =>
      void putBackOwn('all').then((done) => {
        setLast(null);
        changed();
        if (!done.ok) sayFault(done.fault);
      }),
  };
}

/** What is found in them; what was found before stands until then. */
export function useSearch({ search, rev }: OwnPicturesHere, ask: LibraryAsk): OwnHits | null {
  const { data } = useQuery({
    queryKey: [KEY, 'found', rev, ask],
    queryFn: () => search.search(ask),
    enabled: rev !== '',
    placeholderData: keepPreviousData,
    // Thousands that were found are not held against thousands one by one.
    structuralSharing: false,
    gcTime: 0,
    retry: false,
  });
  return data ?? null;
}
