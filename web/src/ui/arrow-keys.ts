import type { KeyboardEvent } from 'react';

/**
 * The step an arrow key asks for, as right and down; `large` with Shift. null for any other key. The key is used up,
 * so that the page does not scroll.
 */
export function arrowStep(
  e: KeyboardEvent,
  step: number,
  large: number,
): readonly [right: number, down: number] | null {
  const by = e.shiftKey ? large : step;
  const steps: Record<string, readonly [number, number]> = {
    ArrowLeft: [-by, 0],
    ArrowRight: [by, 0],
    ArrowUp: [0, -by],
    ArrowDown: [0, by],
  };
  const found = steps[e.key];
  if (!found) return null;
  e.preventDefault();
  return found;
}
