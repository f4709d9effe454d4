import type { Brief } from '@yosomi/core/book';
import { Part } from '@yosomi/core/cover';
import { type Result, fail, ok, versioned } from '@yosomi/core/base';
import { Asset, House, Houses, OwnFace, assetsTo16, emptyHouse, picturesOf } from '@yosomi/core/project';
import { OWN_FACE } from '@yosomi/core/text';
import { z } from 'zod';
import { db } from './db';
import { type Kept, changeKeep, orEmpty, readKeep } from './keep-row';

const Copied = z.object({
  schema: z.literal(2),
  parts: z.array(Part).min(1),
  assets: z.record(z.string(), Asset),
  faces: z.record(z.string(), OwnFace),
  /** Names of groups. The first releases did not keep them. */
  groups: z.record(z.string(), z.string()).default({}),
});
export type Copied = Omit<z.infer<typeof Copied>, 'schema'>;

/** Copied parts as they are stored. The first releases gave them no number. */
export const Copies = versioned('copied', Copied, [(old) => ({ ...assetsTo16(old), schema: 2 })], {
  newer: 'kept-newer',
  wrong: 'kept-wrong',
  unnumbered: 1,
});

const only = <T>(all: Readonly<Record<string, T>>, ids: readonly string[]): Record<string, T> =>
  Object.fromEntries(ids.flatMap((id) => (all[id] ? [[id, all[id]] as const] : [])));

/** Keeps copies of parts, to be pasted into any title, with what they need; its bytes stay in the store by their ids. */
export async function copyParts(
  parts: readonly Part[],
  assets: Copied['assets'],
  faces: Copied['faces'],
  groups: Copied['groups'],
): Promise<void> {
  const cuts = parts.flatMap((p) => (p.kind === 'words' ? [p.cut, p.minor?.cut, ...p.accents.map((a) => a.cut)] : []));
  const own = cuts.flatMap((cut) => (cut?.startsWith(OWN_FACE) ? [cut.slice(OWN_FACE.length)] : []));
  const value = {
    schema: 2,
    parts: [...parts],
    assets: only(assets, picturesOf(parts)),
    faces: only(faces, own),
    groups: only(
      groups,
      parts.flatMap(({ group }) => group ?? []),
    ),
  };
  await db.keeps.put({ id: 'copied', value });
}

/** What was copied last; null where there is nothing. Faults: `kept-newer`, `kept-wrong`. */
export async function copiedParts(): Promise<Result<Copied | null>> {
  const row = await db.keeps.get('copied');
  return row ? Copies.read(row.value) : ok(null);
}

/** Whose house style: the person's own, or that of the demo books, which stays among them. */
export type HouseRow = 'house' | 'house-demo';

export const houseOf = (title: string): HouseRow => (title.startsWith('demo-') ? 'house-demo' : 'house');

/** The house style, shared by all titles of this browser that are a person's own. */
export const loadHouse = async (id: HouseRow): Promise<Kept<House>> =>
  orEmpty(await readKeep(id, Houses, emptyHouse), emptyHouse);

/** What a person's own house says in each of its titles: what a new one says where nothing else is told. */
export async function houseWords(): Promise<Pick<Brief, 'publisher' | 'website'>> {
  const { value } = await loadHouse('house');
  return { publisher: value.name.trim(), website: value.website.trim() };
}

/** Changes the house style as it is now. Faults: `house-newer`, `house-wrong`, `house-full`, `store-full`, `store-failed`. */
export const changeHouse = (id: HouseRow, change: (house: House) => House): Promise<Result<void>> =>
  changeKeep(id, Houses, emptyHouse, (now) => {
    const next = House.safeParse(change(now));
    return next.success ? ok(next.data) : fail('house-full');
  });
