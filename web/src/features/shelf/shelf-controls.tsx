import type { Grouping, Sort } from '@yosomi/core/shelf';
import { X } from 'lucide-react';
import { useId } from 'react';
import { inputLook } from '../../ui/field';
import { Menu } from '../../ui/menu';
import { groupings, sorts, useShelfAsk } from './ask';

/** What of the Shelf is shown, and in what order. */
export function ShelfControls({ found, of }: { found: number; of: number }) {
  const { ask, set } = useShelfAsk();
  const id = useId();
  return (
    <div role="search" aria-label="Titles" className="mb-6 flex flex-wrap items-center gap-x-4 gap-y-2">
      <div className="relative w-64">
        <label htmlFor={id} className="sr-only">
          Find a title
        </label>
        <input
          id={id}
          type="text"
          value={ask.words}
          placeholder="Find by title, author or series"
          className={inputLook}
          onChange={(e) => set({ words: e.target.value })}
          onKeyDown={(e) => {
            if (e.key !== 'Escape' || ask.words === '') return;
            e.stopPropagation();
            set({ words: '' });
          }}
        />
        {ask.words !== '' && (
          <button
            type="button"
            aria-label="Show all titles"
            className="absolute top-1.5 right-1.5 rounded-sm p-1 text-ink-2 hover:text-ink"
            onClick={() => set({ words: '' })}
          >
            <X size={14} />
          </button>
        )}
      </div>
      <div className="w-52">
        <Menu
          label="Order of titles"
          value={ask.sort}
          groups={[{ title: 'Order', options: sorts }]}
          onChange={(sort) => set({ sort: sort as Sort })}
        />
      </div>
      <div className="w-40">
        <Menu
          label="Groups of titles"
          value={ask.group}
          groups={[{ title: 'Groups', options: groupings }]}
          onChange={(group) => set({ group: group as Grouping })}
        />
      </div>
      <p role="status" className="text-ink-2">
        {found === of ? `${of} titles` : `${found} of ${of} titles`}
      </p>
    </div>
  );
}
