import type { Book } from '@yosomi/core/project';
import { type FactGroup, SHARED_FACTS, type SharedFact, sharedFact, volumeColours } from '@yosomi/core/recipe';
import { useMemo } from 'react';
import { Verdict } from '../../ui/verdict';

const FACT_NAMES: Readonly<Record<SharedFact, string>> = {
  author: 'Author',
  publisher: 'Publisher',
  website: 'Website',
  size: 'Size of the cover',
  layout: 'Layout',
  faces: 'Faces',
  spine: 'Spine',
};
const COLOURS = 3;

/** What a group of volumes says of a fact. */
function saidOf(fact: SharedFact, { value, ids }: FactGroup): string {
  switch (fact) {
    case 'layout':
      return value === 'finished' ? 'Finished files' : ids.length === 1 ? 'One of its own' : 'The same';
    case 'spine':
      return value === 'own' ? 'Edited by hand' : 'Made from the front';
    case 'faces':
      return value || 'Finished files';
    case 'author':
    case 'publisher':
    case 'website':
    case 'size':
      return value || 'None yet';
  }
}

/** "Volumes 1 and 3", or the titles of those that have no number. */
function volumesOf({ ids }: FactGroup, books: readonly Book[]): string {
  const some = books.filter(({ id }) => ids.includes(id));
  const names = some.map(({ brief }) =>
    brief.seriesNumber === null ? brief.title.trim() || 'Untitled' : String(brief.seriesNumber),
  );
  const told = names.length > 6 ? [...names.slice(0, 5), `${names.length - 5} more`] : names;
  const list = told.length === 1 ? told[0] : `${told.slice(0, -1).join(', ')} and ${told.at(-1)}`;
  return `${some.length === 1 ? 'Volume' : 'Volumes'} ${list}`;
}

/** What the volumes of a series share, and where they differ. */
export function SharedTable({ books }: { books: readonly Book[] }) {
  const facts = useMemo(() => SHARED_FACTS.map((fact) => ({ fact, groups: sharedFact(fact, books) })), [books]);
  const colours = useMemo(() => books.map((book) => ({ book, own: volumeColours(book, COLOURS) })), [books]);
  return (
    <table className="w-full max-w-[860px] border-collapse text-left">
      <tbody>
        {facts.map(({ fact, groups }) => (
          <tr key={fact} className="border-b border-line align-top">
            <th scope="row" className="w-44 py-2 pr-4 font-semibold">
              {FACT_NAMES[fact]}
            </th>
            <td className="py-2">
              {groups.length === 1 ? (
                saidOf(fact, groups[0])
              ) : (
                <ul>
                  {groups.map((group) => (
                    <li key={group.value}>
                      <span className="text-ink-2">{volumesOf(group, books)}:</span> {saidOf(fact, group)}
                    </li>
                  ))}
                </ul>
              )}
            </td>
            <td className="w-28 py-2 pl-4 text-right">
              <Verdict grade={groups.length === 1 ? 'pass' : 'may'}>
                {groups.length === 1 ? 'Shared' : 'Differs'}
              </Verdict>
            </td>
          </tr>
        ))}
        <tr className="align-top">
          <th scope="row" className="py-2 pr-4 font-semibold">
            Colours
          </th>
          <td className="py-2" colSpan={2}>
            <ul className="flex flex-wrap gap-x-5 gap-y-2">
              {colours.map(({ book, own }) => (
                <li key={book.id} className="flex items-center gap-2">
                  <span className="text-ink-2">
                    {book.brief.seriesNumber ?? (book.brief.title.trim() || 'Untitled')}
                  </span>
                  <span className="flex" role="img" aria-label={own.join(', ')} title={own.join(', ')}>
                    {own.map((hex, i) => (
                      <span key={i} className="size-5 border border-line" style={{ background: hex }} />
                    ))}
                  </span>
                </li>
              ))}
            </ul>
          </td>
        </tr>
      </tbody>
    </table>
  );
}
