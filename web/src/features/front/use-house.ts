import { type House, emptyHouse } from '@yosomi/core/project';
import { useLiveQuery } from 'dexie-react-hooks';
import { sayFault } from '../../messages/say';
import { changeHouse, loadHouse } from '../../persist/keeps';

/** The house style, and how it is changed; a refused change says why. */
export function useHouse(): { house: House; change(edit: (house: House) => House): void } {
  const house = useLiveQuery(loadHouse) ?? emptyHouse;
  const change = (edit: (house: House) => House): void =>
    void changeHouse(edit).then((done) => {
      if (!done.ok) sayFault(done.fault);
    });
  return { house, change };
}

export const withColour =
  (hex: string) =>
  (house: House): House => ({ ...house, colours: [...house.colours.filter((c) => c !== hex), hex] });
