import { type CSSProperties, useEffect, useRef } from 'react';

/** Shows a bitmap pixel for pixel; the caller owns and keeps it. Without a label it is decoration. */
export function Bitmap(props: {
  bitmap: ImageBitmap | null;
  label: string;
  className?: string;
  style?: CSSProperties;
}) {
  const ref = useRef<HTMLCanvasElement>(null);
  const { bitmap } = props;
  useEffect(() => {
    const canvas = ref.current;
    if (!canvas || bitmap?.width === 0) return;
    // Nothing is shown rather than something else.
    if (!bitmap) return canvas.getContext('2d')?.clearRect(0, 0, canvas.width, canvas.height);
    if (canvas.width !== bitmap.width) canvas.width = bitmap.width;
    if (canvas.height !== bitmap.height) canvas.height = bitmap.height;
    const context = canvas.getContext('2d');
    context?.clearRect(0, 0, canvas.width, canvas.height);
    context?.drawImage(bitmap, 0, 0);
  }, [bitmap]);
  const named = props.label ? { role: 'img', 'aria-label': props.label } : { 'aria-hidden': true };
  return <canvas ref={ref} {...named} className={props.className} style={props.style} />;
}
