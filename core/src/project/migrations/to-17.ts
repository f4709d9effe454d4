import type { Loose } from './everywhere';

/** Since then a title may have pages of a booklet: until now none. Steps made before never touched them. */
export const to17 = (old: Loose): Loose => ({ ...old, booklet: old.booklet ?? null, schema: 17 });
