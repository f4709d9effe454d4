import { bytesOf, idsIn } from './assets';
import { db } from './db';

/** What is stored of a title that cannot be read: its row as it is, its history, and every picture and font that it names. */
export async function storedOf(id: string): Promise<{
  readonly row: unknown;
  readonly steps: readonly unknown[];
  readonly files: ReadonlyMap<string, Uint8Array<ArrayBuffer>>;
} | null> {
  const row = (await db.titles.get(id)) ?? (await db.removed.get(id));
  if (!row) return null;
  const known = new Set(await db.assets.toCollection().primaryKeys());
  const steps = await db.steps.where('title').equals(id).toArray();
  const named = [...new Set([...idsIn(row), ...idsIn(steps)])].filter((one) => known.has(one));
  return { row, steps, files: await bytesOf(named) };
}
