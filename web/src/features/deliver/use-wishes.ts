import type { Fault } from '@yosomi/core/base';
import { type Wishes, noWishes } from '@yosomi/core/recipe';
import { useLiveQuery } from 'dexie-react-hooks';
import { sayFault } from '../../messages/say';
import { changeWishes, loadWishes } from '../../persist/wishes';

/** How a person wants files; the same for all titles. `unread` says why what is kept of it cannot be read. */
export function useWishes(): {
  wishes: Wishes;
  unread: Fault | null;
  wish(change: (now: Wishes) => Wishes): Promise<boolean>;
} {
  const { value: wishes, fault: unread } = useLiveQuery(loadWishes) ?? { value: noWishes, fault: null };
  const wish = async (change: (now: Wishes) => Wishes): Promise<boolean> => {
    const done = await changeWishes(change);
    if (!done.ok) sayFault(done.fault);
    return done.ok;
  };
  return { wishes, unread, wish };
}
