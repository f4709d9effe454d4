import { useFrom } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { useNeighbours } from '../../work/sketch-queries';
import { KIND_NAMES } from './names';

const WIDE = 120;

/** Covers of the sheet among made-up books of the same kind, at the size at which shops show them. */
export function AmongView({
  own,
}: {
  own: readonly { readonly id: string; readonly bitmap: ImageBitmap | null; readonly name: string }[];
}) {
  const kind = useFrom((b) => b.brief.kind);
  const { data: others, isError } = useNeighbours(kind, true);
  if (isError) return <p className="p-8 text-ink">The made-up books could not be drawn. Open this view again.</p>;
  if (!others) return <p className="p-8 text-ink">Setting up the shelf</p>;
  // Every third book is one of the sheet's.
  const row: { key: string; bitmap: ImageBitmap | null; label: string; mine: boolean }[] = [];
  let [o, m] = [0, 0];
  while (o < others.length || m < own.length) {
    const mine = row.length % 3 === 1 ? m < own.length : o >= others.length;
    if (mine) row.push({ key: own[m].id, bitmap: own[m].bitmap, label: `Yours: ${own[m++].name}`, mine });
    else row.push({ key: `other-${o}`, bitmap: others[o], label: `A made-up neighbour ${++o}`, mine });
  }
  return (
    <div className="p-8">
      <p className="pb-5 text-ink">
        {KIND_NAMES[kind]}, as a shop would show it: yours are underlined, the others are made up.
      </p>
      <ul aria-label="Among others" className="flex flex-wrap gap-x-7 gap-y-8">
        {row.map((one) => (
          <li key={one.key} style={{ width: WIDE }} className="flex flex-col justify-end gap-2">
            <Bitmap bitmap={one.bitmap} label={one.label} className="block w-full shadow-cover" />
            <span className={`h-[3px] ${one.mine ? 'bg-card' : ''}`} aria-hidden />
          </li>
        ))}
      </ul>
    </div>
  );
}
