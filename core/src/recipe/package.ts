import { slug } from '../base';
import { coverAlt } from '../ebook';
import { type Book, assetsInUse } from '../project';
import type { Deliverable } from './deliverables';

/** The folder of a title within a package, different from those in `taken` (which it joins). */
export function titleFolder(book: Book, taken: Set<string>): string {
  const stem = slug(book.brief.title, 60);
  for (let n = 1; ; n++) {
    const name = n === 1 ? stem : `${stem}-${n}`;
    if (taken.has(name)) continue;
    taken.add(name);
    return name;
  }
}

const FOLDERS = { epub: 'ebook', pdf: 'pages', svg: 'pages', mockup: 'pictures', promo: 'pictures' } as const;

/** The folder of a file within its title's: that of its store, else of its kind. */
export const folderFor = (wanted: Deliverable): string =>
  wanted.kind === 'store-image' ? (wanted.store ?? 'stores') : FOLDERS[wanted.kind];

/** A text for whoever gets the files: what each is, which are lacking, words for readers who cannot see the pictures, and who owns the pictures. */
export function packageReadme(
  book: Book,
  files: readonly { readonly wanted: Deliverable; readonly path: string; readonly bytes: number }[],
  changedAt: string,
  lacks: readonly Deliverable[] = [],
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
    if (wanted.kind !== 'epub') lines.push(`  Alt text: ${altOf(wanted)}`);
  }
  if (lacks.length > 0) {
    lines.push('', 'NOT IN THIS PACKAGE', '', 'These were not made, or were made from an older cover:');
    for (const { label, fileName } of lacks) lines.push(`  ${label} (${fileName})`);
  }
  lines.push('', 'PICTURES AND THEIR RIGHTS', '');
  const used = assetsInUse(book).flatMap((id) => book.assets[id] ?? []);
  if (used.length === 0) lines.push('No pictures are used: the cover is type and shapes.');
  for (const { name, widthPx, heightPx, rights } of used) {
    lines.push(
      `${name} (${widthPx} x ${heightPx} px)`,
      `  ${rights.trim() || 'No rights are noted: ask before you publish it.'}`,
    );
  }
  const faces = Object.values(book.faces).map((face) => face.name);
  if (faces.length > 0) lines.push('', `Own fonts: ${faces.join(', ')}`);
  return `${lines.join('\r\n')}\r\n`;
}
