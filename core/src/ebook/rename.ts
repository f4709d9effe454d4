import type { Document } from '@xmldom/xmldom';
import { type Finding, type Result, fail, finding, ok, slug } from '../base';
import { type Accepted, type Hit, type NameChange, bareSite, nameChanges, nameFinder, sentenceAt } from '../renaming';
import { type Draft, draftOf } from './draft';
import { parseMarkup, writeMarkup } from './markup';
import { wordsOf } from './metadata';
import { type NamePlace, type Spot, contentsSpots, packageSpots, pageSpots } from './named-places';
import { type Epub, openEpub } from './open-epub';
import { readText } from './pages';

/** An old name in a book: where it stands, and its sentence as it is and as it becomes. */
export type NameHit = Omit<Hit, 'start' | 'end'> & {
  /** Its file and its number there: the same in each reading of the same book for the same names. */
  readonly id: string;
  readonly path: string;
  /** Which of the pages in reading order, from 1; null for what is no page. */
  readonly page: number | null;
  readonly place: NamePlace;
  readonly before: string;
  readonly after: string;
};

export type NamesFound = {
  readonly changes: readonly NameChange[];
  readonly hits: readonly NameHit[];
  readonly notes: readonly Finding[];
};

/** Most places that are listed. */
const MOST_HITS = 20_000;

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

const isAccepted = (accepted: Accepted, hit: NameHit): boolean =>
  accepted === 'all' || (accepted === 'sure' ? hit.sure : accepted.has(hit.id));

/** Goes through a book; where hits are accepted, its files are changed in the draft. Faults: those of `nameChanges`, `names-many`. */
async function walk(draft: Draft, wished: readonly NameChange[], accepted: Accepted): Promise<Result<NamesFound>> {
  const tidy = nameChanges(wished);
  if (!tidy.ok) return tidy;
  const changes = tidy.value;
  const find = nameFinder(changes);
  const { pkg } = draft.epub;
  const hits: NameHit[] = [];
  const counts = changes.map(() => 0);
  const isbn: string[] = [];
  for await (const { path, page, doc, spots } of filesOf(draft)) {
    let [n, touched] = [0, false];
    for (const spot of spots) {
      const here = find(spot.text, spot.standing).map((hit) => {
        const sentence = sentenceAt(spot.text, hit);
        const { start, end, ...rest } = hit;
        const one: NameHit = { ...rest, ...sentence, id: `${path}#${++n}`, path, page, place: spot.place };
        return { one, start, end };
      });
      hits.push(...here.map(({ one }) => one));
      if (hits.length > MOST_HITS) return fail('names-many', { most: MOST_HITS });
      for (const { one, start, end } of here.reverse()) {
        if (!isAccepted(accepted, one)) continue;
        spot.put(start, end, one.becomes);
        counts[one.change]++;
        touched = true;
      }
      if (page !== null && /\bISBN\b[\s:-]*(?:97[89][\s-]?)?\d/i.test(spot.text) && !isbn.includes(path))
        isbn.push(path);
    }
    if (touched && path !== pkg.path) draft.written.set(path, writeMarkup(doc));
  }
  for (const path of isbn) draft.notes.push(finding('epub-isbn-stands', 'note', null, { name: path }));
  const files = [...draft.epub.files.keys()].filter((name) =>
    changes.some(({ from }) => slug(from).length > 4 && slug(name).includes(slug(from))),
  );
  if (files.length > 0)
    draft.notes.push(finding('epub-names-files', 'note', null, { count: files.length, name: files[0] }));
  changes.forEach(({ from, to }, i) => {
    if (counts[i] > 0) draft.changes.push({ what: 'names', before: from, after: `${counts[i]} x ${to}` });
  });
  return ok({ changes, hits, notes: draft.notes });
}

/**
 * Lists every place in a book where a name of its old edition stands, in its text, headings, contents, texts for pictures, links and
 * metadata. Names within pictures are not read. Faults: those of `openEpub` and `nameChanges`, `names-many`.
 */
export async function findNames(file: Blob, changes: readonly NameChange[]): Promise<Result<NamesFound>> {
  const opened = await openEpub(file);
  return opened.ok ? walk(draftOf(opened.value), changes, new Set()) : opened;
}

export type NamesWish = { readonly changes: readonly NameChange[]; readonly accepted: Accepted };

/** Changes the accepted places, and tells of all. Faults: those of `nameChanges`, `names-many`. */
export async function putNames(
  draft: Draft,
  { changes, accepted }: NamesWish,
): Promise<Result<(NameHit & { changed: boolean })[]>> {
  const found = await walk(draft, changes, accepted);
  return found.ok ? ok(found.value.hits.map((hit) => ({ ...hit, changed: isAccepted(accepted, hit) }))) : found;
}

const MAIL = /[\p{L}\p{N}._%+-]+@[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)+/gu;
const SITE = /^https?:\/\/(?:www\.)?([^\s/?#:@]+)/i;

const mostOf = (counts: ReadonlyMap<string, number>): string | undefined =>
  [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0];

/** Names that a book has now, as it says itself; its site and its mail address are those that it names most often. */
export async function oldNames(epub: Epub): Promise<Omit<NameChange, 'to'>[]> {
  const { title, author, publisher, website } = wordsOf(epub.pkg);
  const sites = new Map<string, number>();
  const mails = new Map<string, number>();
  const count = (counts: Map<string, number>, name: string): void => void counts.set(name, (counts.get(name) ?? 0) + 1);
  for await (const { spots } of filesOf(draftOf(epub)))
    for (const { place, text } of spots) {
      for (const [mail] of text.matchAll(MAIL)) count(mails, mail.toLowerCase());
      const host = place === 'link' ? SITE.exec(text)?.[1] : undefined;
      if (host) count(sites, host.toLowerCase());
    }
  // One link may be to anywhere; a site that is the book's own is named again and again, or by the package.
  const often = mostOf(new Map([...sites].filter(([, n]) => n > 1)));
  const names: Omit<NameChange, 'to'>[] = [
    { kind: 'title', from: title },
    ...author.split(', ').map((from) => ({ kind: 'author' as const, from })),
    { kind: 'publisher', from: publisher },
    { kind: 'site', from: website ? bareSite(website) : (often ?? '') },
    { kind: 'mail', from: mostOf(mails) ?? '' },
  ];
  const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
  return names.filter(({ from }, i) => from.trim() && names.findIndex((one) => same(one.from, from)) === i);
}
