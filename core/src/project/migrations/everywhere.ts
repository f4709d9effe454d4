export type Loose = Record<string, unknown>;

export const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

/** What is told to every part and document, wherever a title holds it: its cover, sides and other sizes, versions and promos. */
export function everywhere(value: unknown, told: (value: Loose) => Loose): unknown {
  if (Array.isArray(value)) return value.map((one) => everywhere(one, told));
  if (!isLoose(value)) return value;
  return told(Object.fromEntries(Object.entries(value).map(([name, one]) => [name, everywhere(one, told)])));
}

/** A migration of the whole title, and one of the steps of its history: parts that one of them puts in are told the same. */
export const tellAll = (schema: number, told: (value: Loose) => Loose) => ({
  title: (old: Loose): Loose => ({ ...(everywhere(old, told) as Loose), schema }),
  patch: <P extends { readonly value?: unknown }>(patch: P): P =>
    'value' in patch ? { ...patch, value: everywhere(patch.value, told) } : patch,
});
