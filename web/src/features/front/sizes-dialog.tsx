import { type SizeOfCover, MASTERS, hasShape, removeSize, sizesOf } from '@yosomi/core/recipe';
import type { Book } from '@yosomi/core/project';
import { allProfiles } from '@yosomi/core/stores';
import { useMemo, useState } from 'react';
import { useSession } from '../../state/session';
import { useAddSize } from './use-add-size';
import { useWishes } from '../deliver/use-wishes';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { stepAmong } from '../../ui/step-among';
import { useSizeBitmaps } from '../../work/queries';
import { SizeFields } from './size-fields';

/** How high each is shown, px, and how wide at the most. */
const HIGH = 200;
const WIDE = 300;
const LEAST = 100;
const MOST = 10_000;

/**
 * The cover in all its sizes at once: the front, those that a person has added, those that the title's stores ask for. A click opens
 * one on the table; one that only a store asks for becomes a size of the title by that.
 */
export function SizesDialog(props: { book: Book; onShow(id: string | null): void; onClose(): void }) {
  const { book, onShow, onClose } = props;
  const edit = useSession((s) => s.edit);
  const { wishes } = useWishes();
  const [own, setOwn] = useState<{ widthPx: number; heightPx: number } | null>(null);
  const sizes = useMemo(() => {
    const known = allProfiles(wishes.stores);
    return sizesOf(
      book,
      book.brief.stores.flatMap((id) => known.find((one) => one.id === id) ?? []),
    );
  }, [book, wishes.stores]);
  const bitmaps = useSizeBitmaps(
    book,
    sizes.map((one) => ({ ...one, shownPx: Math.round(2 * widthOf(one)) })),
  );
  const add = useAddSize(book, (id) => {
    onShow(id);
    onClose();
  });
  const open = (one: SizeOfCover): void => {
    if (one.kind === 'store') return add(`For ${one.name}`, one);
    onShow(one.kind === 'sibling' ? one.id : null);
    onClose();
  };
  const there = own !== null && hasShape(book, own);
  return (
    <Dialog
      open
      onClose={onClose}
      title="Every size"
      description="One cover, composed for each. Open one to place things there by hand: what it says and its colours stay those of the front."
      wide
    >
      <ul className="flex flex-wrap items-end gap-5 rounded-sm bg-table p-5" onKeyDown={stepAmong}>
        {sizes.map((one, i) => (
          <li key={`${one.kind}-${one.id}`} className="flex flex-col gap-1.5" style={{ width: widthOf(one) }}>
            <button
              type="button"
              data-tile={`${one.kind}-${one.id}`}
              tabIndex={i === 0 ? 0 : -1}
              aria-label={`Open ${one.name}, ${one.widthPx} x ${one.heightPx}`}
              // A finished cover is fitted to what stores ask for; there is nothing to place in it.
              disabled={one.kind === 'store' && book.cover.finished}
              onClick={() => open(one)}
              className="block w-full outline-offset-3"
              style={{ aspectRatio: one.widthPx / one.heightPx }}
            >
              <Bitmap bitmap={bitmaps[i]} label="" className="block h-full w-full shadow-cover" />
            </button>
            <p className="text-xs leading-tight text-ink">
              <span className="font-semibold">{one.kind === 'store' ? `For ${one.name}` : one.name}</span>
              <span className="block font-mono">
                {one.widthPx} x {one.heightPx}
              </span>
              {one.kind !== 'store' && one.stores.length > 0 && (
                <span className="block">also for {one.stores.join(', ')}</span>
              )}
              {one.kind === 'store' && (
                <span className="block">
                  {book.cover.finished ? 'shown whole on its edge colour' : 'composed by itself'}
                </span>
              )}
            </p>
            {one.kind === 'sibling' && (
              <Button
                kind="link"
                className="self-start text-xs"
                aria-label={`Remove ${one.name}`}
                onClick={() => edit(`Remove a size: ${one.name}`, removeSize(one.id))}
              >
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {!book.cover.finished && (
        <section aria-label="Add a size" className="flex flex-col gap-2">
          <h3 className="font-semibold">Add a size</h3>
          <div className="flex flex-wrap gap-2">
            {MASTERS.map((one) => (
              <Button key={one.id} disabled={hasShape(book, one)} onClick={() => add(one.name, one)}>
                {one.name}
              </Button>
            ))}
            <Button aria-pressed={own !== null} onClick={() => setOwn(own ? null : { widthPx: 2000, heightPx: 1500 })}>
              One of your own
            </Button>
          </div>
          {own && (
            <form
              className="flex flex-col gap-2 border-l border-line pl-3"
              onSubmit={(e) => {
                e.preventDefault();
                if (!there) add(`${own.widthPx} x ${own.heightPx}`, own);
              }}
            >
              <SizeFields size={own} least={LEAST} most={MOST} ratio={own.heightPx / own.widthPx} onChange={setOwn} />
              {there && <p className="text-fail">There is a size of this shape already. Open that one.</p>}
              <Button kind="ink" type="submit" className="self-end" disabled={there}>
                Add this size
              </Button>
            </form>
          )}
        </section>
      )}
    </Dialog>
  );
}

/** How wide a size is shown, px: all equally high, wide ones a little lower. */
const widthOf = ({ widthPx, heightPx }: { widthPx: number; heightPx: number }): number =>
  Math.round(Math.min(WIDE, (HIGH * widthPx) / heightPx));
