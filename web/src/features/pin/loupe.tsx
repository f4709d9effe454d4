import type { PinFace } from '@yosomi/core/pin';
import { useEffect, useRef } from 'react';

const SIDE = 148;
/** Pixels of the screen for one of the photograph. */
const TIMES = 6;

/** The photograph about a corner, much enlarged, with the sides that meet there. */
export function Loupe(props: { full: ImageBitmap; at: readonly [number, number]; face: PinFace; className: string }) {
  const ref = useRef<HTMLCanvasElement>(null);
  const { full, at, face } = props;
  useEffect(() => {
    const context = ref.current?.getContext('2d');
    if (!context) return;
    const reach = SIDE / TIMES / 2;
    context.clearRect(0, 0, SIDE, SIDE);
    context.imageSmoothingEnabled = false;
    context.drawImage(full, at[0] - reach, at[1] - reach, 2 * reach, 2 * reach, 0, 0, SIDE, SIDE);
    const on = ([x, y]: readonly [number, number]): [number, number] => [
      (x - at[0] + reach) * TIMES,
      (y - at[1] + reach) * TIMES,
    ];
    for (const [colour, wide] of [
      ['#ffffff', 3],
      ['#2a7296', 1.25],
    ] as const) {
      context.strokeStyle = colour;
      context.lineWidth = wide;
      context.beginPath();
      face.corners.forEach((p, i) => (i === 0 ? context.moveTo(...on(p)) : context.lineTo(...on(p))));
      context.closePath();
      context.stroke();
    }
    context.strokeStyle = '#16181a';
    context.lineWidth = 1;
    context.strokeRect(SIDE / 2 - 4.5, SIDE / 2 - 4.5, 9, 9);
  }, [full, at, face]);
  return (
    <canvas
      ref={ref}
      width={SIDE}
      height={SIDE}
      aria-hidden
      className={`${props.className} pointer-events-none border border-edge bg-card`}
      style={{ width: SIDE, height: SIDE }}
    />
  );
}
