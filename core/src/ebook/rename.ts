import type { Document } from '@xmldom/xmldom';
import { type Result, finding, ok, slug } from '../base';
import {
  type NameChange,
  NameWalk,
  type NamesFound,
  type NamesWish,
  type Spot,
  type ToldHit,
  bareSite,
  known,
  oftenNamed,
} from '../renaming';
import { type Draft, draftOf } from './draft';
import { parseMarkup, writeMarkup } from './markup';
import { wordsOf } from './metadata';
import { contentsSpots, packageSpots, pageSpots } from './named-places';
import { type Epub, openEpub } from './open-epub';
import { readText } from './pages';

type File = { readonly path: string; readonly page: number | null; readonly doc: Document; readonly spots: Spot[] };

/** Files of a book in which names can stand: the package, the contents of EPUB 2, and all its pages, those in reading order first. */
async function* filesOf(draft: Draft): AsyncGenerator<File> {
  const { epub, notes } = draft;
  const { pkg } = epub;
  yield { path: pkg.path, page: null, doc: pkg.doc, spots: packageSpots(pkg.doc) };
  const order = pkg.spine.flatMap(({ item }) => (item ? [item.path] : []));
  const nav = pkg.items.find((item) => item.properties.includes('nav'))?.path;
  const pages = pkg.items.filter(({ type, path }) => /xhtml|^text\/html$/.test(type) && !order.includes(path));
  const ncx = pkg.items.find((item) => item.type === 'application/x-dtbncx+xml');
  for (const path of new Set([...(ncx ? [ncx.path] : []), ...order, ...pages.map((item) => item.path)])) {
    if (!epub.files.has(path)) continue;
    const doc = parseMarkup(await readText(epub, path), path === ncx?.path ? 'text/xml' : 'application/xhtml+xml');
    if (!doc) {
      notes.push(finding('epub-names-unread', 'should', null, { name: path }));
      continue;
    }
    const at = order.indexOf(path);
    const spots = path === ncx?.path ? contentsSpots(doc) : pageSpots(doc, path === nav);
    yield { path, page: at < 0 ? null : at + 1, doc, spots };
  }
}

/** Goes through a book; where places are accepted, its files are changed in the draft. Faults: those of `NameWalk`. */
async function walked(draft: Draft, wish: NamesWish): Promise<Result<NameWalk>> {
  const begun = NameWalk.of(wish);
  if (!begun.ok) return begun;
  const walk = begun.value;
  const { pkg } = draft.epub;
  for await (const { path, page, doc, spots } of filesOf(draft)) {
    const touched = walk.part(path, page, spots);
    if (!touched.ok) return touched;
    if (touched.value && path !== pkg.path) draft.written.set(path, writeMarkup(doc));
    if (page !== null && spots.some(({ text }) => ISBN.test(text)))
      draft.notes.push(finding('epub-isbn-stands', 'note', null, { name: path }));
  }
  const files = [...draft.epub.files.keys()].filter((name) =>
    walk.changes.some(({ from }) => slug(from).length > 4 && slug(name).includes(slug(from))),
  );
  if (files.length > 0)
    draft.notes.push(finding('epub-names-files', 'note', null, { count: files.length, name: files[0] }));
  walk.changes.forEach(({ from, to }, i) => {
    if (walk.counts[i] > 0) draft.changes.push({ what: 'names', before: from, after: `${walk.counts[i]} x ${to}` });
  });
  return begun;
}

const ISBN = /\bISBN\b[\s:-]*(?:97[89][\s-]?)?\d/i;

/**
 * Lists every place in a book where a name of its old edition stands, in its text, headings, contents, texts for pictures, links and
 * metadata. Names within pictures are not read. Faults: those of `openEpub` and `nameChanges`, `names-many`.
 */
export async function findNames(file: Blob, changes: readonly NameChange[]): Promise<Result<NamesFound>> {
  const opened = await openEpub(file);
  if (!opened.ok) return opened;
  const draft = draftOf(opened.value);
  const walk = await walked(draft, { changes, accepted: new Set() });
  return walk.ok ? ok({ changes: walk.value.changes, hits: walk.value.hits, notes: draft.notes }) : walk;
}

/** Changes the accepted places, and tells of all. Faults: those of `nameChanges`, `names-many`. */
export async function putNames(draft: Draft, wish: NamesWish): Promise<Result<ToldHit[]>> {
  const walk = await walked(draft, wish);
  return walk.ok ? ok(walk.value.told()) : walk;
}

/** Names that a book has now, as it says itself; its site and its mail address are those that it names most often. */
export async function oldNames(epub: Epub): Promise<Omit<NameChange, 'to'>[]> {
  const { title, author, publisher, website } = wordsOf(epub.pkg);
  const spots: Spot[] = [];
  for await (const one of filesOf(draftOf(epub))) spots.push(...one.spots);
  const { site, mail } = oftenNamed(spots);
  return known([
    { kind: 'title', from: title },
    ...author.split(', ').map((from) => ({ kind: 'author' as const, from })),
    { kind: 'publisher', from: publisher },
    { kind: 'site', from: website ? bareSite(website) : site },
    { kind: 'mail', from: mail },
  ]);
}
