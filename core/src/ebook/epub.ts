import { xml } from '../base';
import { zipSync, type Zippable } from 'fflate';
import { type Brief, seriesLine } from '../book';
import { creditLines } from './credits';
import { containerOf } from './edition';
import { coverPage } from './pages';

/** The text of a book: chapters that follow the title page, their style, and the pictures that they show. */
export type EpubText = {
  readonly chapters: readonly {
    readonly title: string;
    /** Markup within the body. */
    readonly body: string;
    readonly headings: readonly { readonly id: string; readonly text: string }[];
  }[];
  readonly style: string;
  readonly pictures: readonly { readonly name: string; readonly type: string; readonly bytes: Uint8Array }[];
  /** Every picture has words for those who cannot see it. */
  readonly told: boolean;
};

export type EpubInput = {
  readonly brief: Brief;
  readonly cover: { readonly bytes: Uint8Array<ArrayBuffer>; readonly widthPx: number; readonly heightPx: number };
  /** Lines that are due for what the cover shows; they stand at the foot of the title page. */
  readonly credits: readonly string[];
  /** A urn, for example urn:uuid:... */
  readonly identifier: string;
  /** ISO 8601 in UTC without fractions: 2026-11-25T10:00:00Z. */
  readonly modified: string;
  readonly text?: EpubText;
};

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);

/** Words for a reader who cannot see the cover. */
export function coverAlt(brief: Brief): string {
  const title = brief.title.trim() || 'Untitled';
  const subtitle = brief.subtitle.trim() ? `: ${brief.subtitle.trim()}` : '';
  const author = brief.author.trim() ? ` by ${brief.author.trim()}` : '';
  return `Cover of ${title}${subtitle}${author}`;
}

/**
 * An EPUB 3.3 with a cover page, a title page, chapters where there are any, and navigation. The cover is one image, marked as such for new and old
 * reading systems, shown whole on any screen. Equal input gives equal bytes.
 */
export function makeEpub({ brief, cover, credits, identifier, modified, text }: EpubInput): Uint8Array<ArrayBuffer> {
  const title = brief.title.trim() || 'Untitled';
  const author = brief.author.trim();
  const alt = coverAlt(brief);
  const lang = brief.language;
  const page = (heading: string, type: string, body: string, style: string): string =>
    `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE html>
<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="${lang}" xml:lang="${lang}">
  <head>
    <meta charset="utf-8"/>
    <title>${xml(heading)}</title>
    <link rel="stylesheet" type="text/css" href="${style}"/>
  </head>
  <body epub:type="${type}">
${body}
  </body>
</html>
`;
  const coverXhtml = coverPage({ version: 3, href: 'cover.jpg', alt, title, lang, viewport: null });
  const line = (name: string, text: string): string =>
    text.trim() ? `      <p class="${name}">${xml(text.trim())}</p>\n` : '';
  const titlePage = page(
    title,
    'frontmatter',
    `    <section epub:type="titlepage">
${line('series', seriesLine(brief))}      <h1>${xml(title)}</h1>
${line('subtitle', brief.subtitle)}${line('author', author)}${line('publisher', brief.publisher)}${line('website', brief.website)}${creditLines(credits, '      ')}    </section>`,
    'book.css',
  );
  const chapters = (text?.chapters ?? []).map((chapter, i) => ({ ...chapter, href: `chapter-${i + 1}.xhtml` }));
  const navItem = ({ title, href, headings }: (typeof chapters)[number]): string => {
    const inner = headings
      .map(({ id, text }) => `          <li><a href="${href}#${id}">${xml(text)}</a></li>\n`)
      .join('');
    return `        <li><a href="${href}">${xml(title)}</a>${inner && `\n          <ol>\n${inner}          </ol>`}</li>\n`;
  };
  const nav = `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE html>
<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="${lang}" xml:lang="${lang}">
  <head>
    <meta charset="utf-8"/>
    <title>${xml(title)}</title>
  </head>
  <body>
    <nav epub:type="toc" id="toc">
      <h1>${xml(title)}</h1>
      <ol>
        <li><a href="cover.xhtml">Cover</a></li>
        <li><a href="title.xhtml">Title page</a></li>
${chapters.map(navItem).join('')}      </ol>
    </nav>
    <nav epub:type="landmarks" id="landmarks" hidden="hidden">
      <ol>
        <li><a epub:type="cover" href="cover.xhtml">Cover</a></li>
        <li><a epub:type="titlepage" href="title.xhtml">Title page</a></li>
${chapters.length > 0 ? `        <li><a epub:type="bodymatter" href="${chapters[0].href}">${xml(chapters[0].title)}</a></li>\n` : ''}      </ol>
    </nav>
  </body>
</html>
`;
  const series =
    brief.seriesName.trim() &&
    `    <meta property="belongs-to-collection" id="series">${xml(brief.seriesName.trim())}</meta>
    <meta refines="#series" property="collection-type">series</meta>
${brief.seriesNumber === null ? '' : `    <meta refines="#series" property="group-position">${brief.seriesNumber}</meta>\n`}`;
  const summary =
    !text || text.pictures.length === 0
      ? 'The cover has a text alternative; all other pages are text.'
      : text.told
        ? 'The cover and all pictures have text alternatives; the rest is text with headings and contents.'
        : 'The cover has a text alternative; some pictures have none. The rest is text with headings and contents.';
  const opf = `<?xml version="1.0" encoding="UTF-8"?>
<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="book-id" xml:lang="${lang}">
  <metadata xmlns:dc="http://purl.org/dc/elements/1.1/">
    <dc:identifier id="book-id">${xml(identifier)}</dc:identifier>
    <dc:title>${xml(title)}</dc:title>
    <dc:language>${lang}</dc:language>
${author ? `    <dc:creator>${xml(author)}</dc:creator>\n` : ''}${brief.publisher.trim() ? `    <dc:publisher>${xml(brief.publisher.trim())}</dc:publisher>\n` : ''}${brief.blurb.trim() ? `    <dc:description>${xml(brief.blurb.trim())}</dc:description>\n` : ''}${series || ''}    <meta property="dcterms:modified">${modified}</meta>
    <meta property="schema:accessMode">textual</meta>
    <meta property="schema:accessMode">visual</meta>
    <meta property="schema:accessModeSufficient">textual</meta>
${(text?.told ?? true) ? '    <meta property="schema:accessibilityFeature">alternativeText</meta>\n' : ''}${chapters.length > 0 ? '    <meta property="schema:accessibilityFeature">structuralNavigation</meta>\n' : ''}    <meta property="schema:accessibilityFeature">tableOfContents</meta>
    <meta property="schema:accessibilityHazard">none</meta>
    <meta property="schema:accessibilitySummary">${summary}</meta>
    <meta name="cover" content="cover-image"/>
  </metadata>
  <manifest>
    <item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/>
    <item id="cover-image" href="cover.jpg" media-type="image/jpeg" properties="cover-image"/>
    <item id="cover-page" href="cover.xhtml" media-type="application/xhtml+xml"/>
    <item id="title-page" href="title.xhtml" media-type="application/xhtml+xml"/>
    <item id="style" href="book.css" media-type="text/css"/>
${text ? '    <item id="text-style" href="text.css" media-type="text/css"/>\n' : ''}${chapters.map(({ href }, i) => `    <item id="chapter-${i + 1}" href="${href}" media-type="application/xhtml+xml"/>\n`).join('')}${(text?.pictures ?? []).map(({ name, type }, i) => `    <item id="picture-${i + 1}" href="${name}" media-type="${type}"/>\n`).join('')}  </manifest>
  <spine>
    <itemref idref="cover-page"/>
    <itemref idref="title-page"/>
${chapters.map((_, i) => `    <itemref idref="chapter-${i + 1}"/>\n`).join('')}  </spine>
</package>
`;
  const bookCss = `body { margin: 10% 8%; text-align: center; font-family: serif; }
h1 { font-size: 2em; line-height: 1.15; margin: 0.6em 0; }
.series, .publisher, .website { font-size: 0.85em; }
.subtitle { font-style: italic; }
.author { margin-top: 2.5em; }
.publisher { margin-top: 6em; }
.cover-credits { font-size: 0.7em; margin-top: 2em; }
.cover-credits + .cover-credits { margin-top: 0; }
`;
  const entries: Zippable = {
    mimetype: [utf8('application/epub+zip'), { level: 0 }],
    'META-INF/container.xml': utf8(containerOf('EPUB/package.opf')),
    'EPUB/package.opf': utf8(opf),
    'EPUB/nav.xhtml': utf8(nav),
    'EPUB/cover.xhtml': utf8(coverXhtml),
    'EPUB/title.xhtml': utf8(titlePage),
    'EPUB/book.css': utf8(bookCss),
    'EPUB/cover.jpg': [new Uint8Array(cover.bytes), { level: 0 }],
  };
  if (text) {
    entries['EPUB/text.css'] = utf8(text.style);
    for (const { href, title, body } of chapters)
      entries[`EPUB/${href}`] = utf8(page(title, 'bodymatter', body, 'text.css'));
    for (const { name, bytes } of text.pictures) entries[`EPUB/${name}`] = [new Uint8Array(bytes), { level: 0 }];
  }
  return zipSync(entries, { level: 9, mtime: new Date(1980, 0, 1) }) as Uint8Array<ArrayBuffer>;
}
