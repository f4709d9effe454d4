import { type Wishes, noWishes } from '@yosomi/core/recipe';
import { useLiveQuery } from 'dexie-react-hooks';
import { sayFault } from '../../messages/say';
import { changeWishes, loadWishes } from '../../persist/wishes';

/** How a person wants files; the same for all titles. */
export function useWishes(): { wishes: Wishes; wish(change: (now: Wishes) => Wishes): Promise<boolean> } {
  const wishes = useLiveQuery(loadWishes) ?? noWishes;
  const wish = async (change: (now: Wishes) => Wishes): Promise<boolean> => {
    const done = await changeWishes(change);
    if (!done.ok) sayFault(done.fault);
    return done.ok;
  };
  return { wishes, wish };
}
