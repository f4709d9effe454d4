import type { Fault } from '@yosomi/core/base';

type Sentence = (data: Fault['data']) => string;

/** Sentences about ebooks and PDFs of others, and their new editions. */
export const EBOOK_SENTENCES: Readonly<Record<string, Sentence>> = {
  'epub-markup': (d) => `The file ${d.name} is not well-formed, so some readers will not show it.`,
  'epub-mimetype': () =>
    'The ebook’s file does not begin as it should, and some stores refuse that. A copy that is made here has it right.',
  'epub-no-mimetype': () => 'The ebook’s file lacks the mark that says it is one. A copy that is made here has it.',
  'epub-wrapped': (d) =>
    `Somebody packed the ebook inside a folder (${d.name}). A copy that is made here has it right.`,
  'epub-no-container': () =>
    'The ebook lacks a small file that tells readers where to begin. A copy that is made here has it.',
  'epub-container-path': (d) =>
    `The ebook names ${d.name} as its beginning, and that is not in it. A copy that is made here has it right.`,
  'epub-not': () => 'This is no EPUB. Choose a file that ends in .epub.',
  'epub-container': () => 'This ebook does not say where it begins, so it cannot be opened. Get another copy.',
  'epub-package': () => 'The list of what is in this ebook is missing or damaged. Get another copy.',
  'epub-drm': () => 'This EPUB is locked by copy protection, so its cover cannot be changed. Ask for an open copy.',
  'epub-font-key': () => 'Fonts in this ebook are locked to its number, so that number must stay.',
  'epub-language': (d) =>
    `"${d.found}" is no code of a language. Use one such as en for English or de-AT for German in Austria.`,
  'epub-date': (d) => `"${d.found}" is no date. Use 2026, 2026-11 or 2026-11-26.`,
  'epub-cover-format': (d) => `A cover in an EPUB must be a JPEG or PNG, not ${String(d.found).toUpperCase()}.`,
  'epub-cover-shared': (d) => `Pages of the book show ${d.name} too, so it stays and the cover is beside it.`,
  'epub-cover-property': (d) =>
    `Today’s readers would not find the cover: ${d.name} is not marked for them. A new edition has the mark.`,
  'epub-cover-large': (d) => `The cover in the EPUB has ${d.found} million pixels; the limit is ${d.wanted} million.`,
  'epub-cover-cmyk': () =>
    'The cover in the ebook has colours for print (CMYK); screens want RGB. A new edition has those.',
  'epub-cover-linear': () => 'The cover’s page is marked as one that may be skipped, so some readers will not show it.',
  'epub-cover-viewbox': (d) =>
    `The cover’s page has room for ${d.found} and the picture is ${d.wanted}, so it may be shown squeezed.`,
  'epub-subtitle-left': () => 'EPUB 2 has no place for a subtitle, so it was left out.',
  'epub-page-unread': (d) => `The page ${d.name} cannot be read, so it was left as it is.`,
  'names-newer': (d) =>
    `The file of names was made by a newer version (${d.found}; this one reads ${d.known}). Load the new version.`,
  'names-wrong': (d) => `The file of names cannot be read at ${d.where}. Make it again.`,
  'names-none': () => 'Type at least one new name that differs from the old one.',
  'names-twice': (d) => `“${d.name}” has two new names. Take one of them out.`,
  'names-many': (d) => `The names stand in more than ${d.most} places. Type longer ones.`,
  'name-site': (d) => `“${d.found}” is not a site. Type it like example.com.`,
  'name-mail': (d) => `“${d.found}” is not a mail address.`,
  'epub-names-unread': (d) => `${d.name} could not be read, so no names were looked for in it.`,
  'epub-isbn-stands': (d) => `An ISBN stands in ${d.name}. A new edition has its own, or none.`,
  'epub-names-files': (d) =>
    `${d.count === 1 ? 'A file' : `${d.count} files`} in the book ${d.count === 1 ? 'has' : 'have'} an old name in the file name (${d.name}). Readers do not see it; it stays.`,
  'pdf-names-stand': (d) =>
    `“${d.name}” stands ${d.count === 1 ? 'once' : `${d.count} times`} on the pages themselves (${d.pages}). It stays there. Change it where the PDF is made.`,
  'stamp-empty': () => 'Type what stands at the head or foot.',
  'stamp-long': (d) => `A line has up to ${d.most} letters. Shorten it.`,
  'stamp-letters': (d) => `These letters cannot be set: ${d.letters}. Leave them out.`,
  'stamp-pages': (d) => `The PDF has ${d.pages} pages. Type pages within them, such as 3-20.`,
  'stamp-no-room': () => 'No page has a free margin for these lines. Make them shorter or smaller.',
  'pdf-links-untagged': () =>
    'The new links work, but the tags of this PDF could not be added to, so a screen reader may not name them.',
  'pdf-not': () => 'This is no PDF. Choose a file that ends in .pdf.',
  'pdf-encrypted': () => 'This PDF is locked with a password, so its pages cannot be changed. Ask for an open copy.',
  'pdf-damaged': () => 'This PDF is damaged. Get another copy and try again.',
  'pdf-pages': (d) => `This PDF has more than ${d.most} pages.`,
  'pdf-first-kept': () =>
    'Page 1 is one picture and was kept, since it may be content. If it is the old cover, choose Instead of page 1.',
  'pdf-credit': () => 'No page of credits was put into the PDF. Say the line where you offer the file.',
  'pdf-signed': () => 'The PDF was signed; the signature is no longer true of the copy.',
  'epub-file-missing': (d) => `The EPUB lists ${d.name}, which is not in it.`,
  'epub-nav': () => 'The ebook has no table of contents that readers can use.',
  'epub-cover-image': () => 'The EPUB has no cover image.',
  'epub-cover-unreadable': () => 'The cover picture in the ebook is damaged. A new edition gets another.',
  'epub-cover-meta': () =>
    'Older readers would not find the cover: its mark for them is missing. A new edition has it.',
  'epub-cover-page': () => 'The ebook does not begin with a page that shows the cover. A new edition does.',
  'epub-cover-alt': () => 'The cover in the ebook has no words for readers who cannot see it. A new edition has them.',
  'table-empty': () => 'The table has no books. Its first line names the columns, each further line is a book.',
  'table-large': (d) => `The table is too large. It may have up to ${d.most} books.`,
  'table-column': (d) =>
    `The column “${d.name}” is not known, or there twice. Name it file, title, author, site or cover.`,
  'table-file': () => 'The table needs a column “file” that names the old files.',
  'table-damaged': (d) => `The table has a quote without its partner at line ${d.line}. Mend it there.`,
  'reissue-format': () => 'This is neither an EPUB nor a PDF.',
};
