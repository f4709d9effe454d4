import { LRUCache } from 'lru-cache';
import type { Studio } from './studio';

/** What each studio remembers by keys, the least recently used let go of first. */
export function perStudio<T extends object>(
  options: LRUCache.Options<string, T, unknown>,
): (studio: Studio) => LRUCache<string, T> {
  const all = new WeakMap<Studio, LRUCache<string, T>>();
  return (studio) => {
    let own = all.get(studio);
    if (!own) all.set(studio, (own = new LRUCache<string, T>(options)));
    return own;
  };
}
