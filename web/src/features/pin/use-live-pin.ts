import { type Fault, type Result, ok } from '@yosomi/core/base';
import { supersedingSlot } from '@yosomi/core/jobs';
import type { Marked, PinScene } from '@yosomi/core/pin';
import type { Book } from '@yosomi/core/project';
import { pinKey } from '@yosomi/core/recipe';
import { type RefObject, useEffect, useRef, useState } from 'react';
import type { FaceView } from '../../work/pin.worker';
import { SCREEN_ART, giveArts, pinner } from '../../work/pins';

export type LiveState =
  { readonly kind: 'making' | 'preview' | 'final' | 'failed' } | { readonly kind: 'fault'; readonly fault: Fault };

/** The final picture follows when nothing has changed for this long, ms. */
const REST_MS = 180;

type Shown = {
  /** How much of the art is seen over the photograph, 0..1. */
  readonly opacity: number;
  /** The marks that are shown in blue, if any. */
  readonly marks: Marked | null;
};

type Job = { readonly book: Book; readonly scene: PinScene; readonly widthPx: number; readonly quick: boolean };

/** What is drawn: the whole picture, or the art of the faces over the photograph. */
type Picture =
  | { readonly kind: 'whole'; readonly bitmap: ImageBitmap }
  | { readonly kind: 'faces'; readonly faces: readonly FaceView[]; readonly widthPx: number };

/** A preview has at most so many pixels across: two cores keep up with a hand at this size. */
const PREVIEW_PX = 560;

async function view({ book, scene, widthPx, quick }: Job): Promise<Result<Picture>> {
  const worker = pinner();
  const keys = await giveArts(worker, book, scene, SCREEN_ART);
  // Where the background goes, the whole picture changes.
  if (quick && scene.ground.kind === 'photo') {
    const smallPx = Math.min(widthPx, PREVIEW_PX);
    const made = await worker.ask(worker.api.faces(scene, keys, smallPx));
    return made.ok ? ok({ kind: 'faces', faces: made.value, widthPx: smallPx }) : made;
  }
  const made = await worker.ask(worker.api.view(scene, keys, widthPx, quick ? 'preview' : 'final'));
  return made.ok ? ok({ kind: 'whole', bitmap: made.value }) : made;
}

type MarksJob = { readonly scene: PinScene; readonly marks: Marked; readonly widthPx: number };

async function marksOf({ scene, marks, widthPx }: MarksJob): Promise<{ bitmap: ImageBitmap | null }> {
  const worker = pinner();
  return { bitmap: await worker.ask(worker.api.marks(scene, marks, widthPx)) };
}

type Faces = Extract<Picture, { kind: 'faces' }>;

function drawFaces(context: CanvasRenderingContext2D, { faces }: Faces, k: number): void {
  for (const { bitmap, at } of faces) context.drawImage(bitmap, at.x * k, at.y * k, at.width * k, at.height * k);
}

/** Draws the faces alone into a canvas that is moved to where they are; k is its pixels for one of the picture below. */
function drawApart(
  el: HTMLCanvasElement,
  picture: Faces,
  k: number,
  size: { width: number; height: number },
  opacity: number,
): void {
  const { faces } = picture;
  const x = Math.min(...faces.map(({ at }) => at.x));
  const y = Math.min(...faces.map(({ at }) => at.y));
  const width = Math.max(1, Math.max(...faces.map(({ at }) => at.x + at.width)) - x);
  const height = Math.max(1, Math.max(...faces.map(({ at }) => at.y + at.height)) - y);
  if (faces.length === 0) return void (el.style.display = 'none');
  el.width = width;
  el.height = height;
  const context = el.getContext('2d');
  for (const { bitmap, at } of faces) context?.drawImage(bitmap, at.x - x, at.y - y);
  const share = (v: number, whole: number): string => `${(100 * v) / k / whole}%`;
  Object.assign(el.style, {
    left: share(x, size.width),
    top: share(y, size.height),
    width: share(width, size.width),
    height: share(height, size.height),
    opacity: String(opacity),
  });
}

const close = (picture: Picture | null): void => {
  if (picture?.kind === 'whole') picture.bitmap.close();
  if (picture?.kind === 'faces') picture.faces.forEach((face) => face.bitmap.close());
};

/**
 * Draws the pinned photograph into a canvas `widthPx` wide: when it rests the final picture, while it changes the
 * photograph, with a preview of the faces in a second canvas over it.
 */
export function useLivePin(
  canvas: RefObject<HTMLCanvasElement | null>,
  over: RefObject<HTMLCanvasElement | null>,
  book: Book,
  scene: PinScene,
  widthPx: number | null,
  { opacity, marks }: Shown,
): LiveState {
  const [state, setState] = useState<LiveState>({ kind: 'making' });
  const [slot] = useState(() => supersedingSlot(view));
  const [overlay] = useState(() => supersedingSlot(marksOf));
  const photo = useRef<{ key: string; bitmap: ImageBitmap } | null>(null);
  const last = useRef<Picture | null>(null);
  const marked = useRef<{ on: string; bitmap: ImageBitmap | null } | null>(null);
  const frames = useRef(0);
  /** What the lower canvas shows, when it is the photograph alone. */
  const base = useRef('');
  const marksOn = `${scene.photo.asset} ${marks} ${widthPx}`;
  const shownOn = useRef<string | null>(null);
  useEffect(() => {
    shownOn.current = marks && marksOn;
    return () => void (shownOn.current = null);
  }, [marks, marksOn]);
  const draw = useRef(() => {});
  draw.current = () => {
    const el = canvas.current;
    const context = el?.getContext('2d');
    if (!el || !context || !last.current) return;
    const picture = last.current;
    const under = photo.current?.bitmap;
    const size = picture.kind === 'whole' ? picture.bitmap : (under ?? el);
    // While a hand moves only the faces change: they are drawn apart, so that the photograph need not be drawn again.
    const apart = picture.kind === 'faces' && !marks && over.current !== null;
    const shows = apart ? `photo ${photo.current?.key}` : '';
    if (!apart || base.current !== shows) {
      if (el.width !== size.width) el.width = size.width;
      if (el.height !== size.height) el.height = size.height;
      context.clearRect(0, 0, size.width, size.height);
      if (under && (opacity < 1 || picture.kind === 'faces')) context.drawImage(under, 0, 0);
      context.globalAlpha = opacity;
      if (picture.kind === 'whole') context.drawImage(picture.bitmap, 0, 0);
      else if (!apart) drawFaces(context, picture, size.width / picture.widthPx);
      context.globalAlpha = 1;
      // Marks of what was shown before are not those of what is shown now.
      if (marked.current?.bitmap && marked.current.on === marksOn) context.drawImage(marked.current.bitmap, 0, 0);
    }
    base.current = shows;
    if (over.current) {
      over.current.style.display = apart ? '' : 'none';
      if (apart) drawApart(over.current, picture, picture.widthPx / size.width, size, opacity);
    }
    el.dataset.frames = String(frames.current);
  };
  const key = widthPx ? `${pinKey(book, scene)} ${widthPx}` : '';
  useEffect(() => {
    if (!widthPx) return;
    let current = true;
    const show = (made: Result<Picture>, kind: 'preview' | 'final'): void => {
      if (!made.ok) return setState({ kind: 'fault', fault: made.fault });
      close(last.current);
      last.current = made.value;
      frames.current++;
      draw.current();
      setState((now) => (now.kind === kind ? now : { kind }));
    };
    void (async () => {
      try {
        const worker = pinner();
        const named = `${scene.photo.asset} ${widthPx}`;
        if (photo.current?.key !== named) {
          // Another photograph: the one before must not be seen in its place.
          setState({ kind: 'making' });
          close(last.current);
          last.current = null;
          const el = canvas.current;
          base.current = '';
          el?.getContext('2d')?.clearRect(0, 0, el.width, el.height);
          if (over.current) over.current.style.display = 'none';
          const bitmap = await worker.ask(worker.api.photo(scene.photo.asset, widthPx));
          photo.current?.bitmap.close();
          photo.current = bitmap && { key: named, bitmap };
        }
        const quick = await slot({ book, scene, widthPx, quick: true });
        // Shown even when the hand has moved on: a dragged corner must be seen moving.
        if (quick) show(quick, 'preview');
        await new Promise((resolve) => setTimeout(resolve, REST_MS));
        if (!current) return;
        const fine = await slot({ book, scene, widthPx, quick: false });
        if (fine && current) show(fine, 'final');
      } catch {
        if (current) setState({ kind: 'failed' });
      }
    })();
    return () => {
      current = false;
    };
    // The key stands for the scene, what lies on its faces, and the size.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [key, slot]);

  const marksKey =
    marks && widthPx
      ? JSON.stringify([scene.photo.asset, scene.marks, scene.faces.map((f) => [f.corners, f.bend]), marks, widthPx])
      : null;
  useEffect(() => {
    if (!marksKey || !marks || !widthPx) return draw.current();
    let current = true;
    void overlay({ scene, marks, widthPx }).then(
      (made) => {
        if (!made) return;
        // Shown even when the hand has moved on meanwhile: what is painted must be seen while it is.
        if (shownOn.current !== marksOn) return made.bitmap?.close();
        marked.current?.bitmap?.close();
        marked.current = { on: marksOn, bitmap: made.bitmap };
        draw.current();
      },
      () => current && setState({ kind: 'failed' }),
    );
    return () => {
      current = false;
    };
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [marksKey]);

  useEffect(() => draw.current(), [opacity, marks]);
  return state;
}
