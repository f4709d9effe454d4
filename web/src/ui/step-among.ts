import type { KeyboardEvent } from 'react';

/** Arrow keys lead from tile to tile (`data-tile`) as they are seen. */
export function stepAmong(e: KeyboardEvent<HTMLElement>): void {
  const all = [...e.currentTarget.querySelectorAll<HTMLElement>('button[data-tile]')];
  const at = all.findIndex((one) => one === document.activeElement);
  if (at < 0) return;
  const here = all[at].getBoundingClientRect();
  const middle = here.x + here.width / 2;
  const beside = (down: boolean): HTMLElement | undefined =>
    all
      .filter((one) => {
        const { y } = one.getBoundingClientRect();
        return down ? y > here.y + 8 : y < here.y - 8;
      })
      .sort((a, b) => {
        const of = (one: HTMLElement): number => {
          const box = one.getBoundingClientRect();
          return Math.abs(box.y - here.y) * 4 + Math.abs(box.x + box.width / 2 - middle);
        };
        return of(a) - of(b);
      })[0];
  const next = { ArrowRight: all[at + 1], ArrowLeft: all[at - 1], ArrowDown: beside(true), ArrowUp: beside(false) }[
    e.key
  ];
  if (!next) return;
  e.preventDefault();
  next.focus();
}
