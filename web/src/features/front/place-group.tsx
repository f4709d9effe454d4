import {
  type AlignRoom,
  type AlignTo,
  type Area,
  type Part,
  alignParts,
  boundTo,
  drawnArea,
  isDrawn,
  moveParts,
} from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignStartHorizontal,
  AlignStartVertical,
} from 'lucide-react';
import type { ReactNode } from 'react';
import { useSession } from '../../state/session';
import { NumberField } from '../../ui/number-field';
import { Group } from '../../ui/group';
import { Tip } from '../../ui/tip';
import { degrees, radians } from './fields';
import { nameOf } from './part-names';
import { type On, useSet } from './use-set';

const ALIGNS: readonly { to: AlignTo; label: string; icon: ReactNode }[] = [
  { to: 'left', label: 'To the left', icon: <AlignStartVertical size={15} /> },
  { to: 'centre', label: 'To the centre', icon: <AlignCenterVertical size={15} /> },
  { to: 'right', label: 'To the right', icon: <AlignEndVertical size={15} /> },
  { to: 'top', label: 'To the top', icon: <AlignStartHorizontal size={15} /> },
  { to: 'middle', label: 'To the middle', icon: <AlignCenterHorizontal size={15} /> },
  { to: 'bottom', label: 'To the bottom', icon: <AlignEndHorizontal size={15} /> },
];

/** Six buttons that line parts up in a box. */
export function AlignRow(props: {
  ids: readonly string[];
  frames: ReadonlyMap<string, Rect>;
  on: On;
  within: AlignRoom;
}) {
  const edit = useSession((s) => s.edit);
  return (
    <div className="flex rounded-sm border border-edge bg-card" role="group" aria-label="Line up">
      {ALIGNS.map(({ to, label, icon }) => (
        <Tip key={to} text={label}>
          <button
            type="button"
            aria-label={label}
            onClick={() => void edit(label, props.on(alignParts(props.ids, props.frames, to, props.within)))}
            className="flex flex-1 justify-center py-1.5 text-ink-2 not-first:border-l not-first:border-line hover:text-ink"
          >
            {icon}
          </button>
        </Tip>
      ))}
    </div>
  );
}

/** Where a part sits: numbers in px of the cover, lining up, and what its kind adds. */
export function PlaceGroup(props: {
  part: Part;
  doc: { widthPx: number; heightPx: number };
  frame: Rect | undefined;
  frames: ReadonlyMap<string, Rect>;
  on: On;
  children?: ReactNode;
}) {
  const { part, doc, frame, frames, on } = props;
  const edit = useSession((s) => s.edit);
  const set = useSet(part, on);
  const { widthPx: w, heightPx: h } = doc;
  const x = Math.round(frame?.x ?? 0);
  const y = Math.round(frame?.y ?? 0);
  const move = (dx: number, dy: number, d: boolean): void =>
    void edit(
      `Place of ${nameOf(part).toLowerCase()}`,
      on(moveParts([part.id], frames, dx / w, dy / h)),
      d ? `place-${part.id}` : null,
    );
  // Words in or along a part take their extent from it.
  const bound = boundTo(part) !== null;
  const area = isDrawn(part) ? drawnArea(part.form.ratio, part.area, doc) : 'area' in part && !bound ? part.area : null;
  /** A drawing keeps its ratio: one side takes the other along. */
  const sized = (name: 'width' | 'height', value: number): Area | null => {
    if (!area || !isDrawn(part)) return area && { ...area, [name]: value };
    const k = value / area[name];
    return { ...area, width: area.width * k, height: area.height * k };
  };
  const room = (name: 'width' | 'height', label: string, whole: number) =>
    area && (
      <NumberField
        label={label}
        unit="px"
        value={Math.round(area[name] * whole)}
        least={4}
        most={whole * 4}
        onChange={(v, d) => set('Size', { area: sized(name, v / whole) } as Partial<typeof part>, d && `size-${name}`)}
      />
    );
  return (
    <Group title="Where it sits">
      {/* A place that is not known yet is not shown as one at 0: what is typed would be counted from there. */}
      {frame ? (
        <>
          <NumberField
            label="Left"
            unit="px"
            value={x}
            least={-w * 2}
            most={w * 2}
            onChange={(v, d) => move(v - x, 0, d)}
          />
          <NumberField
            label="Top"
            unit="px"
            value={y}
            least={-h * 2}
            most={h * 2}
            onChange={(v, d) => move(0, v - y, d)}
          />
        </>
      ) : (
        <p className="text-ink-2">Its place is being measured.</p>
      )}
      {room('width', part.kind === 'words' ? 'Room across' : 'Width', w)}
      {room('height', part.kind === 'words' ? 'Room down' : 'Height', h)}
      <NumberField
        label="Turn"
        unit="°"
        value={degrees(part.turnRad)}
        least={-180}
        most={180}
        onChange={(v, d) => set('Turn', { turnRad: radians(v) } as Partial<typeof part>, d && 'turn')}
      />
      <AlignRow ids={[part.id]} frames={frames} on={on} within="safe" />
      {props.children}
    </Group>
  );
}
