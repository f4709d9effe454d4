import { type Finding, type Result, ok } from '../base';
import { type ImageInfo, readImage } from '../image-file';
import { checkOpened } from './check-epub';
import { type FoundCover, findCover } from './find-cover';
import { type FoundTitlePage, findTitlePage } from './find-title-page';
import { wordsOf } from './metadata';
import { type Epub, openEpub } from './open-epub';

/** Most bytes of a picture of a book that is read. */
export const MOST_PICTURE = 60 * 1024 * 1024;

/** What a book is and how it holds its cover. */
export type Inspected = {
  readonly version: 2 | 3;
  readonly package: string;
  readonly words: ReturnType<typeof wordsOf>;
  readonly entries: number;
  readonly unpackedBytes: number;
  readonly pages: number;
  readonly fixedLayout: boolean;
  readonly scrambledFonts: boolean;
  readonly cover: {
    readonly image: string | null;
    readonly missing: boolean;
    readonly page: string | null;
    readonly means: FoundCover['means'];
    readonly widthPx: number | null;
    readonly heightPx: number | null;
    readonly format: string | null;
    readonly bytes: number | null;
  };
  /** The title page that the book has; null where none was found. */
  readonly titlePage: FoundTitlePage | null;
  readonly findings: readonly Finding[];
};

/** The picture of the cover as its bytes; null where there is none that can be read. */
export async function coverBytes(epub: Epub, found: FoundCover): Promise<Uint8Array<ArrayBuffer> | null> {
  const entry = found.image === null ? undefined : epub.files.get(found.image);
  const bytes = entry && (await epub.archive.read(entry.name, MOST_PICTURE));
  return bytes?.ok ? bytes.value : null;
}

/** Reads a book for what it says of itself and of its cover. Faults: those of `openEpub`. */
export async function inspectEpub(file: Blob): Promise<Result<Inspected>> {
  const opened = await openEpub(file);
  if (!opened.ok) return opened;
  const epub = opened.value;
  const { pkg } = epub;
  const found = await findCover(epub);
  const picture = await coverBytes(epub, found);
  const read = picture ? readImage(picture) : null;
  const info: ImageInfo | null = read?.ok ? read.value : null;
  return ok({
    version: pkg.version,
    package: pkg.path,
    words: wordsOf(pkg),
    entries: epub.archive.entries.length,
    unpackedBytes: epub.archive.entries.reduce((sum, entry) => sum + entry.bytes, 0),
    pages: pkg.spine.length,
    fixedLayout: pkg.fixedLayout,
    scrambledFonts: epub.scrambledFonts,
    cover: {
      image: found.image,
      missing: found.missing,
      page: found.page,
      means: found.means,
      widthPx: info?.widthPx ?? null,
      heightPx: info?.heightPx ?? null,
      format: info?.format ?? null,
      bytes: picture?.length ?? null,
    },
    titlePage: await findTitlePage(epub),
    findings: await checkOpened(epub),
  });
}
