import type { Result } from '@yosomi/core/base';
import type { LibraryAsk, OwnPicture } from '@yosomi/core/library';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { sayFault } from '../../messages/say';
import { changeOwn, ownByIds, putBackOwn, removeOwn, removedOwnCount, restoreOwn } from '../../persist/library';
import { nowIso } from '../../platform/clock';
import { OwnLibrary } from '../../work/library';
import type { LibraryFacts, OwnHits } from '../../work/library.worker';
import { hearOthers, ownChanged, useOwnRev } from './own-rev';

const KEY = 'own-pictures';

/** One's own pictures as they stand, and what can be done with them; every change can be taken back. */
export type OwnPicturesHere = {
  readonly facts: LibraryFacts | null;
  readonly removed: number;
  readonly search: OwnLibrary;
  /** Changes with what is stored; null until it was read. */
  readonly rev: number | null;
  /** They could not be read: what stands is what was read before, or nothing. */
  readonly failed: boolean;
  /** What was done last, with a way back: it stands on the desk, for notices cannot be reached over it. */
  readonly last: { readonly text: string; undo(): void } | null;
  /** `what` is said with a way back; nothing where it is null: that is for a line while it is typed. */
  change(ids: readonly string[], what: string | null, edit: (picture: OwnPicture) => OwnPicture): Promise<void>;
  remove(ids: readonly string[]): Promise<void>;
  putBackAll(): void;
};

export function useLibrary(): OwnPicturesHere {
  const [search] = useState(() => new OwnLibrary());
  const rev = useOwnRev((s) => s.rev);
  const [last, setLast] = useState<OwnPicturesHere['last']>(null);
  const queries = useQueryClient();
  useEffect(() => hearOthers(), []);
  useEffect(() => () => search.end(), [search]);
  const { data, isError } = useQuery({
    queryKey: [KEY, 'facts', rev],
    queryFn: async () => {
      const facts = await search.read();
      // What is shown of one, and of those that had nothing to show, may have changed elsewhere.
      void queries.invalidateQueries({
        queryKey: [KEY],
        predicate: ({ queryKey, state }) => queryKey[1] === 'one' || state.data === null,
      });
      return { facts, removed: await removedOwnCount(), rev };
    },
    placeholderData: keepPreviousData,
    staleTime: 0,
    gcTime: 0,
    // A worker that was ended is started anew, once.
    retry: 1,
    retryDelay: 200,
  });
  const shownAnew = (): Promise<void> => queries.invalidateQueries({ queryKey: [KEY, 'one'] });
  const after = (done: Result<unknown>, text: string | null, back: () => Promise<Result<unknown>>): void => {
    void shownAnew();
    if (!done.ok) return sayFault(done.fault);
    // What is typed line by line is not searched.
    if (text === null) return;
    ownChanged();
    const undo = async (): Promise<void> => {
      const undone = await back();
      setLast(null);
      void shownAnew();
      ownChanged();
      if (!undone.ok) sayFault(undone.fault);
    };
    setLast({ text, undo: () => void undo() });
  };
  return {
    facts: data?.facts ?? null,
    removed: data?.removed ?? 0,
    search,
    last,
    rev: data?.rev ?? null,
    failed: isError,
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
        ownChanged();
        if (!done.ok) sayFault(done.fault);
      }),
  };
}

/** What is found in them; what was found before stands until then. `failed` where nobody could look. */
export function useSearch(
  { search, rev }: OwnPicturesHere,
  ask: LibraryAsk,
): { hits: OwnHits | null; failed: boolean } {
  const { data, isError } = useQuery({
    queryKey: [KEY, 'found', rev, ask],
    queryFn: () => search.search(ask),
    enabled: rev !== null,
    placeholderData: keepPreviousData,
    // Thousands that were found are not held against thousands one by one.
    structuralSharing: false,
    gcTime: 0,
    retry: false,
  });
  return { hits: data ?? null, failed: isError };
}
