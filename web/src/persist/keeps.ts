import { Part } from '@yosomi/core/cover';
import { type Result, fail } from '@yosomi/core/base';
import { Asset, House, OwnFace, emptyHouse, picturesOf } from '@yosomi/core/project';
import { OWN_FACE } from '@yosomi/core/text';
import { z } from 'zod';
import { db } from './db';
import { guarded } from './guarded';

const Copied = z.object({
  parts: z.array(Part).min(1),
  assets: z.record(z.string(), Asset),
  faces: z.record(z.string(), OwnFace),
});
export type Copied = z.infer<typeof Copied>;

const only = <T>(all: Readonly<Record<string, T>>, ids: readonly string[]): Record<string, T> =>
  Object.fromEntries(ids.flatMap((id) => (all[id] ? [[id, all[id]] as const] : [])));

/** Keeps copies of parts, to be pasted into any title, with what they need; its bytes stay in the store by their ids. */
export async function copyParts(
  parts: readonly Part[],
  assets: Copied['assets'],
  faces: Copied['faces'],
): Promise<void> {
  const cuts = parts.flatMap((p) => (p.kind === 'words' ? [p.cut, p.minor?.cut, ...p.accents.map((a) => a.cut)] : []));
  const own = cuts.flatMap((cut) => (cut?.startsWith(OWN_FACE) ? [cut.slice(OWN_FACE.length)] : []));
  const value: Copied = { parts: [...parts], assets: only(assets, picturesOf(parts)), faces: only(faces, own) };
  await db.keeps.put({ id: 'copied', value });
}

/** What was copied last; null where there is nothing. */
export async function copiedParts(): Promise<Copied | null> {
  const row = await db.keeps.get('copied');
  const read = Copied.safeParse(row?.value);
  return read.success ? read.data : null;
}

/** Whose house style: the person's own, or that of the demo books, which stays among them. */
type HouseRow = 'house' | 'house-demo';

export const houseOf = (title: string): HouseRow => (title.startsWith('demo-') ? 'house-demo' : 'house');

/** The house style as it is stored; null where it was written by a newer release and cannot be read. */
async function readHouse(id: HouseRow): Promise<House | null> {
  const row = await db.keeps.get(id);
  if (!row) return emptyHouse;
  const read = House.safeParse(row.value);
  return read.success ? read.data : null;
}

/** The house style, shared by all titles of this browser that are a person's own. */
export const loadHouse = async (id: HouseRow): Promise<House> => (await readHouse(id)) ?? emptyHouse;

/** Changes the house style as it is now. Faults: `house-newer`, `house-full`, `store-full`, `store-failed`. */
export async function changeHouse(id: HouseRow, change: (house: House) => House): Promise<Result<void>> {
  let refused: Result<void> | null = null;
  const done = await guarded(async () => {
    await db.transaction('rw', db.keeps, async () => {
      const now = await readHouse(id);
      const next = now && House.safeParse(change(now));
      refused = !next ? fail('house-newer') : next.success ? null : fail('house-full');
      if (next?.success) await db.keeps.put({ id, value: next.data });
    });
  });
  return refused ?? done;
}
