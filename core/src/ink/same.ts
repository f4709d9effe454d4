import type { Ink } from './ink';

/** Whether two values of plain data are equal, field by field. */
function equal(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a)) {
    if (!Array.isArray(b) || a.length !== b.length) return false;
    for (let i = 0; i < a.length; i++) if (!equal(a[i], b[i])) return false;
    return true;
  }
  const names = Object.keys(a);
  if (names.length !== Object.keys(b).length) return false;
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  return names.every((name) => equal(left[name], right[name]));
}

/** How many items at the back of two lists are the same, so that what they paint is the same. */
export function sameAtBack(a: Ink, b: Ink): number {
  if (a.widthPx !== b.widthPx || a.heightPx !== b.heightPx) return 0;
  let n = 0;
  while (n < a.items.length && n < b.items.length && equal(a.items[n], b.items[n])) n++;
  return n;
}
