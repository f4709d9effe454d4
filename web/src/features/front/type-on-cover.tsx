import type { WordsPart } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useSession } from '../../state/session';
import { nameOf } from './part-names';
import type { On } from './use-set';
import { writeWords } from './write-words';

/** The field for typing on the cover, right under the words it writes. */
export function TypeOnCover(props: {
  part: WordsPart;
  text: string;
  frame: Rect | undefined;
  k: number;
  height: number;
  on: On;
  onDone(): void;
}) {
  const { part, frame, k, height, on, onDone } = props;
  const edit = useSession((s) => s.edit);
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
        if (e.key === 'Escape' || (e.key === 'Enter' && (e.ctrlKey || e.metaKey))) onDone();
      }}
      className="absolute z-10 resize-none rounded-sm border border-blue bg-card/95 px-2 py-1 text-base"
      style={{
        left: Math.max(0, f.x * k - 6),
        top: Math.min(height - 60, f.y * k + f.height * k + 8),
        width: Math.max(180, f.width * k + 12),
        height: 64,
      }}
    />
  );
}
