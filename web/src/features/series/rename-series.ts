import { follow } from '../../state/follow';
import { say, sayFault } from '../../messages/say';
import { editStored } from '../../persist/titles';
import { nowIso } from '../../platform/clock';
import { freshId } from '../../platform/ids';

/** Gives titles the name of a series, as one step of all of them, which one notice takes back. True where all have it. */
export async function putInSeries(ids: readonly string[], name: string): Promise<boolean> {
  const shared = { id: freshId(), titles: [...ids] };
  let count = 0;
  for (const id of ids) {
    const done = await editStored(id, 'Series', (book) => void (book.brief.seriesName = name), nowIso(), shared);
    if (done.ok) count++;
    else sayFault(done.fault);
  }
  if (count > 0)
    say(`${count === 1 ? 'One title is' : `${count} titles are`} in “${name}” now.`, {
      label: 'Undo',
      run: () => void follow(shared, 'undo', null),
    });
  return count === ids.length;
}
