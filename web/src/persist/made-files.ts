import type { Finding, Result } from '@yosomi/core/base';
import { z } from 'zod';
import { tellOthers } from '../platform/other-windows';
import { db } from './db';
import { guarded } from './guarded';

const Findings = z.array(
  z.object({
    code: z.string(),
    severity: z.enum(['must', 'should', 'note']),
    part: z.string().nullable(),
    data: z.record(z.string(), z.union([z.string(), z.number()])),
  }),
);

/** A file that was made for a title, with the key of the state it was made from. */
export type MadeFile = {
  readonly deliverable: string;
  readonly key: string;
  readonly name: string;
  readonly type: string;
  readonly madeAt: string;
  readonly findings: readonly Finding[];
  readonly bytes: Uint8Array<ArrayBuffer>;
};

/** The row of a file, for whoever reads its bytes later. */
export const rowId = (title: string, deliverable: string): string => `${title}/${deliverable}`;

/** Faults: `store-full`, `store-failed`. */
export async function keepFile(title: string, file: MadeFile): Promise<Result<void>> {
  const { deliverable, ...rest } = file;
  const id = rowId(title, deliverable);
  const done = await guarded(() =>
    db.transaction('rw', [db.files, db.fileKeys], async () => {
      await db.files.put({ id, title, ...rest });
      await db.fileKeys.put({ id, key: file.key });
    }),
  );
  if (done.ok) tellOthers({ kind: 'made', title });
  return done;
}

/** True where this state of a file is kept. */
export async function isKept(title: string, deliverable: string, key: string): Promise<boolean> {
  return (await db.files.get(rowId(title, deliverable)))?.key === key;
}

/** By file of a title, the key of the state that it was made from; bytes are read only of what an older release made. */
export async function keysOf(title: string): Promise<Map<string, string>> {
  const ids = await db.files.where('title').equals(title).primaryKeys();
  const noted = await db.fileKeys.bulkGet(ids);
  const keys = new Map<string, string>();
  for (const [i, id] of ids.entries()) {
    const key = noted[i]?.key ?? (await noteKey(id));
    if (key !== null) keys.set(id.slice(title.length + 1), key);
  }
  return keys;
}

const noteKey = (id: string): Promise<string | null> =>
  db.transaction('rw', [db.files, db.fileKeys], async () => {
    const row = await db.files.get(id);
    if (row) await db.fileKeys.put({ id, key: row.key });
    return row?.key ?? null;
  });

/** What is known of the files of a title, without their bytes. */
export async function madeKeys(
  title: string,
): Promise<ReadonlyMap<string, { readonly key: string; readonly size: number }>> {
  const found = new Map<string, { key: string; size: number }>();
  await db.files
    .where('title')
    .equals(title)
    .each((row) => void found.set(row.id.slice(title.length + 1), { key: row.key, size: row.bytes.length }));
  return found;
}

export async function madeFiles(title: string): Promise<MadeFile[]> {
  const rows = await db.files.where('title').equals(title).toArray();
  return rows.flatMap((row) => {
    const findings = Findings.safeParse(row.findings);
    if (!findings.success) return [];
    const { id, key, name, type, madeAt, bytes } = row;
    return [{ deliverable: id.slice(title.length + 1), key, name, type, madeAt, bytes, findings: findings.data }];
  });
}
