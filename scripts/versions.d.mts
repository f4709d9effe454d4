/** The version of every kind of thing, computed anew. `goldens` is the folder of the pictures. */
export function versions(
  goldens?: string,
): Promise<Record<'paint' | 'trace' | 'pin' | 'promo' | 'image' | 'epub' | 'pdf' | 'svg' | 'booklet' | 'desk', string>>;
/** The makers that a golden shows the work of. */
export function makersOf(golden: string): string[];
