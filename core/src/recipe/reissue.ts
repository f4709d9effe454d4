import { type Finding, type Result, fail, finding, ok, slug } from '../base';
import { edgeColour } from '../compose';
import { rgbOf } from '../colour';
import { EPUB_PIXELS, type Cover, type EditionReport, inspectEpub, newEdition, oldNames, openEpub } from '../ebook';
import { formatOf, readDelivered } from '../image-file';
import { oldPdfNames, putPdfWords, renamePdf, setPdfCover } from '../pdf';
import { type Accepted, type NameChange, type TableRow, type ToldHit, nameChanges } from '../renaming';
import { ebookCover } from './repair';
import { stampFile } from './stamp';
import type { Studio } from './studio';

/** A book of others under a new name, and what was done to it. */
export type Reissued = {
  readonly file: Blob;
  readonly kind: 'epub' | 'pdf';
  /** What its file is called, without ending. */
  readonly name: string;
  readonly report: {
    readonly schema: 1;
    readonly names: readonly ToldHit[];
    readonly changes: EditionReport['changes'];
    readonly notes: readonly Finding[];
    /** Pages of a PDF that have their lines, of all; null where none were asked for. */
    readonly stamped: readonly [number, number] | null;
  };
};

const JPEG_QUALITY = 92;
const LINE_SIZE = 8.5;

/** Old names, by the row or else by the book itself, with those of the row in their place. */
function changesOf(own: readonly Omit<NameChange, 'to'>[], { old, now }: TableRow): NameChange[] {
  const told = (Object.keys(old) as (keyof typeof old)[]).flatMap((kind) =>
    old[kind] ? [{ kind, from: old[kind] }] : [],
  );
  const kinds = new Set(told.map(({ kind }) => kind));
  const all = [...told, ...own.filter(({ kind }) => !kinds.has(kind))];
  // Of several authors the first gives way: the others may well have written on.
  const first = all.filter(({ kind }, i) => all.findIndex((one) => one.kind === kind) === i);
  return first.flatMap(({ kind, from }) => (now[kind] ? [{ kind, from, to: now[kind] }] : []));
}

const authorsIn = (names: readonly Omit<NameChange, 'to'>[]): string[] =>
  names.flatMap(({ kind, from }) => (kind === 'author' ? [from] : []));

/** The line of authors to be written anew: none where the file has the old author, whose place alone changes, so that others who wrote it stay. */
function authorOf(changes: readonly NameChange[], had: readonly string[], { now }: TableRow): string {
  const old = changes.find(({ kind }) => kind === 'author')?.from.toLowerCase();
  return old && had.some((name) => name.toLowerCase() === old) ? '' : now.author;
}

/** What is changed: null where no name differs. Faults: those of `nameChanges`. */
function wishOf(
  changes: readonly NameChange[],
  accepted: Accepted,
): Result<{ changes: readonly NameChange[]; accepted: Accepted } | null> {
  const tidy = nameChanges(changes);
  if (tidy.ok) return ok({ changes: tidy.value, accepted });
  return tidy.fault.code === 'names-none' ? ok(null) : tidy;
}

/**
 * A new edition of an EPUB or a PDF by one row of a table: its old names changed in all that it says, its words, its cover, the title page that it
 * has, and lines on the pages of a PDF. Faults: those of the parts, and `reissue-format`.
 */
export async function reissue(
  source: Blob,
  row: TableRow,
  cover: Uint8Array<ArrayBuffer> | null,
  accepted: 'sure' | 'all',
  modified: string,
  studio: Studio,
): Promise<Result<Reissued>> {
  const head = new Uint8Array(await source.slice(0, 1100).arrayBuffer());
  const format = formatOf(head);
  const other = typeof format === 'object' ? format.other : null;
  if (other === 'a zip') return reissueEpub(source, row, cover, accepted, modified, studio);
  if (other === 'a PDF') return reissuePdf(source, row, cover, accepted, modified, studio);
  return fail('reissue-format');
}

async function reissueEpub(
  source: Blob,
  row: TableRow,
  picture: Uint8Array<ArrayBuffer> | null,
  accepted: Accepted,
  modified: string,
  studio: Studio,
): Promise<Result<Reissued>> {
  const opened = await openEpub(source);
  if (!opened.ok) return opened;
  const own = await oldNames(opened.value);
  const asked = changesOf(own, row);
  const wish = wishOf(asked, accepted);
  if (!wish.ok) return wish;
  const read = await inspectEpub(source);
  if (!read.ok) return read;
  const { title, publisher, site } = row.now;
  const author = authorOf(asked, authorsIn(own), row);
  const given = {
    title,
    subtitle: row.subtitle,
    author,
    publisher,
    website: site && `https://${site.replace(/^https?:\/\//i, '')}`,
  };
  const cover = picture && (await epubCover(picture, title || read.value.words.title, studio));
  if (cover && !cover.ok) return cover;
  const old = read.value.titlePage;
  const made = await newEdition(source, {
    ...(wish.value ? { names: wish.value } : {}),
    words: Object.fromEntries(Object.entries(given).filter(([, text]) => text)),
    ...(cover ? { cover: cover.value } : {}),
    // A page that the book itself calls its title page is written anew; any other has its names changed.
    titlePage: old?.sure && (title || row.now.author) ? { insteadOf: old.path } : null,
    ...(row.head || row.foot
      ? { runningLine: { text: row.head || row.foot, at: row.head ? ('head' as const) : ('foot' as const) } }
      : {}),
    ...(row.credit ? { credits: [row.credit] } : {}),
    modified,
  });
  if (!made.ok) return made;
  const { file, report } = made.value;
  const { names, changes, notes } = report;
  const name = slug(title || read.value.words.title);
  return ok({ file, kind: 'epub', name, report: { schema: 1, names, changes, notes, stamped: null } });
}

async function epubCover(picture: Uint8Array<ArrayBuffer>, title: string, studio: Studio): Promise<Result<Cover>> {
  const made = await ebookCover(picture, EPUB_PIXELS, studio);
  if (!made.ok) return made;
  const info = readDelivered(made.value.bytes);
  return info.ok ? ok({ bytes: made.value.bytes, info: info.value, alt: title ? `Cover of ${title}` : null }) : info;
}

async function reissuePdf(
  source: Blob,
  row: TableRow,
  picture: Uint8Array<ArrayBuffer> | null,
  accepted: Accepted,
  modified: string,
  studio: Studio,
): Promise<Result<Reissued>> {
  let bytes = new Uint8Array(await source.arrayBuffer());
  const own = await oldPdfNames(bytes);
  if (!own.ok) return own;
  const { title } = row.now;
  const asked = changesOf(own.value, row);
  const author = authorOf(asked, authorsIn(own.value), row);
  const wish = wishOf(asked, accepted);
  if (!wish.ok) return wish;
  const words = { ...(title ? { title } : {}), ...(author ? { author } : {}) };
  const notes: Finding[] = row.credit ? [finding('pdf-credit', 'note', null)] : [];
  let names: readonly ToldHit[] = [];
  if (wish.value) {
    const renamed = await renamePdf(bytes, wish.value, modified);
    if (!renamed.ok) return renamed;
    ({ bytes } = renamed.value);
    ({ names } = renamed.value.report);
    notes.push(...renamed.value.report.notes);
  }
  let stamped: readonly [number, number] | null = null;
  if (row.head || row.foot) {
    const line = (text: string, at: 'outer' | 'centre') => (text ? { text, at } : null);
    const lines = { head: line(row.head, 'outer'), foot: line(row.foot, 'centre'), even: null, pages: null };
    const made = await stampFile(bytes, { ...lines, size: LINE_SIZE, modified }, studio);
    if (!made.ok) return made;
    ({ bytes } = made.value);
    stamped = [made.value.report.stamped, made.value.report.pages];
    notes.push(...made.value.report.notes);
  }
  if (picture) {
    const page = await pdfPicture(picture, studio);
    if (!page.ok) return page;
    const made = await setPdfCover(bytes, {
      ...page.value,
      place: 'auto',
      ...words,
      modified,
    });
    if (!made.ok) return made;
    ({ bytes } = made.value);
    notes.push(...made.value.report.notes);
  } else if (title || author) {
    const made = await putPdfWords(bytes, words, modified);
    if (!made.ok) return made;
    bytes = made.value;
  }
  const told = own.value.find(({ kind }) => kind === 'title')?.from ?? '';
  const unique = [...new Map(notes.map((note) => [JSON.stringify(note), note])).values()];
  const name = slug(title || told);
  return ok({
    file: new Blob([bytes]),
    kind: 'pdf',
    name,
    report: { schema: 1, names, changes: [], notes: unique, stamped },
  });
}

/** A picture as the first page of a PDF. Faults: those of `readDelivered`, `image-damaged`. */
export async function pdfPicture(
  bytes: Uint8Array<ArrayBuffer>,
  studio: Studio,
): Promise<
  Result<{
    jpeg: Uint8Array<ArrayBuffer>;
    widthPx: number;
    heightPx: number;
    ground: readonly [number, number, number];
  }>
> {
  const read = readDelivered(bytes);
  if (!read.ok) return read;
  const pixels = await studio.decode(bytes);
  if (!pixels) return fail('image-damaged', { format: read.value.format.toUpperCase() });
  const jpeg = await studio.encodeJpeg(pixels, JPEG_QUALITY, false);
  return ok({ jpeg, widthPx: pixels.width, heightPx: pixels.height, ground: rgbOf(edgeColour(pixels)) });
}
