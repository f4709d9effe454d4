import type { Edit } from '@yosomi/core/base';
import { type Book, type House, MOST_VERSIONS } from '@yosomi/core/project';
import type { Sketch } from '@yosomi/core/sketch';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { say, sayFault } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { editStored, loadBook } from '../../persist/titles';
import { nowIso } from '../../platform/clock';
import { freshId } from '../../platform/ids';
import { useBook, useSession } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import type { SketchView, Volume } from '../../work/sketch.worker';
import { sketchWorker } from '../../work/sketches';
import { useShelfMates } from '../mockups/use-others';
import { useHouse } from '../front/use-house';
import { bringFaces } from './sheet-edits';
import { sketchId } from './use-sheet';

/** Puts a cover on a title; the one it had is kept under a name. */
const dressed =
  ({ sketch, doc }: Pick<SketchView, 'sketch' | 'doc'>, house: House): Edit<Book> =>
  (book) => {
    if (book.versions.length < MOST_VERSIONS)
      book.versions.push({ id: freshId(), name: 'Before the series design', madeAt: nowIso(), cover: book.cover });
    book.cover = structuredClone(doc);
    book.sheet.taken = structuredClone(sketch);
    bringFaces(book, sketch, house);
  };

/** One design for every volume of the series, seen before it is used. */
export function SeriesDialog({ sketch, onClose }: { sketch: Sketch; onClose(): void }) {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const { series } = useShelfMates(book);
  const { house } = useHouse();
  const [busy, setBusy] = useState(false);
  const { data, isError } = useQuery({
    queryKey: ['series', sketchId(sketch), book.id, ...series],
    queryFn: async () => {
      const read = await Promise.all(series.map((id) => loadBook(id)));
      const volumes = [book, ...read.flatMap((one) => (one.ok ? [one.value] : []))];
      const numbered = volumes.sort((a, b) => (a.brief.seriesNumber ?? 0) - (b.brief.seriesNumber ?? 0));
      const { api, ask } = sketchWorker();
      return {
        books: numbered,
        made: await ask(
          api.volumes(
            sketch,
            numbered,
            numbered.findIndex((one) => one.id === book.id),
          ),
        ),
      };
    },
    gcTime: 0,
  });
  const ready = data?.made.filter((v) => v.cover) ?? [];

  const use = async (volumes: readonly Volume[]): Promise<void> => {
    setBusy(true);
    let count = 0;
    for (const { id, cover } of volumes) {
      if (!cover) continue;
      const label = 'Front from the series design';
      if (id === book.id) {
        if (edit(label, dressed(cover, house))) count++;
        continue;
      }
      const saved = await editStored(id, label, dressed(cover, house), nowIso());
      if (saved.ok) count++;
      else sayFault(saved.fault);
    }
    setBusy(false);
    say(`The design is on ${count} ${count === 1 ? 'volume' : 'volumes'}. Their old covers are kept as versions.`);
    onClose();
  };

  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="One design for the series"
      description="Each volume is set in its own words and pictures. The cover it had is kept as a version."
    >
      {isError && <p role="alert">The volumes could not be drawn. Close this and try again.</p>}
      {!data && !isError && <p className="text-ink-2">Drawing the volumes</p>}
      <ul aria-label="Volumes" className="flex flex-wrap gap-5">
        {data?.made.map(({ id, cover, fault }) => {
          const own = data.books.find((one) => one.id === id);
          const name = own?.brief.title || 'Untitled';
          return (
            <li key={id} className="flex w-36 flex-col gap-1.5">
              {cover ? (
                <Bitmap bitmap={cover.bitmap} label={`${name} in this design`} className="block w-full shadow-cover" />
              ) : (
                <p className="border border-dashed border-edge p-3 text-xs">{sentenceOf(fault)}</p>
              )}
              <span className="text-xs text-ink-2">{name}</span>
            </li>
          );
        })}
      </ul>
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button kind="ink" disabled={busy || ready.length === 0} onClick={() => void use(ready)}>
          Use it on {ready.length} {ready.length === 1 ? 'volume' : 'volumes'}
        </Button>
      </div>
    </Dialog>
  );
}
