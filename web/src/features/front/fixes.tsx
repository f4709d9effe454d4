import type { Fault } from '@yosomi/core/base';
import { type WordsPart, setPart } from '@yosomi/core/cover';
import { coverKey } from '@yosomi/core/recipe';
import { useQuery } from '@tanstack/react-query';
import { useContext } from 'react';
import { useSession } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import type { FixView } from '../../work/studio.worker';
import { useRested } from '../../ui/use-rested';
import { press } from '../../work/workers';
import { ShownBook } from './shown-book';
import type { On } from './use-set';

const NAMES: Record<FixView['kind'], string> = {
  colour: 'Another colour',
  scrim: 'A scrim behind',
  plate: 'A plate behind',
  outline: 'An outline',
  picture: 'Shift the picture',
};

/** Ways to make words read, each tried on the cover and shown as it would look. A click takes one as one step. */
export function ContrastFixes({ part, on }: { part: WordsPart; on: On }) {
  const book = useRested(useContext(ShownBook));
  const edit = useSession((s) => s.edit);
  const fixes = useQuery({
    // A locked picture is left as it is, though it paints the same.
    queryKey: ['fixes', book && coverKey(book), part.id, book && Object.values(book.cover.parts).map((p) => p.locked)],
    queryFn: () => (book ? press().fixes(book, part.id) : []),
    enabled: book !== null,
    staleTime: Infinity,
    gcTime: 60_000,
  });
  const take = (fix: FixView): void =>
    void edit(NAMES[fix.kind], (draft): Fault | undefined | void => {
      for (const { part: id, fields } of fix.changes) {
        const refused = on(setPart(id, fields))(draft);
        if (refused) return refused;
      }
    });
  if (!book) return null;
  if (fixes.isPending) return <p role="status">Trying what would help</p>;
  if (!fixes.data || fixes.data.length === 0) return <p>Nothing that was tried is enough. Move the words elsewhere.</p>;
  return (
    <section aria-label="What would help" className="grid grid-cols-3 gap-2">
      {fixes.data.map((fix) => (
        <button
          key={fix.kind}
          type="button"
          onClick={() => take(fix)}
          className="flex flex-col gap-1 rounded-sm border border-line bg-card p-1 text-left text-xs hover:border-ink"
        >
          <Bitmap bitmap={fix.bitmap} label="" className="block w-full" />
          {NAMES[fix.kind]}
          <span className="font-mono text-ink-2">{fix.worstTenth.toFixed(1)} : 1</span>
        </button>
      ))}
    </section>
  );
}
