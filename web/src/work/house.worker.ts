import type { Fault, Finding } from '@yosomi/core/base';
import { type Raster, shrink } from '@yosomi/core/pixels';
import { Book, type House } from '@yosomi/core/project';
import {
  type HouseChange,
  coverMeasure,
  coverRaster,
  housePlan,
  missingFile,
  touchedBy,
  widthOfShape,
} from '@yosomi/core/recipe';
import { expose, transfer } from 'comlink';
import { changeTitle, touchedTitles, usesOf } from '../persist/house-titles';
import { bitmapOf } from './bitmaps';
import { BrowserStudio } from './browser-studio';

/** A front before and after, and from which width its title reads. `same` where they are painted alike. */
export type BeforeAfter = {
  readonly before: ImageBitmap;
  readonly after: ImageBitmap;
  readonly same: boolean;
  readonly titleFromPx: readonly [before: number | null | undefined, after: number | null | undefined];
  /** Why nothing can be said of how it reads: it lacks a picture or a font. Null where it is whole. */
  readonly lacks: Fault | null;
  /** What is found of it after and was not before. */
  readonly newly: readonly Finding[];
};

const studio = new BrowserStudio();

const alike = (a: Raster, b: Raster): boolean =>
  a.width === b.width && a.height === b.height && a.data.every((value, i) => value === b.data[i]);

/** The front at a width, and what was measured of it. */
async function sightOf(book: Book, widthPx: number) {
  const full = await coverRaster(book, Math.max(widthPx, widthOfShape(book.cover, 400)), studio);
  const pixels = shrink(full, widthPx, Math.round((widthPx * full.height) / full.width));
  return { full, bitmap: await bitmapOf(pixels), measure: await coverMeasure(book, studio) };
}

const api = {
  usesOf,
  touchedTitles,
  changeTitle,

  /** A front as it is and as changes of the house make it; null where they do not change the title. */
  async beforeAfter(
    input: Book,
    changes: readonly HouseChange[],
    fonts: Pick<House, 'faces'>,
    widthPx: number,
  ): Promise<BeforeAfter | null> {
    const plan = housePlan(changes);
    const book = Book.parse(input);
    const touched = plan.ok ? touchedBy(book, plan.value, fonts) : plan;
    if (!touched.ok || !touched.value?.change) return null;
    const [before, after] = [await sightOf(book, widthPx), await sightOf(touched.value.change.next, widthPx)];
    const known = new Set(before.measure.findings.map(({ code, data }) => JSON.stringify([code, data])));
    const pair: BeforeAfter = {
      before: before.bitmap,
      after: after.bitmap,
      same: alike(before.full, after.full),
      lacks: await missingFile(touched.value.change.next, 'cover', studio),
      titleFromPx: [before.measure.titleFromPx, after.measure.titleFromPx],
      newly: after.measure.findings.filter(({ code, data }) => !known.has(JSON.stringify([code, data]))),
    };
    return transfer(pair, [pair.before, pair.after]);
  },
};

export type HouseApi = typeof api;
expose(api);
