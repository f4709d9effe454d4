import { startTransition, useEffect, useState } from 'react';

/** How long a title must stay as it is before what only accompanies it is made anew. */
const REST_MS = 400;

/**
 * The value once it has rested: while it keeps changing, the last rested one. Keeps the worker free for the cover
 * itself while a slider is dragged or a key is held.
 */
export function useRested<T>(value: T): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setRested(() => value)), REST_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return rested;
}
