import type { Card } from '@yosomi/core/shelf';
import { allProfiles } from '@yosomi/core/stores';
import type { Mapping } from '@yosomi/core/title-table';
import { useEffect, useState } from 'react';
import type { RowBeside } from '../../persist/title-rows';
import { type TableHead, readBeside } from '../../work/title-table';
import { useWishes } from '../deliver/use-wishes';

/** The rows of a table beside the titles of the Shelf, read anew where either changes; the last ones stay until then. `done` is how far that is, 0..1. */
export function useRows(table: TableHead, mapping: Mapping, cards: readonly Card[]) {
  const { wishes } = useWishes();
  const [rows, setRows] = useState<readonly RowBeside[] | null>(null);
  const [done, setDone] = useState(0);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let over = false;
    const there = cards.map(({ id, title, author, series, number }) => ({
      id,
      title,
      author,
      seriesName: series,
      seriesNumber: number,
    }));
    const stores = allProfiles(wishes.stores).map(({ id, name }) => ({ id, name }));
    readBeside(table, mapping, stores, there, (some, of) => !over && setDone(some / of))
      .then((found) => !over && setRows(found))
      .catch(() => !over && setFailed(true));
    return () => {
      over = true;
    };
  }, [table, mapping, cards, wishes]);
  return { rows, done, failed };
}
