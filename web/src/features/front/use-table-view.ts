import { type RefObject, useCallback, useState } from 'react';
import { useSize } from './use-size';

/** How the table shows the cover: how far it is enlarged over fitting, and where its middle lies, in screen px. */
export type TableView = {
  readonly zoom: number;
  readonly x: number;
  readonly y: number;
};

const FIT: TableView = { zoom: 1, x: 0, y: 0 };
const MOST_ZOOM = 16;

/**
 * Fits the cover into the room and lets it be enlarged about the pointer and moved. `k` is screen px per cover px;
 * `origin` is the cover's top left corner inside the room.
 */
export function useTableView(room: RefObject<HTMLElement | null>, doc: { widthPx: number; heightPx: number }) {
  const size = useSize(room);
  const [view, setView] = useState<TableView>(FIT);
  const fit = size ? Math.min((size.width - 72) / doc.widthPx, (size.height - 72) / doc.heightPx) : 0;
  const scale = fit * view.zoom;
  const width = Math.max(1, Math.floor(doc.widthPx * scale));
  const height = Math.max(1, Math.floor(doc.heightPx * scale));
  const k = width / doc.widthPx;
  const origin = size
    ? { x: (size.width - width) / 2 + view.x, y: (size.height - height) / 2 + view.y }
    : { x: 0, y: 0 };
  const zoomAt = useCallback(
    (factor: number, at?: { x: number; y: number }) => {
      if (!size) return;
      setView((now) => {
        const zoom = Math.min(MOST_ZOOM, Math.max(0.25, now.zoom * factor));
        const f = zoom / now.zoom;
        // What is under the pointer stays under it; without one, the middle of the room.
        const px = (at?.x ?? size.width / 2) - size.width / 2;
        const py = (at?.y ?? size.height / 2) - size.height / 2;
        return { zoom, x: px - (px - now.x) * f, y: py - (py - now.y) * f };
      });
    },
    [size],
  );
  const pan = useCallback((dx: number, dy: number) => setView((v) => ({ ...v, x: v.x + dx, y: v.y + dy })), []);
  const toFit = useCallback(() => setView(FIT), []);
  const toFull = useCallback((): void => {
    if (fit > 0) setView({ zoom: 1 / fit / window.devicePixelRatio, x: 0, y: 0 });
  }, [fit]);
  // Other pixels are another cover: it is shown whole.
  const [pixels, setPixels] = useState(`${doc.widthPx} ${doc.heightPx}`);
  if (pixels !== `${doc.widthPx} ${doc.heightPx}`) {
    setPixels(`${doc.widthPx} ${doc.heightPx}`);
    setView(FIT);
  }
  return { ready: fit > 0, k, width, height, origin, zoomAt, pan, toFit, toFull };
}
