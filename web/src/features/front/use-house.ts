import type { Fault } from '@yosomi/core/base';
import { type House, emptyHouse } from '@yosomi/core/project';
import { useLiveQuery } from 'dexie-react-hooks';
import { sayFault } from '../../messages/say';
import { type HouseRow, changeHouse, houseOf, loadHouse } from '../../persist/keeps';
import { useFrom } from '../../state/session';

type HouseNow = {
  house: House;
  unread: Fault | null;
  change(edit: (house: House) => House): Promise<boolean>;
};

/** The house style of the open title, and how it is changed: whether it was, and a refused change says why; and `unread` why what is kept of it cannot be read. */
export const useHouse = (): HouseNow => useHouseOf(useFrom((book) => book.id));

/** That of a title which need not be open. */
export const useHouseOf = (title: string): HouseNow => useHouseRow(houseOf(title));

/** One of the houses that are kept. */
export function useHouseRow(row: HouseRow): HouseNow {
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
