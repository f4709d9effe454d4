import {
  DndContext,
  type DragEndEvent,
  MouseSensor,
  TouchSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { type AddedScrim } from '@yosomi/core/compose';
import type { Edit } from '@yosomi/core/base';
import { type Doc, dropBehind, nameGroup, setPart } from '@yosomi/core/cover';
import type { WordsReport } from '@yosomi/core/recipe';
import { type KeyboardEvent, type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { useSession } from '../../state/session';
import { GroupRow, PartRow, ScrimRow } from './part-row';
import { nameOf } from './part-names';
import { type Row, dropped, idsOf, rowsOf } from './parts-rows';
import { usePointed } from './pointed';
import type { On } from './use-set';

/** How far a hand moves before a press becomes a carry, px; and how long a finger rests first, ms. */
const CARRY = { distance: 5 } as const;
const REST = { delay: 220, tolerance: 6 } as const;

/** What a carry has done is said by the list itself, in the parts' own names. */
const silent = (): undefined => undefined;
const SAID_HERE = {
  announcements: { onDragStart: silent, onDragOver: silent, onDragEnd: silent, onDragCancel: silent },
  screenReaderInstructions: { draggable: '' },
} as const;

/**
 * The parts as they lie, the foremost first. A press chooses one, Shift a run of them, Ctrl one more; rows are carried to
 * another depth by mouse or finger, or by Alt and the arrow keys.
 */
export function PartsPanel(props: {
  doc: Doc;
  on: On;
  pictures: ReadonlyMap<string, ImageBitmap> | undefined;
  reports: ReadonlyMap<string, WordsReport>;
  added: readonly AddedScrim[];
  children?: ReactNode;
}) {
  const { doc, on, pictures, reports, added } = props;
  const selection = useSession((s) => s.selection);
  const select = useSession((s) => s.select);
  const selectMany = useSession((s) => s.selectMany);
  const edit = useSession((s) => s.edit);
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const [renaming, setRenaming] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const list = useRef<HTMLUListElement>(null);
  /** Where a run chosen with Shift begins. */
  const anchor = useRef<string | null>(null);
  const rows = useMemo(() => rowsOf(doc, added, folded), [doc, added, folded]);
  const ids = rows.map((row) => row.id);
  const [focused, setFocused] = useState<string | null>(null);
  const current =
    focused !== null && ids.includes(focused) ? focused : (rows.find((row) => chosen(row, selection))?.id ?? ids[0]);
  useEffect(() => () => usePointed.getState().point(null), []);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: CARRY }),
    useSensor(TouchSensor, { activationConstraint: REST }),
  );

  const choose = (row: Row, e: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }): void => {
    const own = row.kind === 'added' ? [row.id] : idsOf(row);
    // A run begins where one was chosen last, here or on the cover.
    const begun = rows.find((one) => one.id === anchor.current);
    const start = begun && chosen(begun, selection) ? begun : rows.find((one) => chosen(one, selection));
    const from = start ? rows.indexOf(start) : -1;
    if (e.shiftKey && from >= 0) {
      const to = rows.indexOf(row);
      const run = rows.slice(Math.min(from, to), Math.max(from, to) + 1).filter((one) => one.kind !== 'added');
      return selectMany([...own, ...run.flatMap(idsOf)]);
    }
    anchor.current = row.id;
    if (!e.ctrlKey && !e.metaKey) return own.length === 1 ? select(own[0]) : selectMany(own);
    const all = own.every((id) => selection.includes(id));
    selectMany(all ? selection.filter((id) => !own.includes(id)) : [...selection, ...own]);
  };
  const carry = (id: string, over: string): void => {
    const drop = dropped(rows, id, over);
    if (!drop) return;
    const name = nameOf(doc.parts[drop.ids[0]]);
    const what = drop.ids.length > 1 ? 'the group' : name.toLowerCase();
    if (!edit(`Depth of ${what}`, on(dropBehind(drop.ids, drop.before, drop.into)))) return;
    const front = drop.before ? doc.parts[drop.before] : undefined;
    setSaid(front ? `Now right behind ${nameOf(front).toLowerCase()}.` : 'Now in front of everything.');
  };
  const focusRow = (id: string | undefined): void =>
    list.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(id ?? '')}"] [data-main]`)?.focus();
  const onKeyDown = (e: KeyboardEvent): void => {
    const at = ids.indexOf((e.target as HTMLElement).closest('[data-row]')?.getAttribute('data-row') ?? '');
    const row = rows[at];
    if (!row || renaming) return;
    const step = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0) {
      e.preventDefault();
      e.stopPropagation();
      const next = rows[at + step];
      if (!next) return;
      if (e.altKey) return carry(row.id, next.id);
      if (e.shiftKey) {
        anchor.current ??= row.id;
        choose(next, e);
      }
      return focusRow(next.id);
    }
    if (e.key === 'Home' || e.key === 'End') {
      e.preventDefault();
      return focusRow(e.key === 'Home' ? ids[0] : ids.at(-1));
    }
    if (row.kind === 'group' && (e.key === 'ArrowLeft' || e.key === 'ArrowRight')) {
      e.preventDefault();
      return fold(row.group, e.key === 'ArrowLeft');
    }
    if (e.key === 'F2' && row.kind !== 'added') {
      e.preventDefault();
      setRenaming(row.id);
    }
  };
  /** Ends naming a row, by `naming` where the name is another. */
  const named = (id: string, name: string | null, before: string, what: string, naming: Edit<Doc>): void => {
    setRenaming(null);
    if (name !== null && name !== before) edit(`Name of ${what}`, on(naming));
    requestAnimationFrame(() => focusRow(id));
  };
  const fold = (group: string, shut: boolean): void =>
    setFolded((now) => {
      const next = new Set(now);
      if (shut) next.add(group);
      else next.delete(group);
      return next;
    });
  const switched = (which: readonly string[], field: 'hidden' | 'locked', to: boolean): void => {
    const verb = field === 'hidden' ? (to ? 'Hide' : 'Show') : to ? 'Lock' : 'Unlock';
    edit(`${verb} ${which.length > 1 ? 'a group' : nameOf(doc.parts[which[0]]).toLowerCase()}`, (book) => {
      for (const id of which) {
        const refused = on(setPart(id, { [field]: to }))(book);
        if (refused) return refused;
      }
    });
  };
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (over) carry(String(active.id), String(over.id));
  };
  const common = (row: Row) => ({
    id: row.id,
    chosen: chosen(row, selection),
    /** Only one row is in the order of Tab; arrows go to the others. */
    reached: row.id === current,
    onChoose: (e: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }) => choose(row, e),
    onSwitch: (field: 'hidden' | 'locked', to: boolean) => switched(idsOf(row), field, to),
    onKeyDown,
  });
  return (
    <nav aria-label="Parts" className="flex h-full w-[216px] shrink-0 flex-col overflow-auto border-r border-line py-3">
      <h2 className="px-4 pb-1.5 text-xs font-semibold text-ink-2">From the front to the back</h2>
      <DndContext sensors={sensors} collisionDetection={closestCenter} accessibility={SAID_HERE} onDragEnd={onDragEnd}>
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ul
            ref={list}
            onFocus={(e) => setFocused(e.target.closest('[data-row]')?.getAttribute('data-row') ?? null)}
            onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && setFocused(null)}
          >
            {rows.map((row) => {
              switch (row.kind) {
                case 'part':
                  return (
                    <PartRow
                      key={row.id}
                      {...common(row)}
                      part={row.part}
                      inGroup={row.inGroup}
                      picture={pictures?.get(row.id) ?? null}
                      report={reports.get(row.id)}
                      renaming={renaming === row.id}
                      onRename={() => setRenaming(row.id)}
                      onNamed={(name) =>
                        named(
                          row.id,
                          name,
                          row.part.name,
                          nameOf(row.part).toLowerCase(),
                          setPart(row.id, { name: name ?? '' }),
                        )
                      }
                    />
                  );
                case 'group':
                  return (
                    <GroupRow
                      key={row.id}
                      {...common(row)}
                      parts={row.parts}
                      called={doc.groups[row.group] ?? ''}
                      open={row.open}
                      renaming={renaming === row.id}
                      onRename={() => setRenaming(row.id)}
                      onNamed={(name) =>
                        named(row.id, name, doc.groups[row.group] ?? '', 'the group', nameGroup(row.group, name ?? ''))
                      }
                      onFold={() => fold(row.group, row.open)}
                    />
                  );
                case 'added':
                  return <ScrimRow key={row.id} {...common(row)} scrim={row.scrim} />;
              }
            })}
          </ul>
        </SortableContext>
      </DndContext>
      <p className="sr-only" role="status">
        {said}
      </p>
      {props.children && <div className="px-4 pt-4">{props.children}</div>}
    </nav>
  );
}

const chosen = (row: Row, selection: readonly string[]): boolean => {
  const own = row.kind === 'added' ? [row.id] : idsOf(row);
  return own.every((id) => selection.includes(id));
};
