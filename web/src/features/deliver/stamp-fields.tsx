import type { Stamp, StampPlace } from '@yosomi/core/pdf';
import { Check } from '../../ui/check';
import { TextField } from '../../ui/field';
import { Menu } from '../../ui/menu';

const PLACES: readonly { readonly value: StampPlace; readonly label: string }[] = [
  { value: 'outer', label: 'Outer edge' },
  { value: 'inner', label: 'Inner edge' },
  { value: 'left', label: 'Left' },
  { value: 'centre', label: 'Centre' },
  { value: 'right', label: 'Right' },
];

/** Lines as they are typed. */
export type Typed = {
  readonly head: string;
  readonly headAt: StampPlace;
  readonly foot: string;
  readonly footAt: StampPlace;
  readonly apart: boolean;
  readonly evenHead: string;
  readonly evenFoot: string;
  readonly pages: string;
  readonly size: string;
};

export const typedFor = (website: string): Typed => ({
  head: website,
  headAt: 'outer',
  foot: '{page}',
  footAt: 'centre',
  apart: false,
  evenHead: '',
  evenFoot: '',
  pages: '',
  size: '8.5',
});

/** Pages as people type them: "3-20", "from 3", "5", or nothing for all; null where that cannot be read. */
export function pagesOf(typed: string): Stamp['pages'] | undefined {
  const text = typed.trim().toLowerCase();
  if (text === '' || text === 'all') return null;
  const match = /^(?:from\s+|pages?\s+)?(\d{1,5})\s*(?:(-|–|to)\s*(\d{1,5})?)?$/.exec(text);
  if (!match) return undefined;
  const from = Number(match[1]);
  const open = match[2] !== undefined || text.startsWith('from');
  return { from, to: match[3] ? Number(match[3]) : open ? 5000 : from };
}

/** A size in points, with or without its unit; null where it cannot be read. */
export function sizeOf(typed: string): number | null {
  const match = /^(\d+(?:[.,]\d+)?)\s*(pt|points?)?$/.exec(typed.trim().toLowerCase());
  const size = match ? Number(match[1].replace(',', '.')) : Number.NaN;
  return size >= 6 && size <= 24 ? size : null;
}

/** What is to be put on the pages; null where nothing is, or where something cannot be read. */
export function stampOf(typed: Typed, modified: string): Omit<Stamp, 'cut'> | null {
  const [pages, size] = [pagesOf(typed.pages), sizeOf(typed.size)];
  if (pages === undefined || size === null) return null;
  const line = (text: string, at: StampPlace): Stamp['head'] => (text.trim() ? { text: text.trim(), at } : null);
  const [head, foot] = [line(typed.head, typed.headAt), line(typed.foot, typed.footAt)];
  const even = typed.apart
    ? { head: line(typed.evenHead, typed.headAt), foot: line(typed.evenFoot, typed.footAt) }
    : null;
  return head || foot || even?.head || even?.foot ? { head, foot, even, pages, size, modified } : null;
}

/** Lines for the pages of a PDF. */
export function StampFields({ typed, onTyped }: { typed: Typed; onTyped(typed: Typed): void }) {
  const put = (change: Partial<Typed>): void => onTyped({ ...typed, ...change });
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-[1fr_9rem] items-end gap-x-3 gap-y-3">
        <TextField label="Head" value={typed.head} maxLength={200} onChange={(head) => put({ head })} />
        <Menu
          label="Where the head stands"
          value={typed.headAt}
          groups={[{ title: 'Head', options: PLACES }]}
          onChange={(headAt) => put({ headAt: headAt as StampPlace })}
        />
        <TextField label="Foot" value={typed.foot} maxLength={200} onChange={(foot) => put({ foot })} />
        <Menu
          label="Where the foot stands"
          value={typed.footAt}
          groups={[{ title: 'Foot', options: PLACES }]}
          onChange={(footAt) => put({ footAt: footAt as StampPlace })}
        />
      </div>
      <p className="text-ink-2">
        {'{page}'} stands for the number of the page, {'{pages}'} for how many there are. Addresses become links.
      </p>
      <Check label="Other lines on even pages" checked={typed.apart} onChange={(apart) => put({ apart })}>
        <TextField
          label="Head of even pages"
          value={typed.evenHead}
          maxLength={200}
          onChange={(evenHead) => put({ evenHead })}
        />
        <TextField
          label="Foot of even pages"
          value={typed.evenFoot}
          maxLength={200}
          onChange={(evenFoot) => put({ evenFoot })}
        />
      </Check>
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Pages"
          value={typed.pages}
          placeholder="all"
          onChange={(pages) => put({ pages })}
          error={pagesOf(typed.pages) === undefined ? 'Type pages like 3-20, from 3, or 5.' : null}
        />
        <TextField
          label="Size in points"
          value={typed.size}
          onChange={(size) => put({ size })}
          error={sizeOf(typed.size) === null ? 'Type 6 to 24 points.' : null}
        />
      </div>
      <p className="text-ink-2">
        The lines go into the margin that each page has free. It is measured, and nothing is covered. A page without
        room stays as it is, and you are told.
      </p>
    </div>
  );
}
