import { type House, emptyHouse } from '@yosomi/core/project';
import { useLiveQuery } from 'dexie-react-hooks';
import { sayFault } from '../../messages/say';
import { changeHouse, houseOf, loadHouse } from '../../persist/keeps';
import { useFrom } from '../../state/session';

/** The house style, and how it is changed; a refused change says why. */
export function useHouse(): { house: House; change(edit: (house: House) => House): void } {
  const row = houseOf(useFrom((book) => book.id));
  const house = useLiveQuery(() => loadHouse(row), [row]) ?? emptyHouse;
  const change = (edit: (house: House) => House): void =>
    void changeHouse(row, edit).then((done) => {
      if (!done.ok) sayFault(done.fault);
    });
  return { house, change };
}

export const withColour =
  (hex: string) =>
  (house: House): House => ({ ...house, colours: [...house.colours.filter((c) => c !== hex), hex] });
