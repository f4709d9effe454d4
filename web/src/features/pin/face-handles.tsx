import { type PinFace, pointsOf, sheetOf } from '@yosomi/core/pin';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { arrowStep } from '../../ui/arrow-keys';
import type { SetPin } from './use-pin';

export const CORNER_NAMES = ['Top left', 'Top right', 'Foot right', 'Foot left'] as const;

const rounded = (v: number): number => Math.round(v * 10) / 10;

/** A dot that is dragged or moved by the arrow keys: a pixel of the photograph, ten with Shift, a tenth with Alt. */
function Handle(props: {
  label: string;
  x: number;
  y: number;
  /** Pixels of the screen for one of the photograph. */
  scale: number;
  small?: boolean;
  onMove(x: number, y: number, key: string): void;
  onHeld(held: boolean): void;
  onDrag(dragging: boolean): void;
}) {
  const { label, x, y, scale, small, onMove, onHeld, onDrag } = props;
  /** Where the pointer is, and where the dot would be if it were not rounded. */
  const grip = useRef<{ x: number; y: number; px: number; py: number; key: string } | null>(null);
  const move = (e: PointerEvent): void => {
    const from = grip.current;
    if (!from) return;
    // With Shift the corner goes a fifth of the way, for the last pixel.
    const k = (e.shiftKey ? 0.2 : 1) / scale;
    const [px, py] = [from.px + (e.clientX - from.x) * k, from.py + (e.clientY - from.y) * k];
    grip.current = { ...from, x: e.clientX, y: e.clientY, px, py };
    onMove(px, py, from.key);
  };
  const end = (): void => {
    grip.current = null;
    onDrag(false);
    onHeld(false);
  };
  const keys = (e: KeyboardEvent): void => {
    const d = arrowStep(e, e.altKey ? 0.1 : 1, 10);
    if (d) onMove(x + d[0], y + d[1], `keys-${label.split(':')[0]}`);
  };
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onPointerDown={(e) => {
        e.stopPropagation();
        e.currentTarget.setPointerCapture(e.pointerId);
        grip.current = { x: e.clientX, y: e.clientY, px: x, py: y, key: `drag-${e.timeStamp}` };
        onHeld(true);
        onDrag(true);
      }}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={keys}
      onFocus={() => onHeld(true)}
      onBlur={() => onHeld(false)}
      className={`absolute -translate-x-1/2 -translate-y-1/2 cursor-move touch-none rounded-full border-2 border-card bg-blue outline-offset-2 ring-1 ring-ink/50 ${small ? 'size-3' : 'size-4'}`}
      style={{ left: x * scale, top: y * scale }}
    />
  );
}

/** The corners of a face, or the points by which it is bent. */
export function FaceHandles(props: {
  face: PinFace;
  index: number;
  scale: number;
  bending: boolean;
  set: SetPin;
  onHeld(at: number | null): void;
  onDrag(dragging: boolean): void;
}) {
  const { face, index, scale, bending, set, onHeld, onDrag } = props;
  if (bending) {
    const { bend } = face;
    if (!bend) return null;
    const { size } = bend;
    const sheet = sheetOf(pointsOf(face.corners), null);
    if (!sheet) return null;
    return bend.offsets.map(([dx, dy], k) => {
      const [i, j] = [k % size, Math.floor(k / size)];
      if ((i === 0 || i === size - 1) && (j === 0 || j === size - 1)) return null;
      const p = sheet.place(i / (size - 1), j / (size - 1));
      return (
        <Handle
          key={k}
          small
          label={`Bend at column ${i + 1}, row ${j + 1}`}
          x={p.x + dx}
          y={p.y + dy}
          scale={scale}
          onMove={(mx, my, key) =>
            set(
              'Bend',
              (pin) => {
                const offsets = pin.faces[index]?.bend?.offsets;
                if (offsets) offsets[k] = [rounded(mx - p.x), rounded(my - p.y)];
              },
              key,
            )
          }
          onHeld={() => onHeld(null)}
          onDrag={onDrag}
        />
      );
    });
  }
  return face.corners.map(([x, y], c) => (
    <Handle
      key={c}
      label={`${CORNER_NAMES[c]} corner of ${face.name}: ${rounded(x)}, ${rounded(y)}`}
      x={x}
      y={y}
      scale={scale}
      onMove={(mx, my, key) =>
        set(
          'Move a corner',
          (pin) => {
            const corners = pin.faces[index]?.corners;
            if (corners) corners[c] = [rounded(mx), rounded(my)];
          },
          `${key}-${c}`,
        )
      }
      onHeld={(held) => onHeld(held ? c : null)}
      onDrag={onDrag}
    />
  ));
}
