import type { Result } from '@yosomi/core/base';
import type { Brief } from '@yosomi/core/book';
import type { NameChange, NamesFound, NamesWish } from '@yosomi/core/renaming';
import { useState } from 'react';
import { sayFault } from '../../messages/say';
import { type Row, changesIn, rowsFor } from './old-names';

/** How old names are read from a file and found in it; null where that was stopped. */
type Reading = {
  read(): Promise<Result<Omit<NameChange, 'to'>[]> | null>;
  places(changes: readonly NameChange[]): Promise<Result<NamesFound> | null>;
};

export type OldNames = {
  /** Whether names are to be changed at all. */
  readonly asked: boolean;
  readonly rows: readonly Row[] | null;
  readonly found: NamesFound | null;
  readonly chosen: ReadonlySet<string>;
  /** What is to be changed; null where nothing is. */
  readonly wish: NamesWish | null;
  /** Names are typed that were not looked for yet: they are shown before anything changes. */
  readonly unseen: boolean;
  ask(on: boolean): void;
  put(rows: readonly Row[]): void;
  choose(chosen: ReadonlySet<string>): void;
  find(): void;
};

/** Old names of a file: read, typed, looked for, chosen. */
export function useOldNames(brief: Brief, { read, places }: Reading): OldNames {
  const [asked, setAsked] = useState(false);
  const [rows, setRows] = useState<readonly Row[] | null>(null);
  const [found, setFound] = useState<NamesFound | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const ask = async (on: boolean): Promise<void> => {
    setAsked(on);
    setFound(null);
    if (!on || rows) return;
    const names = await read();
    if (names?.ok) setRows(rowsFor(names.value, brief));
    else {
      setAsked(false);
      if (names) sayFault(names.fault);
    }
  };
  const find = async (): Promise<void> => {
    const hits = await places(changesIn(rows ?? []));
    if (!hits) return;
    if (!hits.ok) return sayFault(hits.fault);
    setFound(hits.value);
    setChosen(new Set(hits.value.hits.filter((hit) => hit.sure).map((hit) => hit.id)));
  };
  return {
    asked,
    rows,
    found: asked ? found : null,
    chosen,
    wish: asked && found && chosen.size > 0 ? { changes: found.changes, accepted: chosen } : null,
    unseen: asked && !found && changesIn(rows ?? []).length > 0,
    ask: (on) => void ask(on),
    put(next) {
      setRows(next);
      setFound(null);
    },
    choose: setChosen,
    find: () => void find(),
  };
}
