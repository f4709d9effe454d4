import type { Fault } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import type { Reading, SeriesDesign } from '@yosomi/core/recipe';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { loadBook } from '../../persist/titles';
import type { Volume } from '../../work/sketch.worker';
import { sketchWorker } from '../../work/sketches';

/** A volume as it would be: null while it is on its way. */
export type Row = { readonly book: Book; readonly made: Volume | null };

const noRows: readonly Row[] = [];

const readingOf = (cover: Reading | null): Reading | null =>
  cover && { wordsFromPx: cover.wordsFromPx, low: cover.low, mended: cover.mended };

/** The volumes of a series in reading order. */
async function readSeries(book: Book, series: readonly string[]): Promise<Book[]> {
  const read = await Promise.all(series.map((id) => loadBook(id)));
  const volumes = [book, ...read.flatMap((one) => (one.ok ? [one.value] : []))];
  return volumes.sort((a, b) => (a.brief.seriesNumber ?? 1000) - (b.brief.seriesNumber ?? 1000));
}

/**
 * The volumes of a series in one design, one after the other as they are drawn: first the title's own, then the others in reading order. `pictures` are those
 * chosen for volumes. What is asked for again is drawn again, and nothing else.
 */
export function useVolumes(
  design: SeriesDesign,
  book: Book,
  series: readonly string[],
  turning: boolean,
  pictures: Readonly<Record<string, string>>,
): { readonly rows: readonly Row[]; readonly done: number; readonly fault: Fault | null } {
  const made = useRef(new Map<string, { readonly key: string; readonly volume: Volume }>());
  const [rows, setRows] = useState(noRows);
  const [fault, setFault] = useState<Fault | null>(null);
  const { data: books } = useQuery({
    queryKey: ['series', book.id, ...series],
    queryFn: () => readSeries(book, series),
    gcTime: 0,
    staleTime: Infinity,
  });
  useEffect(() => {
    if (!books) return;
    let going = true;
    const known = made.current;
    const place = books.findIndex(({ id }) => id === book.id);
    // What the design is of looks the same whatever is asked for the others.
    const keyOf = (one: Book): string =>
      one.id === book.id ? 'own' : JSON.stringify([turning, pictures[one.id] ?? null]);
    const current = (one: Book): Volume | null => {
      const found = known.get(one.id);
      return found?.key === keyOf(one) ? found.volume : null;
    };
    const show = (): void => setRows(books.map((one) => ({ book: one, made: current(one) })));
    const draw = async (): Promise<void> => {
      const own = books[place];
      const taken: number[] = [];
      for (const one of [own, ...books.filter((other) => other !== own)]) {
        if (!going) return;
        if (!current(one)) {
          const { api, ask } = sketchWorker();
          const volume = await ask(
            api.volume({
              design,
              from: own,
              to: one,
              place: books.indexOf(one) - place,
              volumes: books.length,
              picture: pictures[one.id] ?? null,
              turning,
              taken,
              own: readingOf(known.get(own.id)?.volume.cover ?? null),
            }),
          );
          if (!going) return;
          known.set(one.id, { key: keyOf(one), volume });
          show();
        }
        const turn = known.get(one.id)?.volume.cover?.turn;
        if (turn !== undefined) taken.push(turn);
      }
    };
    show();
    draw().catch(() => going && setFault({ code: 'work-failed', data: {} }));
    return () => void (going = false);
  }, [books, design, book.id, turning, pictures]);
  return { rows, done: rows.filter((row) => row.made).length, fault };
}
