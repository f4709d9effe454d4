import { type CutHint, fewerPoints } from '@yosomi/core/cover';
import type { Point } from '@yosomi/core/plane';
import type { Raster } from '@yosomi/core/pixels';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { arrowStep } from '../../ui/arrow-keys';
import { BrushRing } from './brush-ring';

/** Steps of the keys, fractions of the picture's width. */
const STEP = 0.02;
const FAR = 0.1;
/** What is left of the light where a picture goes. */
const DIM = 0.22;
/** A stroke that runs out over the picture is kept as far as it can be stored. */
const onSheet = (v: number): number => Math.min(2, Math.max(-1, v));

/**
 * The picture with what goes darkened, and a place for strokes: by hand, or the brush moved by arrow keys and set down by Enter;
 * X changes what a stroke says, [ and ] its width.
 */
export function CutOutSheet(props: {
  picture: Raster;
  mask: Uint8Array | null;
  /** Something newer than the mask is being found. */
  looking: boolean;
  hints: readonly CutHint[];
  keep: boolean;
  width: number;
  onKeep(keep: boolean): void;
  onWidth(width: number): void;
  onStroke(stroke: CutHint): void;
}) {
  const { picture, mask, hints, keep, width, onStroke } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [at, setAt] = useState<Point>({ x: 0.5, y: 0.5 });
  const [stroke, setStroke] = useState<readonly Point[]>([]);
  const ratio = picture.height / picture.width;

  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const shown = new ImageData(new Uint8ClampedArray(picture.data), picture.width, picture.height);
    if (mask)
      for (let i = 0; i < mask.length; i++) if (!mask[i]) for (let c = 0; c < 3; c++) shown.data[i * 4 + c] *= DIM;
    context.putImageData(shown, 0, 0);
  }, [picture, mask]);

  const lay = (points: readonly Point[]): void => {
    onStroke({ keep, width, points: fewerPoints(points).map(({ x, y }) => ({ x: onSheet(x), y: onSheet(y) })) });
  };
  const inPicture = (e: PointerEvent<HTMLElement>): Point => {
    const box = e.currentTarget.getBoundingClientRect();
    return { x: (e.clientX - box.x) / box.width, y: (e.clientY - box.y) / box.height };
  };
  const onKeyDown = (e: KeyboardEvent): void => {
    const step = arrowStep(e, STEP, FAR);
    const within = (v: number): number => Math.min(1, Math.max(0, v));
    if (step) return setAt({ x: within(at.x + step[0]), y: within(at.y + step[1] / ratio) });
    if (e.key === 'Enter' || e.key === ' ') lay([at]);
    else if (e.key === 'x') props.onKeep(!keep);
    else if (e.key === '[') props.onWidth(Math.max(0.005, width / 1.2));
    else if (e.key === ']') props.onWidth(Math.min(0.2, width * 1.2));
    else return;
    e.preventDefault();
  };
  const line = (points: readonly Point[]): string =>
    [...points, points[points.length - 1]].map(({ x, y }) => `${x * 1000},${y * 1000 * ratio}`).join(' ');
  return (
    <div
      role="application"
      aria-label={`The picture. A stroke says: this ${keep ? 'stays' : 'goes'}. Arrow keys move the brush, Enter sets it down, X changes what it says, brackets change its width.`}
      tabIndex={0}
      data-cut-out={props.looking ? 'looking' : 'found'}
      className="relative mx-auto max-h-[46vh] max-w-full cursor-crosshair touch-none self-center bg-table"
      style={{ aspectRatio: 1 / ratio, width: `min(100%, ${(46 / ratio).toFixed(2)}vh)` }}
      onKeyDown={onKeyDown}
      onPointerDown={(e) => {
        if (e.button !== 0) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        setStroke([inPicture(e)]);
      }}
      onPointerMove={(e) => {
        const p = inPicture(e);
        setAt(p);
        if (stroke.length > 0) setStroke([...stroke, p]);
      }}
      onPointerUp={() => {
        if (stroke.length > 0) lay(stroke);
        setStroke([]);
      }}
      onPointerCancel={() => setStroke([])}
    >
      <canvas ref={canvas} width={picture.width} height={picture.height} aria-hidden className="h-full w-full" />
      <svg
        viewBox={`0 0 1000 ${1000 * ratio}`}
        className="pointer-events-none absolute inset-0 h-full w-full"
        aria-hidden
      >
        {[...hints, ...(stroke.length > 0 ? [{ keep, width, points: stroke }] : [])].map((one, i) => (
          <g key={i} fill="none" strokeLinecap="round" strokeLinejoin="round">
            <polyline
              points={line(one.points)}
              stroke={one.keep ? '#2a7296' : '#8f2f1f'}
              strokeOpacity={0.35}
              strokeWidth={one.width * 1000}
            />
            <polyline
              points={line(one.points)}
              stroke="#ffffff"
              strokeWidth={4}
              strokeDasharray={one.keep ? undefined : '10 9'}
            />
          </g>
        ))}
        <BrushRing x={at.x * 1000} y={at.y * 1000 * ratio} r={width * 500} thick={2} />
      </svg>
    </div>
  );
}
