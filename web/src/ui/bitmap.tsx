import { type CSSProperties, useEffect, useRef } from 'react';

/**
 * Shows a bitmap pixel for pixel; the caller owns and keeps it. Without a label it is decoration. `live` hands on newer ones that
 * are drawn at once; each comes as `bitmap` too when the screen is drawn.
 */
export function Bitmap(props: {
  bitmap: ImageBitmap | null;
  label: string;
  live?: (draw: (bitmap: ImageBitmap) => void) => () => void;
  className?: string;
  style?: CSSProperties;
}) {
  const ref = useRef<HTMLCanvasElement>(null);
  const drawn = useRef<ImageBitmap | null>(null);
  const { bitmap, live } = props;
  useEffect(() => {
    draw(ref.current, bitmap, drawn.current);
    drawn.current = bitmap;
  }, [bitmap]);
  useEffect(
    () =>
      live?.((next) => {
        draw(ref.current, next, drawn.current);
        drawn.current = next;
      }),
    [live],
  );
  const named = props.label ? { role: 'img', 'aria-label': props.label } : { 'aria-hidden': true };
  return <canvas ref={ref} {...named} className={props.className} style={props.style} />;
}

function draw(canvas: HTMLCanvasElement | null, bitmap: ImageBitmap | null, drawn: ImageBitmap | null): void {
  if (!canvas || bitmap?.width === 0) return;
  // Nothing is shown rather than something else.
  if (!bitmap) return canvas.getContext('2d')?.clearRect(0, 0, canvas.width, canvas.height);
  if (bitmap === drawn) return;
  if (canvas.width !== bitmap.width) canvas.width = bitmap.width;
  if (canvas.height !== bitmap.height) canvas.height = bitmap.height;
  const context = canvas.getContext('2d');
  context?.clearRect(0, 0, canvas.width, canvas.height);
  context?.drawImage(bitmap, 0, 0);
}
