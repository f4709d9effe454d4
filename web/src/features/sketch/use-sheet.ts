import { keyOf } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { houseAsk, sheetAsk } from '@yosomi/core/recipe';
import type { Kept, Sketch } from '@yosomi/core/sketch';
import { noSymbols } from '@yosomi/core/symbols';
import { useEffect, useMemo } from 'react';
import { useBook, useSession } from '../../state/session';
import { sheetKey, useSheets, watchSheet } from '../../state/sheets';
import { useRested } from '../../ui/use-rested';
import type { SheetJob } from '../../work/sketch.worker';
import { useHouse } from '../front/use-house';

/** What the sheet of a title is made from; the workers read its pictures. */
const jobOf = (book: Book, house: SheetJob['house'], kept: Kept | null): SheetJob => {
  // Pictures and symbols are read where the covers are made.
  const { symbols: _, ...ask } = sheetAsk(book, house, [], noSymbols);
  return { ...ask, pictures: book.sheet.pictures, kept };
};

export const sketchId = (sketch: Sketch): string => keyOf(sketch);

/** The sheet of the open title, made as soon as what it is made from is at rest. */
export function useSheet(kept: Kept | null) {
  const book = useRested(useBook());
  const { house } = useHouse();
  const { sheet, make, again, stop } = useSheets();
  const lent = useMemo(() => houseAsk(house), [house]);
  const job = useMemo(() => jobOf(book, lent, kept), [book, lent, kept]);
  useEffect(() => {
    watchSheet(true);
    return () => watchSheet(false);
  }, []);
  useEffect(() => make(job), [make, job]);
  // The sheet of another title may still be there for a moment.
  const own = sheet?.key === sheetKey(job) ? sheet : null;
  return { sheet: own, again: () => again(job), stop };
}

/** Changes of what the sheet is asked, as steps of the title's history. */
export function useSheetAsk() {
  const edit = useSession((s) => s.edit);
  return (label: string, change: (sheet: Book['sheet']) => void): void => void edit(label, (b) => change(b.sheet));
}
