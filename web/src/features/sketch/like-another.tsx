import { likenessOf } from '@yosomi/core/recipe';
import type { Kept } from '@yosomi/core/sketch';
import { nameOfCard } from '@yosomi/core/shelf';
import { say, sayFault } from '../../messages/say';
import { loadBook } from '../../persist/titles';
import { useBook } from '../../state/session';
import { Group } from '../../ui/group';
import { Menu } from '../../ui/menu';
import { useShelfCards } from '../mockups/use-others';

/** Lets the sheet go on from the cover of another title: in its colours and faces. */
export function LikeAnother({ onLike }: { onLike(kept: Kept, title: string): void }) {
  const { id, brief } = useBook();
  const others = (useShelfCards() ?? []).filter((one) => one.id !== id);
  if (others.length === 0) return null;
  const take = async (chosen: string): Promise<void> => {
    if (!others.some((one) => one.id === chosen)) return;
    const book = await loadBook(chosen);
    if (!book.ok) return sayFault(book.fault);
    const kept = likenessOf(book.value, brief);
    if (kept) onLike(kept, book.value.brief.title.trim() || 'Untitled');
    else say('That cover shows no title, or its faces lack letters of this one. Choose another.');
  };
  return (
    <Group title="Like another title">
      <Menu
        label="Like another title"
        value="none"
        onChange={(chosen) => void take(chosen)}
        groups={[
          {
            title: 'Titles of the Shelf',
            options: [
              { value: 'none', label: 'Choose a title' },
              ...others.map((one) => ({ value: one.id, label: nameOfCard(one) })),
            ],
          },
        ]}
      />
      <p className="text-xs text-ink-2">In the colours and faces of its cover; the structure varies.</p>
    </Group>
  );
}
