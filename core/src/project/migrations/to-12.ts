type Loose = Record<string, unknown>;

const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

/** What parts say since then: a name of their own, how figures stand, how a curve ends; what a family of curves passes. */
function told(value: Loose): Loose {
  const part = typeof value.id === 'string' && typeof value.order === 'string' && typeof value.kind === 'string';
  const next: Loose = part ? { name: '', ...value } : value;
  if (part && value.kind === 'words') return { figures: 'face', ...next };
  if (part && value.kind === 'curve') return { closed: false, dash: 0, arrowStart: false, arrowEnd: false, ...next };
  if (value.kind === 'between' && typeof value.part === 'string') return { via: [], carry: false, ...next };
  return next;
}

/** Every part, wherever a title holds it: on the cover, its sides and other sizes, in versions and promos. */
function everywhere(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(everywhere);
  if (!isLoose(value)) return value;
  return told(Object.fromEntries(Object.entries(value).map(([name, one]) => [name, everywhere(one)])));
}

/** Parts have names, words have figures, curves have ends, dashes and ways: until now they were as they are without. */
export const to12 = (old: Loose): Loose => ({ ...(everywhere(old) as Loose), schema: 12 });

/** Steps of a history: parts and families that one of them puts in are told the same. */
export const patchTo12 = <P extends { readonly value?: unknown }>(patch: P): P =>
  'value' in patch ? { ...patch, value: everywhere(patch.value) } : patch;
