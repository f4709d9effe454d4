import { type Finding, type Result, never, ok } from '../base';
import { FINAL, type Scene, render } from '../mockup';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { findProfile } from '../stores';
import { type Deliverable, type Wishes, ebookFile, formatFor, noWishes, pngFile } from './deliverables';
import type { Delivered } from './delivered';
import { missingFile } from './missing';
import { onGround, stageOf } from './mockup';
import { pdfFile, svgFile } from './page';
import { promoFindings, promoMockup, promoRaster } from './promo';
import { type Others, noOthers, sceneArt, sceneTextures, subjectsOf } from './scene-art';
import { sceneFindings } from './side-findings';
import { storeImage } from './store-image';
import type { Studio } from './studio';

/** A scene as a finished picture, on one thread. */
export async function scenePicture(
  book: Book,
  scene: Scene,
  size: { readonly widthPx: number; readonly heightPx: number },
  studio: Studio,
  others: Others = noOthers,
): Promise<Raster> {
  const textures = sceneTextures(await sceneArt(book, scene, others, studio));
  const things = render(stageOf(book, scene, size.widthPx, size.heightPx, others), textures, FINAL);
  if (!things) throw new Error('render was not cancelled');
  return onGround(things, book, scene, subjectsOf(book, scene, others), studio);
}

/** A file with what is known of the words that it shows. */
export const judged = (made: Result<Delivered>, seen: readonly Finding[]): Result<Delivered> =>
  made.ok ? ok({ ...made.value, findings: [...made.value.findings, ...seen] }) : made;

/** Makes one file of a title on one thread. Faults: those of its kind. */
export async function makeDeliverable(
  book: Book,
  wanted: Deliverable,
  modified: string,
  studio: Studio,
  wishes: Wishes = noWishes,
): Promise<Result<Delivered>> {
  switch (wanted.kind) {
    case 'store-image': {
      const profile = findProfile(wanted.store ?? '', wishes.stores);
      if (!profile) throw new Error('a deliverable names a store that is there');
      return storeImage(book, profile, studio, formatFor(profile, wishes));
    }
    case 'epub':
      return ebookFile(book, modified, studio);
    case 'pdf':
      return pdfFile(book, modified, studio, wishes.page);
    case 'svg':
      return svgFile(book, studio);
    case 'mockup': {
      const lost = await missingFile(book, 'scene', studio);
      if (lost) return { ok: false, fault: lost };
      const made = pngFile(await scenePicture(book, book.scene, wanted, studio), book.scene.ground.kind === 'clear');
      return judged(made, await sceneFindings(book, studio));
    }
    case 'promo': {
      const lost = await missingFile(book, 'promo', studio);
      if (lost) return { ok: false, fault: lost };
      const { scene, ...size } = promoMockup(book);
      const mockup = await scenePicture(book, scene, size, studio);
      return judged(
        pngFile(await promoRaster(book, mockup, book.promo.widthPx, studio), false),
        await promoFindings(book, mockup, studio),
      );
    }
    default:
      return never(wanted.kind);
  }
}
