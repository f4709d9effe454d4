import { likenessOf } from '@yosomi/core/recipe';
import type { Kept } from '@yosomi/core/sketch';
import { say } from '../../messages/say';
import { useBook } from '../../state/session';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { useShelfBooks } from '../mockups/use-others';

/** Lets the sheet go on from the cover of another title: in its colours and faces. */
export function LikeAnother({ onLike }: { onLike(kept: Kept, title: string): void }) {
  const { id, brief } = useBook();
  const others = (useShelfBooks() ?? []).filter((one) => one.id !== id);
  if (others.length === 0) return null;
  const nameOf = (title: string): string => title.trim() || 'Untitled';
  return (
    <Group title="Like another title">
      <Menu
        label="Like another title"
        value="none"
        onChange={(chosen) => {
          const book = others.find((one) => one.id === chosen);
          const kept = book && likenessOf(book, brief);
          if (kept) onLike(kept, nameOf(book.brief.title));
          else if (book) say('That cover shows no title, or its faces lack letters of this one. Choose another.');
        }}
        groups={[
          {
            title: 'Titles of the Shelf',
            options: [
              { value: 'none', label: 'Choose a title' },
              ...others.map((one) => ({ value: one.id, label: nameOf(one.brief.title) })),
            ],
          },
        ]}
      />
      <p className="text-xs text-ink-2">In the colours and faces of its cover; the structure varies.</p>
    </Group>
  );
}
