/**
 * 53-bit hash of a string (cyrb53, public domain), as 11 base-36 characters.
 * For cache keys, not for security.
 */
export function hashText(text: string, seed = 0): string {
  let h1 = 0xdeadbeef ^ seed;
  let h2 = 0x41c6ce57 ^ seed;
  for (let i = 0; i < text.length; i++) {
    const ch = text.charCodeAt(i);
    h1 = Math.imul(h1 ^ ch, 2654435761);
    h2 = Math.imul(h2 ^ ch, 1597334677);
  }
  return finish(h1, h2);
}

/** The same hash over bytes. */
export function hashBytes(bytes: Uint8Array, seed = 0): string {
  let h1 = 0xdeadbeef ^ seed;
  let h2 = 0x41c6ce57 ^ seed;
  for (let i = 0; i < bytes.length; i++) {
    h1 = Math.imul(h1 ^ bytes[i], 2654435761);
    h2 = Math.imul(h2 ^ bytes[i], 1597334677);
  }
  return finish(h1, h2);
}

function finish(a: number, b: number): string {
  let h1 = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  let h2 = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  h1 >>>= 0;
  h2 >>>= 0;
  return (4294967296 * (2097151 & h2) + h1).toString(36).padStart(11, '0');
}

/**
 * Key of any plain JSON value: property order does not matter. What is frozen must be frozen all the way down, as the
 * states of documents are: its text is remembered, so that an edit costs no more than the part it touched.
 */
export function keyOf(value: unknown): string {
  return hashText(stable(value));
}

const remembered = new WeakMap<object, string>();

function stable(value: unknown): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  const known = remembered.get(value);
  if (known !== undefined) return known;
  const text = Array.isArray(value) ? `[${value.map(stable).join(',')}]` : fields(value as Record<string, unknown>);
  if (Object.isFrozen(value)) remembered.set(value, text);
  return text;
}

function fields(record: Record<string, unknown>): string {
  const names = Object.keys(record)
    .filter((name) => record[name] !== undefined)
    .sort();
  return `{${names.map((name) => `${JSON.stringify(name)}:${stable(record[name])}`).join(',')}}`;
}
