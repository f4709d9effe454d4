import type { Hex } from '../colour';
import { type Doc, type DrawnForm, coloursOf } from '../cover';
import { type Book, SIDES } from '../project';
import { sameDrawing } from './exchange-mark';
import { type FaceId, faceOf } from './house-change';

/** What a title uses of what the titles of a house may share. */
export type HouseUse = {
  readonly id: string;
  readonly site: string;
  readonly imprint: string;
  readonly colours: readonly Hex[];
  readonly faces: readonly FaceId[];
  readonly marks: readonly DrawnForm[];
};

const cutsIn = (doc: Doc): string[] =>
  Object.values(doc.parts).flatMap((part) =>
    part.kind === 'words'
      ? [part.cut, part.minor?.cut, part.initial?.cut, ...part.accents.map(({ cut }) => cut)].filter(
          (cut): cut is string => typeof cut === 'string',
        )
      : [],
  );

export function houseUse({ id, brief, cover, sides }: Book): HouseUse {
  const docs = [cover, ...SIDES.flatMap((side) => sides[side]?.doc ?? [])];
  const marks: DrawnForm[] = [];
  for (const part of docs.flatMap((doc) => Object.values(doc.parts))) {
    if (part.kind !== 'shape' || part.role !== 'mark' || part.form.kind !== 'drawn') continue;
    const { form } = part;
    if (!marks.some((one) => sameDrawing(one, form))) marks.push(form);
  }
  return {
    id,
    site: brief.website.trim(),
    imprint: brief.publisher.trim(),
    colours: [...new Set(docs.flatMap(coloursOf))],
    faces: [...new Set(docs.flatMap(cutsIn).map(faceOf))],
    marks,
  };
}

/** One thing with the titles that use it. */
export type Used<T> = { readonly value: T; readonly titles: readonly string[] };

/** What many titles use, each thing once, what most use first. */
export type HouseUses = {
  readonly sites: readonly Used<string>[];
  readonly imprints: readonly Used<string>[];
  readonly colours: readonly Used<Hex>[];
  readonly faces: readonly Used<FaceId>[];
  readonly marks: readonly Used<DrawnForm>[];
};

function gathered<T>(uses: readonly HouseUse[], of: (use: HouseUse) => readonly T[], keyOf: (value: T) => string) {
  const found = new Map<string, { value: T; titles: string[] }>();
  for (const use of uses)
    for (const value of of(use)) {
      const key = keyOf(value);
      const there = found.get(key);
      if (there) there.titles.push(use.id);
      else found.set(key, { value, titles: [use.id] });
    }
  return [...found.values()].sort((a, b) => b.titles.length - a.titles.length);
}

const text = (value: string): string => value.toLowerCase();

export const houseUses = (uses: readonly HouseUse[]): HouseUses => ({
  sites: gathered(uses, ({ site }) => [site], text),
  imprints: gathered(uses, ({ imprint }) => [imprint], text),
  colours: gathered(uses, ({ colours }) => colours, text),
  faces: gathered(uses, ({ faces }) => faces, text),
  marks: gathered(
    uses,
    ({ marks }) => marks,
    ({ paths }) => paths.map(({ d }) => d).join(' '),
  ),
});
