import type { DrawnForm } from '@yosomi/core/cover';
import { type Drawn, type Silhouettes, drawnForm, packetOf, spokenName } from '@yosomi/core/symbols';
import { useRef } from 'react';
import type { z } from 'zod';
import { useInView } from '../../ui/in-view';
import { usePacket } from '../../work/symbols';
import { MarkPicture } from './mark-picture';

export type SymbolForm = z.infer<typeof DrawnForm>;

const formOf = (drawn: Drawn): SymbolForm => drawnForm([drawn], drawn.ratio, [drawn.d]);

/** `first`: Tab comes to it, arrows go on from there. */
type Tile = { readonly id: string; readonly first: boolean; onUse(form: SymbolForm, name: string): void };

/** `form` is null while the outline is not read: `onWant` is told of a press then. */
function Frame(props: Tile & { form: SymbolForm | null; lost?: boolean; onWant?(): void }) {
  const { id, form, lost = false } = props;
  const name = spokenName(id);
  return (
    <button
      type="button"
      data-tile={id}
      title={name}
      aria-label={lost ? `${name}, not read: try again` : name}
      aria-busy={form === null && !lost}
      tabIndex={props.first ? 0 : -1}
      onClick={() => (form ? props.onUse(form, name) : props.onWant?.())}
      className="flex h-[76px] w-full items-center justify-center rounded-sm border border-line bg-card p-3.5 hover:border-ink"
    >
      {form ? (
        <MarkPicture form={form} className="h-full max-w-full" />
      ) : (
        <span className="text-xs text-ink-2">{lost ? 'Not read. Try again' : ''}</span>
      )}
    </button>
  );
}

/** A plain shape. */
export const SymbolTile = ({ drawn, ...tile }: Omit<Tile, 'id'> & { drawn: Drawn }) => (
  <li>
    <Frame id={drawn.id} {...tile} form={formOf(drawn)} />
  </li>
);

/** A silhouette; its outline is read once the tile is near what is seen, and brings the credit that is due for it. */
export function SilhouetteTile({ of, ...tile }: Tile & { of: Silhouettes }) {
  const ref = useRef<HTMLLIElement>(null);
  const near = useInView(ref);
  const { data, isError, refetch } = usePacket(of, near ? packetOf(of, tile.id) : null);
  const drawn = data?.find(({ id }) => id === tile.id);
  /** What was lost is only asked for again; what is still on its way is put on once it is there, unless one has left. */
  const want = async (): Promise<void> => {
    const { data: read } = await refetch({ cancelRefetch: false });
    const form = read?.find(({ id }) => id === tile.id);
    if (!isError && form && ref.current) tile.onUse(formOf(form), spokenName(tile.id));
  };
  return (
    <li ref={ref}>
      <Frame {...tile} form={drawn ? formOf(drawn) : null} lost={isError} onWant={() => near && void want()} />
    </li>
  );
}
