import { type WordsPart, setPart } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { capitals, pairAround, spaceOf, withPair } from '@yosomi/core/text';
import { say } from '../../messages/say';
import { useSession } from '../../state/session';
import { nameOf } from './part-names';
import type { On } from './use-set';
import { writeWords } from './write-words';

const HEIGHT = 64;
const GAP = 8;
/** What one press moves two letters by, em. */
const STEP = 0.01;

/**
 * Where the field stands, px of the screen from the top of the cover: under its words, or above them, or at the head or foot
 * of the cover, wherever it hides least of the other words.
 */
export function fieldTop(own: Rect, others: readonly Rect[], k: number, height: number): number {
  const within = (top: number): number => Math.max(0, Math.min(height - HEIGHT, top));
  const tops = [(own.y + own.height) * k + GAP, own.y * k - HEIGHT - GAP, 0, height - HEIGHT].map(within);
  const hidden = (top: number): number =>
    [...others, own].reduce((sum, r) => {
      const down = Math.min(top + HEIGHT, (r.y + r.height) * k) - Math.max(top, r.y * k);
      const across = Math.min((own.x + own.width) * k, (r.x + r.width) * k) - Math.max(own.x * k, r.x * k);
      return sum + Math.max(0, down) * Math.max(0, across);
    }, 0);
  return tops.reduce((best, top) => (hidden(top) < hidden(best) - 0.5 ? top : best));
}

/** The field for typing on the cover, beside the words it writes. */
export function TypeOnCover(props: {
  part: WordsPart;
  text: string;
  frame: Rect | undefined;
  /** Frames of the other words, px of the cover. */
  others: readonly Rect[];
  k: number;
  height: number;
  on: On;
  onDone(): void;
}) {
  const { part, frame, k, height, on, onDone } = props;
  const edit = useSession((s) => s.edit);
  /** Moves the two letters at the cursor apart, em; nearer below 0. */
  const apart = ({ value, selectionStart, selectionEnd }: HTMLTextAreaElement, by: number): void => {
    const typed = selectionStart === selectionEnd ? pairAround(value, selectionStart) : null;
    if (!typed) return say('Put the cursor between two letters first.');
    const pair = part.upper ? capitals(typed) : typed;
    const pairs = withPair(part.pairs, pair, spaceOf(part.pairs, pair) + by);
    edit(`Space of ${[...pair].join(' ')}`, on(setPart(part.id, { pairs })), `pair-${part.id}-${pair}`);
  };
  const f = frame ?? { x: 0, y: 0, width: 0, height: 0 };
  return (
    <textarea
      autoFocus
      aria-label={`${nameOf(part)} on the cover`}
      defaultValue={props.text}
      onFocus={(e) => e.currentTarget.select()}
      onChange={(e) =>
        edit(`Write ${nameOf(part).toLowerCase()}`, writeWords(part, e.target.value, on), `write-${part.id}`)
      }
      onPointerDown={(e) => e.stopPropagation()}
      onBlur={onDone}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.altKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
          e.preventDefault();
          apart(e.currentTarget, e.key === 'ArrowUp' ? STEP : -STEP);
        }
        if (e.key === 'Escape' || (e.key === 'Enter' && (e.ctrlKey || e.metaKey))) onDone();
      }}
      className="absolute z-10 resize-none rounded-sm border border-blue bg-card px-2 py-1 text-base"
      style={{
        left: Math.max(0, f.x * k - 6),
        top: fieldTop(f, props.others, k, height),
        width: Math.max(180, f.width * k + 12),
        height: HEIGHT,
      }}
    />
  );
}
