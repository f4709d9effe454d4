import type { Doc } from '@yosomi/core/cover';
import { useBook } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { useCoverBitmap } from '../../work/queries';

export type Compared = { readonly id: string; readonly name: string; readonly doc: Doc };

/** Two to four covers beside each other, large and as a shop shows them. */
export function CompareView(props: {
  covers: readonly Compared[];
  onTake(id: string): void;
  onDrop(id: string): void;
}) {
  const { covers } = props;
  if (covers.length === 0)
    return (
      <p className="p-8 text-ink">
        Nothing is compared yet. Choose a cover on the sheet and press Compare; two to four can stand here.
      </p>
    );
  return (
    <ul aria-label="Compared covers" className="flex min-h-0 flex-1 justify-center gap-6 overflow-auto p-6">
      {covers.map((cover) => (
        <One key={cover.id} cover={cover} of={covers.length} onTake={props.onTake} onDrop={props.onDrop} />
      ))}
    </ul>
  );
}

function One(props: { cover: Compared; of: number; onTake(id: string): void; onDrop(id: string): void }) {
  const { cover, of, onTake, onDrop } = props;
  const book = useBook();
  const scale = Math.min(2, Math.ceil(window.devicePixelRatio));
  const own = { ...book, cover: cover.doc };
  const large = useCoverBitmap(own, (of > 2 ? 320 : 420) * scale);
  const small = useCoverBitmap(own, 120 * scale);
  return (
    <li className={`flex min-w-0 flex-1 flex-col items-center gap-4 ${of > 2 ? 'max-w-[260px]' : 'max-w-[360px]'}`}>
      <Bitmap bitmap={large.data ?? null} label={`${cover.name}, large`} className="block w-full shadow-cover" />
      <div className="flex w-full items-end gap-4">
        <Bitmap
          bitmap={small.data ?? null}
          label={`${cover.name}, 120 px`}
          className="block w-[120px] max-w-[50%] shadow-cover"
        />
        <div className="flex flex-1 flex-col gap-2">
          <span className="text-xs text-ink">120 px</span>
          <Button kind="ink" onClick={() => onTake(cover.id)}>
            Take it
          </Button>
          <Button className="whitespace-nowrap" onClick={() => onDrop(cover.id)}>
            Put back
          </Button>
        </div>
      </div>
    </li>
  );
}
