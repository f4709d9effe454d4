import {
  ALIGN_ROOMS,
  type AlignRoom,
  type Doc,
  moveParts,
  scaleParts,
  spaceParts,
  turnParts,
} from '@yosomi/core/cover';
import { type Rect, centreOf } from '@yosomi/core/plane';
import { useState } from 'react';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { NumberField } from '../../ui/number-field';
import { boxOf } from './box-of';
import { radians } from './fields';
import { AlignRow } from './place-group';
import type { On } from './use-set';

const ROOMS: Readonly<Record<AlignRoom, string>> = {
  'each-other': 'each other',
  first: 'the first chosen',
  safe: 'the safe area',
  cover: 'the cover',
};

/** Where several parts sit: their common box by numbers, lining up and even gaps, with each other or in a box. */
export function ManyPlace(props: { ids: readonly string[]; doc: Doc; on: On; frames: ReadonlyMap<string, Rect> }) {
  const { ids, doc, on, frames } = props;
  const edit = useSession((s) => s.edit);
  const [within, setWithin] = useState<AlignRoom>('each-other');
  const box = boxOf(ids, doc, frames);
  if (!box) return null;
  const { widthPx: w, heightPx: h } = doc;
  const merge = (name: string, d: boolean): string | null => (d ? `${name}-${ids.join()}` : null);
  const move = (dx: number, dy: number, d: boolean): void =>
    void edit('Move parts', on(moveParts(ids, frames, dx / w, dy / h)), merge('move', d));
  const scale = (k: number, d: boolean): void =>
    void edit('Scale parts', on(scaleParts(ids, frames, box, k)), merge('scale', d));
  const [x, y] = [Math.round(box.x), Math.round(box.y)];
  const spread = within === 'safe' || within === 'cover';
  return (
    <Group title="Where they sit">
      <NumberField
        label="Left"
        unit="px"
        value={x}
        least={-2 * w}
        most={2 * w}
        onChange={(v, d) => move(v - x, 0, d)}
      />
      <NumberField label="Top" unit="px" value={y} least={-2 * h} most={2 * h} onChange={(v, d) => move(0, v - y, d)} />
      <NumberField
        label="Width of all"
        unit="px"
        value={Math.round(box.width)}
        least={4}
        most={4 * w}
        onChange={(v, d) => scale(v / box.width, d)}
      />
      <NumberField
        label="Height of all"
        unit="px"
        value={Math.round(box.height)}
        least={4}
        most={4 * h}
        onChange={(v, d) => scale(v / box.height, d)}
      />
      <NumberField
        label="Turn by"
        unit="°"
        relative
        value={0}
        least={-180}
        most={180}
        onChange={(v, d) =>
          void edit('Turn parts', on(turnParts(ids, frames, centreOf(box), radians(v))), merge('turn', d))
        }
      />
      <div className="flex items-center justify-between gap-2">
        <span className="text-ink-2">Line up with</span>
        <span className="w-36">
          <Menu
            label="Line up with"
            value={within}
            onChange={(next) => setWithin(next as AlignRoom)}
            groups={[{ title: 'Line up with', options: ALIGN_ROOMS.map((r) => ({ value: r, label: ROOMS[r] })) }]}
          />
        </span>
      </div>
      <AlignRow ids={ids} frames={frames} on={on} within={within} />
      <div className="flex items-center gap-1.5">
        <span className="flex-1 text-ink-2">Equal gaps</span>
        {([false, true] as const).map((down) => (
          <Button
            key={String(down)}
            aria-label={down ? 'Equal gaps down' : 'Equal gaps across'}
            disabled={ids.length < (spread ? 2 : 3)}
            onClick={() => void edit('Equal gaps', on(spaceParts(ids, frames, down, within)))}
          >
            {down ? 'Down' : 'Across'}
          </Button>
        ))}
      </div>
      <p className="text-xs text-ink-2">
        {spread
          ? `Equal gaps spread them over ${ROOMS[within]}.`
          : 'Equal gaps move all but the outer two. They need three parts.'}
      </p>
    </Group>
  );
}
