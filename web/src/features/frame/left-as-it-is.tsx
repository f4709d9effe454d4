import type { Fault } from '@yosomi/core/base';
import { sentenceOf } from '../../messages/sentences';

/** Where what is kept for all titles cannot be read: why, and that it was left as it is. */
export function LeftAsItIs({ why }: { why: Fault | null }) {
  if (!why) return null;
  return (
    <p role="status" className="border-l-2 border-may pl-2 text-xs text-ink">
      {sentenceOf(why)}
    </p>
  );
}
