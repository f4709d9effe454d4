type Loose = Record<string, unknown>;

const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Pictures can be cut out since then: until now none was. */
const told = (value: Loose): Loose =>
  value.kind === 'picture' && typeof value.id === 'string' && typeof value.order === 'string'
    ? { cutOut: null, ...value }
    : value;

/** Every part, wherever a title holds it: its cover, sides and other sizes, versions and promos. */
function everywhere(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(everywhere);
  if (!isLoose(value)) return value;
  return told(Object.fromEntries(Object.entries(value).map(([name, one]) => [name, everywhere(one)])));
}

export const to14 = (old: Loose): Loose => ({ ...(everywhere(old) as Loose), schema: 14 });

/** Steps of a history: parts that one of them puts in are told the same. */
export const patchTo14 = <P extends { readonly value?: unknown }>(patch: P): P =>
  'value' in patch ? { ...patch, value: everywhere(patch.value) } : patch;
