type Loose = Record<string, unknown>;

const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

/** What words say since then: how their letters are spaced and divided, a first letter, a room, a style; pictures what of them is seen by degrees; documents hold styles and guides. */
function told(value: Loose): Loose {
  if (value.kind === 'words' && typeof value.id === 'string' && typeof value.order === 'string')
    return { kerning: 'face', hyphens: false, initial: null, room: null, style: null, ...value };
  if (value.kind === 'picture' && typeof value.id === 'string' && typeof value.order === 'string')
    return { soft: null, ...value };
  const doc = typeof value.widthPx === 'number' && typeof value.finished === 'boolean' && isLoose(value.parts);
  return doc ? { ...value, styles: value.styles ?? {}, guides: value.guides ?? null } : value;
}

/** Every part and document, wherever a title holds it: its cover, sides and other sizes, versions and promos. */
function everywhere(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(everywhere);
  if (!isLoose(value)) return value;
  return told(Object.fromEntries(Object.entries(value).map(([name, one]) => [name, everywhere(one)])));
}

/** Words and pictures have more to say, and looks have names: until now they were as they are without. */
export const to13 = (old: Loose): Loose => ({ ...(everywhere(old) as Loose), schema: 13 });

/** Steps of a history: parts and documents that one of them puts in are told the same. */
export const patchTo13 = <P extends { readonly value?: unknown }>(patch: P): P =>
  'value' in patch ? { ...patch, value: everywhere(patch.value) } : patch;
