let line: Promise<unknown> = Promise.resolve();
let held = false;

const PAUSE_MS = 120;
const isHeld = (): boolean => held;

/** While held, no further small picture is begun: a hand that turns the scene has the cores to itself. */
export const holdPictures = (hold: boolean): void => {
  held = hold;
};

/** Does one after the other, so that the worker that makes files is never behind a queue of small pictures. */
export function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = line.then(async () => {
    while (isHeld()) await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
    return work();
  });
  line = mine.catch(() => {});
  return mine;
}
