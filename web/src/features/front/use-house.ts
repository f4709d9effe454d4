import type { Fault } from '@yosomi/core/base';
import { type House, emptyHouse } from '@yosomi/core/project';
import { useLiveQuery } from 'dexie-react-hooks';
import { sayFault } from '../../messages/say';
import { changeHouse, houseOf, loadHouse } from '../../persist/keeps';
import { useFrom } from '../../state/session';

/** The house style, and how it is changed: whether it was, and a refused change says why; and `unread` why what is kept of it cannot be read. */
export function useHouse(): {
  house: House;
  unread: Fault | null;
  change(edit: (house: House) => House): Promise<boolean>;
} {
  const row = houseOf(useFrom((book) => book.id));
  const { value: house, fault: unread } = useLiveQuery(() => loadHouse(row), [row]) ?? {
    value: emptyHouse,
    fault: null,
  };
  const change = async (edit: (house: House) => House): Promise<boolean> => {
    const done = await changeHouse(row, edit).catch(
      () => ({ ok: false, fault: { code: 'work-failed', data: {} } }) as const,
    );
    if (!done.ok) sayFault(done.fault);
    return done.ok;
  };
  return { house, unread, change };
}

export const withColour =
  (hex: string) =>
  (house: House): House => ({ ...house, colours: [...house.colours.filter((c) => c !== hex), hex] });
