/** What lies over the page and goes away again: what had the focus before is where it returns to. */
const OVERLAYS = '[role="dialog"], [role="alertdialog"], [role="menu"], [role="listbox"]';

/** The entry of the browser's history that the app was opened or reloaded with. */
export const openedWith: string =
  typeof history === 'undefined' ? 'default' : ((history.state as { key?: string } | null)?.key ?? 'default');

let last: HTMLElement | null = null;

if (typeof document !== 'undefined') {
  document.addEventListener('focusin', (e) => {
    const at = e.target;
    if (at instanceof HTMLElement && at !== document.body && !at.closest(OVERLAYS)) last = at;
  });
}

/** The element of the page that had the focus last, outside of everything that lies over it. */
export const opener = (): HTMLElement | null => last;

let onward: string | null = null;

/** Once what is open has closed, the keyboard goes on there instead of where it was opened: at what came of it. */
export function goOnAt(selector: string): void {
  onward = selector;
}

/** Gives the focus back to what opened something, or to where one goes on; where that is gone, to the page itself. */
export function focusOn(opened: HTMLElement | null): void {
  const next = onward ? document.querySelector<HTMLElement>(onward) : null;
  onward = null;
  const element = next ?? opened;
  if (element?.isConnected && element.getClientRects().length > 0) return element.focus();
  const main = document.querySelector('main');
  if (!main) return;
  if (!main.hasAttribute('tabindex')) main.tabIndex = -1;
  main.focus({ preventScroll: true });
}
