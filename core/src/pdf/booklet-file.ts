import { type PDFDict, PDFDocument, PDFName, PDFString, type PDFRef } from '@cantoo/pdf-lib';
import type { Mark, OutlineEntry, Page, PageLink, Pages, Tag } from '../booklet';
import { type Result, fail, ok } from '../base';
import type { CutId, FontSubsetter, Shaper } from '../text';
import { markOps } from './content';
import { addressOf } from './cover-page';
import { embedFont, unicodeString } from './font-embed';
import { Structure } from './structure';

export type BookletFile = {
  readonly pages: Pages;
  /** Pictures by the names under which pages draw them. */
  readonly images: ReadonlyMap<string, Uint8Array>;
  /** The flat cover as the first page, as wide as the others; null leaves it out. */
  readonly cover: { readonly jpeg: Uint8Array; readonly ratio: number; readonly alt: string } | null;
  readonly title: string;
  readonly author: string;
  readonly language: string;
  readonly modified: string;
};

/** The signs that pages show, by cut, each with what it stands for most often: where it stands for another, that is said there. */
function signsOf(pages: readonly Page[]): Map<CutId, Map<number, string>> {
  const used = new Map<CutId, Map<number, Map<string, number>>>();
  const entry = <K, V>(map: Map<K, V>, key: K, made: () => V): V => {
    const known = map.get(key) ?? made();
    map.set(key, known);
    return known;
  };
  for (const mark of pages.flatMap(({ marks }) => marks)) {
    if (mark.kind !== 'text') continue;
    const signs = entry(used, mark.cut, () => new Map<number, Map<string, number>>());
    for (const { glyph, text } of mark.glyphs) {
      const counts = entry(signs, glyph, () => new Map<string, number>());
      counts.set(text, (counts.get(text) ?? 0) + 1);
    }
  }
  const most = (counts: Map<string, number>): string => [...counts].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
  return new Map(
    [...used].map(([cut, signs]) => [cut, new Map([...signs].map(([glyph, counts]) => [glyph, most(counts)]))]),
  );
}

type Run = { readonly tag: number | null; readonly link: string | null; readonly marks: Mark[] };

/** Neighbours that belong to the same piece of text. */
function runsOf(marks: readonly Mark[]): Run[] {
  const runs: Run[] = [];
  for (const mark of marks) {
    const link = mark.kind === 'text' ? mark.link : null;
    const before = runs.at(-1);
    if (before && before.tag === mark.tag && before.link === link) before.marks.push(mark);
    else runs.push({ tag: mark.tag, link, marks: [mark] });
  }
  return runs;
}

/**
 * A booklet as a tagged PDF: letters are letters, links and contents lead where they say, and whoever reads it aloud finds its structure.
 * Equal input gives equal bytes. Fault: `font-damaged`.
 */
export async function bookletFile(
  file: BookletFile,
  shaper: Shaper,
  subset: FontSubsetter,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  const { pages, cover } = file;
  const doc = await PDFDocument.create({ updateMetadata: false });
  doc.setTitle(file.title, { showInWindowTitleBar: true });
  if (file.author) doc.setAuthor(file.author);
  doc.setLanguage(file.language || 'en');
  doc.setCreationDate(new Date(file.modified));
  doc.setModificationDate(new Date(file.modified));
  const { context, catalog } = doc;

  const fonts = new Map<CutId, { readonly name: string; readonly ref: PDFRef }>();
  const signs = signsOf(pages.pages);
  for (const [cut, own] of [...signs].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const ref = embedFont(doc, { cut, signs: own }, fonts.size, shaper, subset);
    if (!ref) return fail('font-damaged', { cut });
    fonts.set(cut, { name: `F${fonts.size + 1}`, ref });
  }
  const images = new Map<string, { readonly name: string; readonly ref: PDFRef }>();
  for (const [image, bytes] of file.images) {
    const embedded = bytes[0] === 0x89 ? await doc.embedPng(bytes) : await doc.embedJpg(bytes);
    images.set(image, { name: `P${images.size + 1}`, ref: embedded.ref });
  }

  const tags: Tag[] = cover ? [...pages.tags, { kind: 'Figure', parent: 0, alt: cover.alt }] : [...pages.tags];
  const structure = new Structure(doc, cover ? coverFirst(tags) : tags);
  const refs: PDFRef[] = [];
  const resources = {
    font: (cut: CutId) => fonts.get(cut)?.name ?? '',
    image: (name: string) => images.get(name)?.name ?? null,
    sign: (cut: CutId, glyph: number) => ({
      advance: shaper.advanceOf(cut, glyph),
      text: signs.get(cut)?.get(glyph) ?? '',
    }),
  };
  const dictOf = (entries: ReadonlyMap<string, { name: string; ref: PDFRef }>): Record<string, PDFRef> =>
    Object.fromEntries([...entries.values()].map(({ name, ref }) => [name, ref]));
  const shared = context.register(context.obj({ Font: dictOf(fonts), XObject: dictOf(images) }));

  const add = (
    width: number,
    height: number,
    dict: PDFRef,
    ops: (page: PDFRef, at: { owners: PDFRef[] }) => string[],
  ): PDFRef => {
    const page = doc.addPage([width, height]);
    const at = structure.page();
    const lines = ops(page.ref, at);
    page.node.set(PDFName.of('Resources'), dict);
    page.node.set(PDFName.of('Contents'), context.register(context.flateStream(lines.join('\n'))));
    page.node.set(PDFName.of('StructParents'), context.obj(at.key));
    page.node.set(PDFName.of('Tabs'), PDFName.of('S'));
    return page.ref;
  };

  if (cover) {
    const picture = await doc.embedJpg(cover.jpeg);
    const own = context.register(context.obj({ XObject: { Cover: picture.ref } }));
    const height = pages.width * cover.ratio;
    add(pages.width, height, own, (page, at) => {
      const mcid = structure.content(COVER_TAG, null, page, at);
      return [`/Figure << /MCID ${mcid} >> BDC`, 'q', `${pages.width} 0 0 ${height} 0 0 cm`, '/Cover Do', 'Q', 'EMC'];
    });
  }
  // With a cover before them all other tags have moved by one.
  const tagAt = (tag: number): number => (cover && tag > 0 ? tag + 1 : tag);
  for (const page of pages.pages) {
    refs.push(
      add(pages.width, pages.height, shared, (ref, at) =>
        runsOf(page.marks).flatMap(({ tag, link, marks }) => {
          const ops = marks.flatMap((mark) => markOps(mark, pages.height, resources));
          if (tag === null) return ['/Artifact BMC', ...ops, 'EMC'];
          const mcid = structure.content(tagAt(tag), link, ref, at);
          return [`/${pages.tags[tag].kind} << /MCID ${mcid} >> BDC`, ...ops, 'EMC'];
        }),
      ),
    );
  }
  pages.pages.forEach((page, i) => {
    const notes = page.links.map((link) => annotation(doc, link, refs, pages.height));
    if (notes.length === 0) return;
    const node = doc.getPage(i + (cover ? 1 : 0)).node;
    page.links.forEach((link, k) => {
      const url = link.to.kind === 'url' ? link.to.url : null;
      const key = link.tag === null ? null : structure.annotation(tagAt(link.tag), url, notes[k], refs[i]);
      if (key !== null) (context.lookup(notes[k]) as PDFDict).set(PDFName.of('StructParent'), context.obj(key));
    });
    node.set(PDFName.of('Annots'), context.obj(notes));
  });
  structure.write();
  if (pages.outline.length > 0) catalog.set(PDFName.of('Outlines'), outlineOf(doc, pages.outline, refs, pages.height));
  const first = cover ? [0, { P: PDFString.of('Cover') }, 1, { S: 'D', St: 1 }] : [0, { S: 'D', St: 1 }];
  catalog.set(PDFName.of('PageLabels'), context.obj({ Nums: first }));
  return ok(new Uint8Array(await doc.save({ useObjectStreams: true })));
}

/** The cover's node stands right after the document's, before all that follows it. */
const COVER_TAG = 1;
function coverFirst(tags: readonly Tag[]): Tag[] {
  const [root, ...rest] = tags;
  const cover = rest.pop();
  const moved = rest.map((tag) => ({ ...tag, parent: tag.parent === 0 ? 0 : tag.parent + 1 }));
  return cover ? [root, cover, ...moved] : [root, ...moved];
}

function annotation(doc: PDFDocument, { rect, to, label }: PageLink, pages: readonly PDFRef[], height: number): PDFRef {
  const { context } = doc;
  const { x, y, width, height: h } = rect;
  const leads =
    to.kind === 'url'
      ? { A: { Type: 'Action', S: 'URI', URI: PDFString.of(addressOf(to.url)) } }
      : { Dest: [pages[to.page], 'XYZ', null, null, null] };
  return context.register(
    context.obj({
      Type: 'Annot',
      Subtype: 'Link',
      F: 4,
      Rect: [x, height - y - h, x + width, height - y],
      Border: [0, 0, 0],
      Contents: unicodeString(label),
      ...leads,
    }),
  );
}

/** The chapters as bookmarks, lesser headings under them (ISO 32000, 12.3.3). */
function outlineOf(
  doc: PDFDocument,
  entries: readonly OutlineEntry[],
  pages: readonly PDFRef[],
  height: number,
): PDFRef {
  const { context } = doc;
  const root = context.nextRef();
  type Node = { entry: OutlineEntry; ref: PDFRef; kids: Node[] };
  const top: Node[] = [];
  for (const entry of entries) {
    const node = { entry, ref: context.nextRef(), kids: [] };
    const parent = entry.level > 1 ? top.at(-1) : undefined;
    (parent?.kids ?? top).push(node);
  }
  const write = (nodes: readonly Node[], parent: PDFRef): void =>
    nodes.forEach(({ entry, ref, kids }, i) => {
      const dict = context.obj({
        Title: unicodeString(entry.text),
        Parent: parent,
        Dest: [pages[entry.page], 'XYZ', 0, Math.round(height - entry.y), null],
        ...(i > 0 ? { Prev: nodes[i - 1].ref } : {}),
        ...(i < nodes.length - 1 ? { Next: nodes[i + 1].ref } : {}),
        ...(kids.length > 0 ? { First: kids[0].ref, Last: kids[kids.length - 1].ref, Count: -kids.length } : {}),
      });
      context.assign(ref, dict);
      write(kids, ref);
    });
  write(top, root);
  context.assign(
    root,
    context.obj({ Type: 'Outlines', First: top[0].ref, Last: top[top.length - 1].ref, Count: top.length }),
  );
  return root;
}
