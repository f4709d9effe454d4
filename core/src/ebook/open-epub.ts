import { type Archive, type Entry, openArchive } from '../archive';
import { type Finding, type Result, fail, finding, ok } from '../base';
import { MOST_MARKUP, named, parseMarkup, textOf } from './markup';
import { type Package, readPackage } from './package';

/** A book that was opened: its files under the names they have in the book, and its package document. */
export type Epub = {
  readonly pkg: Package;
  /** Entries by their names in the book; a folder that was wrapped around everything is taken off. */
  readonly files: ReadonlyMap<string, Entry>;
  readonly archive: Archive;
  /** Files of a new edition of it that stand in the place of those in the archive. */
  readonly written?: ReadonlyMap<string, Uint8Array>;
  /** What was wrong with the container and will be right in a copy. */
  readonly mends: readonly Finding[];
  /** True where fonts are scrambled with the book's identifier, so that this must stay. */
  readonly scrambledFonts: boolean;
};

export const MIMETYPE = 'application/epub+zip';
const CONTAINER = 'META-INF/container.xml';
const PACKAGE_TYPE = 'application/oebps-package+xml';
const ENCRYPTION = 'META-INF/encryption.xml';

/** Ways to scramble fonts that need no key but the book's own identifier (OCF 3.3, 6; and the one before it). */
const FONT_WAYS = ['http://www.idpf.org/2008/embedding', 'http://ns.adobe.com/pdf/enc#RC'];

/**
 * Opens an EPUB 2 or 3, also one whose container is slightly wrong. Faults: those of `openArchive`, and `epub-not`,
 * `epub-container`, `epub-package`, `epub-drm`.
 */
export async function openEpub(file: Blob): Promise<Result<Epub>> {
  const opened = await openArchive(file);
  if (!opened.ok) return opened.fault.code === 'zip-not' ? fail('epub-not') : opened;
  const archive = opened.value;
  const mends: Finding[] = [];
  const note = (code: string, data: Finding['data'] = {}): void => void mends.push(finding(code, 'should', null, data));

  const wrapper = wrapperOf(archive);
  const files = new Map<string, Entry>();
  for (const entry of archive.entries) {
    if (entry.name.startsWith(wrapper)) files.set(entry.name.slice(wrapper.length), entry);
  }
  if (wrapper) note('epub-wrapped', { name: wrapper.slice(0, -1) });
  await checkMimetype(file, archive, note);

  const read = async (name: string): Promise<Result<string | null>> => {
    const entry = files.get(name);
    if (!entry) return ok(null);
    const bytes = await archive.read(entry.name, MOST_MARKUP);
    return bytes.ok ? ok(textOf(bytes.value)) : bytes;
  };
  const encryption = await read(ENCRYPTION);
  if (!encryption.ok) return encryption;
  const ways = encryption.value === null ? [] : waysOf(encryption.value);
  if (ways === null || ways.some((way) => !FONT_WAYS.includes(way))) return fail('epub-drm');

  const container = await read(CONTAINER);
  if (!container.ok) return container;
  const opfs = [...files.keys()].filter((name) => /\.opf$/i.test(name));
  let path: string;
  if (container.value === null) {
    if (opfs.length !== 1) return fail(opfs.length === 0 && !files.has('mimetype') ? 'epub-not' : 'epub-container');
    path = opfs[0];
    note('epub-no-container');
  } else {
    const root = parseMarkup(container.value);
    if (!root) return fail('epub-container');
    const roots = named(root, 'rootfile');
    // A container may list other renditions, such as a PDF, before the package.
    const packages = roots.filter((one) => one.getAttribute('media-type') === PACKAGE_TYPE);
    const listed = (packages.length > 0 ? packages : roots).map((one) => one.getAttribute('full-path') ?? '');
    const found = listed.find((name) => files.has(name)) ?? (opfs.length === 1 ? opfs[0] : undefined);
    if (found === undefined) return fail('epub-package');
    if (!listed.includes(found)) note('epub-container-path', { name: listed[0] ?? '' });
    path = found;
  }
  const text = await read(path);
  if (!text.ok) return text;
  const pkg = readPackage(text.value, path, (name) => files.has(name));
  return pkg ? ok({ pkg, files, archive, mends, scrambledFonts: ways.length > 0 }) : fail('epub-package');
}

/** The folder that someone wrapped around a whole book, ending in a slash; empty where there is none. */
function wrapperOf(archive: Archive): string {
  if (archive.find(CONTAINER)) return '';
  const inner = archive.entries.filter((entry) => /^[^/]+\/META-INF\/container\.xml$/.test(entry.name));
  if (inner.length !== 1) return '';
  return inner[0].name.slice(0, -CONTAINER.length);
}

/** The first bytes of a right container: a local header without extra field, the name and the type, stored. */
async function checkMimetype(file: Blob, archive: Archive, note: (code: string) => void): Promise<void> {
  const head = new Uint8Array(await file.slice(0, 58).arrayBuffer());
  const right =
    new TextDecoder().decode(head.subarray(30)) === `mimetype${MIMETYPE}` && head[8] === 0 && head[28] === 0;
  const there = archive.find('mimetype') !== undefined;
  if (!right) note(there ? 'epub-mimetype' : 'epub-no-mimetype');
}

/** Algorithms that an encryption file names; null where it cannot be read. */
function waysOf(text: string): string[] | null {
  const doc = parseMarkup(text);
  if (!doc) return null;
  return named(doc, 'EncryptedData').map(
    (one) => named(one, 'EncryptionMethod')[0]?.getAttribute('Algorithm') ?? 'none',
  );
}
