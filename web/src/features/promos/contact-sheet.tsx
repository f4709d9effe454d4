import { type Format, type Campaign, ownOf } from '@yosomi/core/promo';
import { useLayoutEffect, useRef, useState } from 'react';
import { Bitmap } from '../../ui/bitmap';
import { stepAmong } from '../../ui/step-among';
import { OWN_NAMES, SLOT_NAMES } from './names';
import type { Tile } from './use-promo-tiles';

export type Place = { readonly id: string; readonly width: number; readonly height: number };

const GAP = 18;
/** Room under a tile for its name. */
const CAPTION = 26;

/** Rows of pictures of one height each that fill the width, in their order: a contact sheet. Sizes in CSS px. */
export function rowsOf(formats: readonly { id: string; ratio: number }[], width: number, tall: number): Place[][] {
  const rows: Place[][] = [];
  let row: { id: string; ratio: number }[] = [];
  const close = (last: boolean): void => {
    const ratios = row.reduce((sum, one) => sum + one.ratio, 0);
    const fits = (width - GAP * (row.length - 1)) / ratios;
    const height = Math.round(last ? Math.min(fits, tall) : Math.min(fits, tall * 1.35));
    rows.push(row.map(({ id, ratio }) => ({ id, width: Math.floor(height * ratio), height })));
    row = [];
  };
  for (const one of formats) {
    row.push(one);
    const ratios = row.reduce((sum, r) => sum + r.ratio, 0);
    if (ratios * tall + GAP * (row.length - 1) >= width * 0.94) close(false);
  }
  if (row.length > 0) close(true);
  return rows;
}

/** The width of an element as it changes; 0 until it is known. */
export function useWidth<E extends HTMLElement>(): [React.RefObject<E | null>, number] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => setWidth(Math.floor(entry.contentRect.width)));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [ref, width];
}

/** All formats of a campaign together. A click chooses one; Enter or a second click opens it. */
export function ContactSheet(props: {
  campaign: Campaign;
  rows: readonly (readonly Place[])[];
  formats: ReadonlyMap<string, Format>;
  tiles: ReadonlyMap<string, Tile>;
  chosen: string | null;
  onChoose(id: string): void;
  onOpen(id: string): void;
}) {
  const { campaign, tiles, chosen } = props;
  const first = props.rows[0]?.[0]?.id;
  return (
    <div role="group" aria-label="Formats" className="flex flex-col gap-5" onKeyDown={stepAmong}>
      {props.rows.map((row) => (
        <div key={row[0].id} className="flex items-start" style={{ gap: GAP }}>
          {row.map(({ id, width, height }) => {
            const format = props.formats.get(id);
            if (!format) return null;
            const tile = tiles.get(id);
            const own = OWN_NAMES[ownOf(campaign, id)];
            const left = tile?.dropped.map((slot) => SLOT_NAMES[slot]).join(', ');
            return (
              <figure key={id} className="flex flex-col" style={{ width, minHeight: height + CAPTION }}>
                <button
                  type="button"
                  data-tile={id}
                  aria-pressed={chosen === id}
                  aria-label={`${format.name}, ${format.widthPx} by ${format.heightPx}${own ? `, ${own}` : ''}${left ? `, left out: ${left}` : ''}. Press Enter to open it.`}
                  tabIndex={chosen === id || (chosen === null && id === first) ? 0 : -1}
                  onClick={() => (chosen === id ? props.onOpen(id) : props.onChoose(id))}
                  onKeyDown={(e) => {
                    if (e.key !== 'Enter') return;
                    e.preventDefault();
                    props.onOpen(id);
                  }}
                  className="relative block bg-black/10 outline-offset-3 aria-pressed:outline-3 aria-pressed:outline-blue-pale"
                  style={{ width, height }}
                >
                  <Bitmap bitmap={tile?.bitmap ?? null} label="" className="block h-full w-full shadow-cover" />
                  <Zones format={format} />
                </button>
                <figcaption className="mt-1.5 text-xs leading-tight text-ink">
                  {format.name}{' '}
                  <span className="font-mono whitespace-nowrap">
                    {format.widthPx} x {format.heightPx}
                  </span>
                  {own && <span className="block">{own}</span>}
                  {left && <span className="block">without {left}</span>}
                </figcaption>
              </figure>
            );
          })}
        </div>
      ))}
    </div>
  );
}

/** Where others lay their controls over a promo. */
export function Zones({ format }: { format: Format }) {
  const { top, bottom } = format.zones;
  const line = 'pointer-events-none absolute inset-x-0 border-dashed border-white/70';
  return (
    <>
      {top > 0 && <span aria-hidden className={`${line} border-b`} style={{ top: 0, height: `${top * 100}%` }} />}
      {bottom > 0 && (
        <span aria-hidden className={`${line} border-t`} style={{ bottom: 0, height: `${bottom * 100}%` }} />
      )}
    </>
  );
}
