import { type Marked, type PinScene, outlineOf, pointsOf, sheetOf } from '@yosomi/core/pin';
import type { Book } from '@yosomi/core/project';
import { useEffect, useRef, useState } from 'react';
import { sentenceOf } from '../../messages/sentences';
import { bytesOf } from '../../persist/assets';
import { useSize } from '../front/use-size';
import { FaceHandles } from './face-handles';
import { Loupe } from './loupe';
import { type Brush, useBrush } from './use-brush';
import { useLivePin } from './use-live-pin';
import type { SetPin } from './use-pin';

/** What the hand does on the photograph. */
export type Mode = 'corners' | 'bend' | 'front' | 'light' | 'away';

const STATES = {
  making: 'Making the picture',
  preview: 'Preview',
  final: 'Final',
  failed: 'The picture could not be made. Change something to try again.',
} as const;

/** The whole photograph as the page can draw it, for the loupe. */
function useFull(asset: string): ImageBitmap | null {
  const [full, setFull] = useState<ImageBitmap | null>(null);
  useEffect(() => {
    let current = true;
    let made: ImageBitmap | null = null;
    void bytesOf([asset]).then(async (files) => {
      const bytes = files.get(asset);
      made = bytes ? await createImageBitmap(new Blob([bytes])).catch(() => null) : null;
      if (current) setFull(made);
      else made?.close();
    });
    return () => {
      current = false;
      made?.close();
      setFull(null);
    };
  }, [asset]);
  return full;
}

/** Room round the photograph, so that corners at its edge can be taken hold of, px. */
const MARGIN = 18;

export function PinStage(props: {
  book: Book;
  pin: PinScene;
  set: SetPin;
  mode: Mode;
  /** What is painted in the modes that paint. */
  on: Marked;
  brush: Brush;
  chosen: number;
  opacity: number;
  /** True while the corners are looked for. */
  finding: boolean;
  onChoose(face: number): void;
  /** Panels wait while something is dragged. */
  onDrag(dragging: boolean): void;
}) {
  const { book, pin, set, mode, brush, chosen, opacity, finding, onChoose, onDrag } = props;
  const room = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLCanvasElement>(null);
  const space = useSize(room);
  const [held, setHeld] = useState<number | null>(null);
  const { widthPx, heightPx } = pin.photo;
  const k = space ? Math.min((space.width - 2 * MARGIN) / widthPx, (space.height - 2 * MARGIN) / heightPx) : 0;
  const [width, height] = [Math.max(0, Math.floor(widthPx * k)), Math.max(0, Math.floor(heightPx * k))];
  const scale = width / widthPx;
  const drawnPx = width > 20 ? Math.min(widthPx, Math.round(width * Math.min(2, window.devicePixelRatio))) : null;
  const painting = mode === 'front' || mode === 'away' || mode === 'light' ? props.on : null;
  const [stroking, setStroking] = useState(false);
  // What marks do is judged by itself: where it is seen, their blue shows only under the hand.
  const seen = painting === 'shade' || painting === 'light' || (painting === 'away' && pin.ground.kind !== 'photo');
  const state = useLivePin(canvas, over, book, pin, drawnPx, { opacity, marks: seen && !stroking ? null : painting });
  const full = useFull(pin.photo.asset);
  const { cross, handlers } = useBrush(painting, brush, scale, set, (dragging) => {
    setStroking(dragging);
    onDrag(dragging);
  });
  const face = pin.faces[chosen];
  const grabbed = held !== null && face && mode === 'corners' ? face.corners[held] : null;
  const said = finding
    ? 'Looking for the corners of the cover'
    : state.kind === 'fault'
      ? sentenceOf(state.fault)
      : STATES[state.kind];
  const clear = pin.ground.kind === 'clear';
  return (
    <>
      <div ref={room} className="relative min-h-0 flex-1 overflow-hidden">
        <div
          className={`absolute top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2 touch-none ${painting ? 'cursor-crosshair' : ''}`}
          style={{
            width,
            height,
            background: clear ? 'repeating-conic-gradient(#fff 0 25%, #e4e4e2 0 50%) 0 0 / 16px 16px' : undefined,
          }}
          {...handlers}
          tabIndex={painting ? 0 : -1}
          role={painting ? 'application' : undefined}
          aria-label={painting ? 'Photograph to paint on. Arrow keys move the brush, the space bar paints.' : undefined}
        >
          <canvas
            ref={canvas}
            role="img"
            aria-label={`${book.brief.title || 'The book'} on the photograph`}
            data-state={state.kind}
            className="absolute inset-0 size-full"
          />
          <canvas ref={over} aria-hidden className="pointer-events-none absolute" style={{ display: 'none' }} />
          <svg
            viewBox={`0 0 ${Math.max(1, width)} ${Math.max(1, height)}`}
            className="pointer-events-none absolute inset-0 size-full overflow-visible"
            aria-hidden
          >
            {(mode === 'corners' || mode === 'bend') &&
              pin.faces.map((one, i) => {
                const sheet = sheetOf(pointsOf(one.corners), one.bend);
                const outline = sheet ? outlineOf(sheet) : pointsOf(one.corners);
                const points = outline.map((p) => `${p.x * scale},${p.y * scale}`).join(' ');
                return (
                  <g key={one.id} fill="none" strokeLinejoin="round">
                    <polygon points={points} stroke="#ffffff" strokeOpacity={0.8} strokeWidth={3} />
                    <polygon
                      points={points}
                      className="stroke-blue"
                      strokeWidth={1.25}
                      strokeDasharray={i === chosen ? undefined : '5 4'}
                    />
                  </g>
                );
              })}
            {painting && cross && brush.tool !== 'colour' && (
              <g fill="none">
                <circle
                  cx={cross[0] * scale}
                  cy={cross[1] * scale}
                  r={brush.radius * scale}
                  stroke="#ffffff"
                  strokeWidth={3}
                  strokeOpacity={0.7}
                />
                <circle
                  cx={cross[0] * scale}
                  cy={cross[1] * scale}
                  r={brush.radius * scale}
                  className="stroke-blue"
                  strokeWidth={1.25}
                />
              </g>
            )}
          </svg>
          {!painting &&
            pin.faces.map((one, i) =>
              i === chosen ? (
                <FaceHandles
                  key={one.id}
                  face={one}
                  index={i}
                  scale={scale}
                  bending={mode === 'bend'}
                  set={set}
                  onHeld={setHeld}
                  onDrag={onDrag}
                />
              ) : (
                <button
                  key={one.id}
                  type="button"
                  aria-label={`Choose ${one.name}`}
                  title={`Choose ${one.name}`}
                  onClick={() => onChoose(i)}
                  className="absolute size-3 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-card bg-ink-2"
                  style={middle(one.corners, scale)}
                />
              ),
            )}
        </div>
        {grabbed && full && face && (
          <Loupe
            full={full}
            at={grabbed}
            face={face}
            className={`absolute top-3 ${grabbed[0] < widthPx / 2 ? 'right-3' : 'left-3'}`}
          />
        )}
      </div>
      <footer className="flex h-10 shrink-0 items-center gap-4 bg-paper px-4 text-xs text-ink-2">
        <span className="font-mono">
          {widthPx} x {heightPx}
        </span>
        <span role="status">{said}</span>
        {grabbed && (
          <span className="font-mono">
            {grabbed[0].toFixed(1)}, {grabbed[1].toFixed(1)}
          </span>
        )}
        <span className="ml-auto">{HINTS[mode]}</span>
      </footer>
    </>
  );
}

const HINTS: Readonly<Record<Mode, string>> = {
  corners: 'Drag a corner, slowly with Shift. Arrow keys move it by 1 px, with Alt by 0.1',
  bend: 'Drag the points to where the paper bows',
  front: 'Paint over what stands before the cover',
  light: 'Paint light or shade on the cover',
  away: 'Paint over what is to go',
};

function middle(corners: readonly (readonly [number, number])[], scale: number): { left: number; top: number } {
  const mean = (c: 0 | 1): number => (corners.reduce((sum, p) => sum + p[c], 0) / corners.length) * scale;
  return { left: mean(0), top: mean(1) };
}
