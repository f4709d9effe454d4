const DIGITS = '0123456789abcdefghijklmnopqrstuvwxyz';
const FIRST = DIGITS[0];

/**
 * A key that sorts strictly between two others (fractional indexing over base 36).
 * `null` means the open end. Keys never end in the first digit, so there is always room between two.
 */
export function orderBetween(low: string | null, high: string | null): string {
  if (low !== null && high !== null && low >= high) throw new Error(`order keys out of order: ${low} >= ${high}`);
  let key = '';
  let free = high === null;
  for (let i = 0; ; i++) {
    const a = low !== null && i < low.length ? DIGITS.indexOf(low[i]) : 0;
    const b = free ? DIGITS.length : high !== null && i < high.length ? DIGITS.indexOf(high[i]) : 0;
    if (b - a > 1) return key + DIGITS[Math.floor((a + b) / 2)];
    key += DIGITS[a] ?? FIRST;
    if (b > a) free = true;
  }
}

/** `count` keys in rising order, evenly spread. */
export function orderKeys(count: number): string[] {
  const keys: string[] = [];
  let last: string | null = null;
  for (let i = 0; i < count; i++) keys.push((last = orderBetween(last, null)));
  return keys;
}
