import { DEPTHS, type Depth, type Doc, depthPlace, moveInDepth } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Group } from '../../ui/group';
import type { On } from './use-set';

export const DEPTH_NAMES: Readonly<Record<Depth, string>> = {
  forward: 'Forward',
  back: 'Back',
  front: 'To the very front',
  rear: 'To the very back',
  'behind-words': 'Behind the words',
};

/** Moves parts in depth. What would change nothing to be seen cannot be pressed. */
export function DepthGroup(props: { ids: readonly string[]; doc: Doc; frames: ReadonlyMap<string, Rect>; on: On }) {
  const { ids, doc, frames, on } = props;
  const edit = useSession((s) => s.edit);
  return (
    <Group title="How deep it lies">
      <div className="flex flex-wrap gap-1.5">
        {DEPTHS.map((to) => (
          <Button
            key={to}
            disabled={depthPlace(doc, ids, frames, to) === 'nothing'}
            onClick={() => void edit(DEPTH_NAMES[to], on(moveInDepth(ids, frames, to)))}
          >
            {DEPTH_NAMES[to]}
          </Button>
        ))}
      </div>
    </Group>
  );
}
