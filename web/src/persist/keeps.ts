import { Part } from '@yosomi/core/cover';
import { Asset, OwnFace } from '@yosomi/core/project';
import { z } from 'zod';
import { db } from './db';

const Copied = z.object({
  parts: z.array(Part).min(1),
  assets: z.record(z.string(), Asset),
  faces: z.record(z.string(), OwnFace),
});
export type Copied = z.infer<typeof Copied>;

/** Keeps copies of parts, to be pasted into any title; the pictures they show stay in the store by their ids. */
export async function copyParts(
  parts: readonly Part[],
  assets: Copied['assets'],
  faces: Copied['faces'],
): Promise<void> {
  await db.keeps.put({ id: 'copied', value: { parts, assets, faces } });
}

/** What was copied last; null where there is nothing. */
export async function copiedParts(): Promise<Copied | null> {
  const row = await db.keeps.get('copied');
  const read = Copied.safeParse(row?.value);
  return read.success ? read.data : null;
}
