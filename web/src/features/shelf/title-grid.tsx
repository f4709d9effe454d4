import type { Card, CardGroup } from '@yosomi/core/shelf';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { Link } from 'react-router';
import { Verdict } from '../../ui/verdict';
import { type KeyboardEvent, type ReactNode, useLayoutEffect, useMemo, useRef, useState } from 'react';

/** Sizes of a card and the gaps between cards, px. */
export const CARD = { width: 200, height: 402 } as const;
const [GAP_X, GAP_Y] = [36, 32];
const HEAD = 44;
/** Rows that are there beyond what is seen, above and below. */
const MORE_ROWS = 2;

type Row =
  | { readonly kind: 'head'; readonly group: CardGroup; readonly name: string }
  | { readonly kind: 'cards'; readonly group: CardGroup; readonly cards: readonly Card[]; readonly from: number };

function rowsOf(groups: readonly CardGroup[], nameOf: (group: CardGroup) => string, columns: number): Row[] {
  let from = 0;
  return groups.flatMap((group) => {
    const name = nameOf(group);
    const rows: Row[] = name === '' ? [] : [{ kind: 'head', group, name }];
    for (let at = 0; at < group.cards.length; at += columns) {
      rows.push({ kind: 'cards', group, cards: group.cards.slice(at, at + columns), from: from + at });
    }
    from += group.cards.length;
    return rows;
  });
}

/** Where an arrow key leads from a place in the list, with the row that it lies in; null where it leads nowhere. */
function stepFrom(rows: readonly Row[], at: number, key: string): { readonly at: number; readonly row: number } | null {
  const holds = (row: Row, place: number): boolean =>
    row.kind === 'cards' && place >= row.from && place < row.from + row.cards.length;
  const beside = key === 'ArrowRight' ? at + 1 : key === 'ArrowLeft' ? at - 1 : null;
  if (beside !== null) {
    const row = rows.findIndex((one) => holds(one, beside));
    return row < 0 ? null : { at: beside, row };
  }
  const now = rows.findIndex((one) => holds(one, at));
  const from = rows[now];
  if (from?.kind !== 'cards' || (key !== 'ArrowDown' && key !== 'ArrowUp')) return null;
  const by = key === 'ArrowDown' ? 1 : -1;
  for (let row = now + by; row >= 0 && row < rows.length; row += by) {
    const to = rows[row];
    if (to.kind === 'cards') return { at: to.from + Math.min(at - from.from, to.cards.length - 1), row };
  }
  return null;
}

/** Gives the keyboard to a title; false where it is not there now. */
function focusAt(list: HTMLElement | null, at: number): boolean {
  const link = list?.querySelector<HTMLElement>(`[aria-posinset="${at + 1}"] a`);
  link?.focus();
  return link !== null && link !== undefined;
}

/** What scrolls an element. */
function scrollerOf(element: HTMLElement | null): HTMLElement | null {
  for (let at = element?.parentElement ?? null; at; at = at.parentElement) {
    if (/auto|scroll/.test(getComputedStyle(at).overflowY)) return at;
  }
  return null;
}

/** Any number of titles, in groups; only those near what is seen are there, and the one that has the keyboard. */
export function TitleGrid(props: {
  groups: readonly CardGroup[];
  nameOf(group: CardGroup): string;
  /** Where a group has a page of its own. */
  linkOf(group: CardGroup): string | null;
  /** What is odd about a group. */
  noteOf(group: CardGroup): string | null;
  children(card: Card): ReactNode;
}) {
  const { groups, nameOf } = props;
  const list = useRef<HTMLUListElement>(null);
  const [room, setRoom] = useState({ width: 0, top: 0 });
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  const [held, setHeld] = useState<number | null>(null);
  const columns = Math.max(1, Math.floor((room.width + GAP_X) / (CARD.width + GAP_X)));
  const rows = useMemo(() => rowsOf(groups, nameOf, columns), [groups, nameOf, columns]);
  const of = groups.reduce((sum, { cards }) => sum + cards.length, 0);
  useLayoutEffect(() => {
    const element = list.current;
    const around = scrollerOf(element);
    if (!element || !around) return;
    setScroller(around);
    const look = (): void => {
      const top = element.getBoundingClientRect().top - around.getBoundingClientRect().top + around.scrollTop;
      setRoom((now) =>
        now.width === element.clientWidth && now.top === top ? now : { width: element.clientWidth, top },
      );
    };
    look();
    const observer = new ResizeObserver(look);
    observer.observe(element);
    // What stands above may grow or go.
    for (const child of element.parentElement?.parentElement?.children ?? []) observer.observe(child);
    return () => observer.disconnect();
  }, []);
  const virtual = useVirtualizer({
    count: room.width > 0 ? rows.length : 0,
    getScrollElement: () => scroller,
    estimateSize: (at) => (rows[at].kind === 'head' ? HEAD : CARD.height + GAP_Y),
    scrollMargin: room.top,
    overscan: MORE_ROWS,
    rangeExtractor: (range) => {
      const near = defaultRangeExtractor(range);
      return held === null || held >= rows.length || near.includes(held) ? near : [...near, held].sort((a, b) => a - b);
    },
  });
  const goal = useRef<number | null>(null);
  const onArrow = (e: KeyboardEvent): void => {
    const link = e.target;
    if (!(link instanceof HTMLAnchorElement) || e.shiftKey || e.ctrlKey || e.metaKey || e.altKey) return;
    const step = stepFrom(rows, Number(link.closest('li')?.ariaPosInSet) - 1, e.key);
    if (!step) return;
    e.preventDefault();
    if (focusAt(list.current, step.at)) return;
    goal.current = step.at;
    setHeld(step.row);
  };
  // The row that a key leads to is there now, wherever it lies.
  useLayoutEffect(() => {
    if (goal.current !== null) focusAt(list.current, goal.current);
    goal.current = null;
  }, [held]);
  const { measure } = virtual;
  // Sizes are remembered by place: other rows have others.
  useLayoutEffect(() => measure(), [rows, measure]);
  return (
    <ul
      ref={list}
      aria-label="Titles on the Shelf"
      className="relative w-full"
      style={{ height: virtual.getTotalSize() }}
      onBlur={() => setHeld(null)}
      onKeyDown={onArrow}
    >
      {/* One flat list: within lists of their own all would be made anew where a row goes. */}
      {virtual.getVirtualItems().flatMap(({ index, start }) => {
        const row = rows[index];
        const top = start - room.top;
        if (row.kind === 'head')
          return (
            <li key={`head ${row.group.key}`} className="absolute left-0 flex items-baseline gap-3" style={{ top }}>
              <h2 className="text-base font-semibold">
                <Name name={row.name} to={props.linkOf(row.group)} />
              </h2>
              <span className="text-ink-2">
                {row.group.cards.length === 1 ? 'One title' : `${row.group.cards.length} titles`}
              </span>
              <Note text={props.noteOf(row.group)} />
            </li>
          );
        return row.cards.map((card, i) => (
          <li
            key={`${row.group.key} ${card.id}`}
            aria-setsize={of}
            aria-posinset={row.from + i + 1}
            className="absolute"
            style={{ top, left: i * (CARD.width + GAP_X), width: CARD.width, height: CARD.height }}
            onFocus={() => setHeld(index)}
          >
            {props.children(card)}
          </li>
        ));
      })}
    </ul>
  );
}

const Name = ({ name, to }: { name: string; to: string | null }) =>
  to === null ? (
    name
  ) : (
    <Link to={to} className="underline underline-offset-2 hover:no-underline">
      {name}
    </Link>
  );
const Note = ({ text }: { text: string | null }) => text && <Verdict grade="may">{text}</Verdict>;
