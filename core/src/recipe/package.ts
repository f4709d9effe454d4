import { coverAlt } from '../ebook';
import type { Book } from '../project';
import type { Deliverable } from './deliverables';
import { titleStem } from './names';
import { allCredits, picturesAndRights, rightsLines } from './rights';
import { type Others, noOthers } from './scene-art';

/**
 * The folders of titles within a package, by their ids: in whatever order they come, the same. Where two would have the same name, both are
 * told apart by their own ids. `known` are folders that titles had before: one keeps its own as long as its words are the same.
 */
export function titleFolders(
  books: readonly Book[],
  known: Readonly<Record<string, string>> = {},
): Map<string, string> {
  const own = (book: Book): string =>
    `${titleStem(book)}-${book.id
      .toLowerCase()
      .replace(/[^a-z0-9]/g, '')
      .slice(-8)}`;
  const kept = new Map(
    books.flatMap((book) => {
      const before = known[book.id];
      return before === titleStem(book) || before === own(book) ? [[book.id, before] as const] : [];
    }),
  );
  // A folder of a title that is not among these is not theirs either.
  const others = Object.entries(known).flatMap(([id, folder]) => (kept.has(id) ? [] : [folder]));
  const taken = [...others, ...kept.values()];
  const stems = books.map(titleStem);
  return new Map(
    books.map((book, i) => {
      const clashes = stems.filter((stem) => stem === stems[i]).length > 1 || taken.includes(stems[i]);
      return [book.id, kept.get(book.id) ?? (clashes ? own(book) : stems[i])];
    }),
  );
}

const FOLDERS = {
  epub: 'ebook',
  pdf: 'pages',
  booklet: 'pages',
  svg: 'pages',
  mockup: 'pictures',
  promo: 'pictures',
} as const;

/** The folder of a file within its title's: that of its store, else of its kind. */
export const folderFor = (wanted: Deliverable): string =>
  wanted.kind === 'store-image' ? (wanted.store ?? 'stores') : FOLDERS[wanted.kind];

/** A text for whoever gets the files: what each is, which are lacking, words for readers who cannot see the pictures, and who owns the pictures. */
export function packageReadme(
  book: Book,
  files: readonly { readonly wanted: Deliverable; readonly path: string; readonly bytes: number }[],
  changedAt: string,
  lacks: readonly Deliverable[] = [],
  others: Others = noOthers,
): string {
  const { brief } = book;
  const alt = coverAlt(brief);
  const altOf = (wanted: Deliverable): string =>
    wanted.kind === 'mockup' ? `${brief.title || 'The book'} shown as a book. ${alt}.` : `${alt}.`;
  const lines = [
    brief.title || 'Untitled',
    ...[brief.subtitle, brief.author, brief.publisher].filter((text) => text.trim()),
    '',
    `Cover as of ${changedAt}`,
    '',
    'FILES',
  ];
  for (const { wanted, path, bytes } of files) {
    lines.push('', path, `  ${wanted.label}`);
    lines.push(`  ${wanted.widthPx} x ${wanted.heightPx} px, ${wanted.format}, ${bytes} bytes`);
    if (wanted.kind !== 'epub' && wanted.kind !== 'booklet') lines.push(`  Alt text: ${altOf(wanted)}`);
  }
  if (lacks.length > 0) {
    lines.push('', 'NOT IN THIS PACKAGE', '', 'These were not made, or were made from an older cover:');
    for (const { label, fileName } of lacks) lines.push(`  ${label} (${fileName})`);
  }
  lines.push('', 'PICTURES AND THEIR RIGHTS', '');
  const used = picturesAndRights(book);
  if (used.length === 0) lines.push('No pictures are used: the cover is type and shapes.');
  for (const asset of used) {
    lines.push(`${asset.name} (${asset.widthPx} x ${asset.heightPx} px)`);
    lines.push(...rightsLines(asset.rights).map((line) => `  ${line}`));
  }
  const credits = allCredits(book, others);
  if (credits.length > 0) {
    lines.push(
      '',
      'CREDITS THAT ARE DUE',
      '',
      'Show these lines where the cover or a picture of it is shown. The ebook made',
    );
    lines.push('here has those of its text and its cover on its title page.', '', ...credits);
  }
  const faces = Object.values(book.faces).map((face) => face.name);
  if (faces.length > 0) lines.push('', `Own fonts: ${faces.join(', ')}`);
  return `${lines.join('\r\n')}\r\n`;
}
