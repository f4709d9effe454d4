import { xml } from '../base';
import type { PageColours } from './colours';
import { chapterLevel } from './pages';
import { safeLink, typedLink } from './link';
import { type Block, type Manuscript, type Span, allBlocks, isWorded, textOf } from './manuscript';

/** A chapter as markup: what is within its body, and the headings that a reader can go to. */
export type ChapterMarkup = {
  readonly title: string;
  readonly body: string;
  readonly headings: readonly { readonly id: string; readonly text: string }[];
};

const inline = (spans: readonly Span[]): string =>
  spans
    .map(({ text, em, strong, link }) => {
      const words = text.split('\n').map(xml).join('<br/>');
      const set = strong ? `<strong>${words}</strong>` : words;
      const told = em ? `<em>${set}</em>` : set;
      const leads = link === null ? null : safeLink(link);
      return leads === null ? told : `<a href="${xml(leads)}">${told}</a>`;
    })
    .join('');

type Naming = { readonly picture: (asset: string) => string | null; readonly heading: (block: Block) => string | null };

function markup(block: Block, chapters: number, naming: Naming): string {
  const within = (blocks: readonly Block[]): string => blocks.map((one) => markup(one, chapters, naming)).join('');
  switch (block.kind) {
    case 'heading': {
      // Chapters are the first level, whatever they were in the text.
      const level = Math.max(1, Math.min(3, block.level - chapters + 1));
      const id = naming.heading(block);
      return `<h${level}${id ? ` id="${id}"` : ''}>${inline(block.spans)}</h${level}>\n`;
    }
    case 'paragraph':
      return `<p>${inline(block.spans)}</p>\n`;
    case 'list': {
      const name = block.ordered ? 'ol' : 'ul';
      const ticks = block.items.some(({ checked }) => checked !== null);
      const start = block.ordered && block.start !== 1 ? ` start="${block.start}"` : '';
      const items = block.items.map(({ checked, blocks }) => {
        const sign = checked === null ? '' : `<span class="tick">${checked ? '\u2611' : '\u2610'}</span> `;
        const [first] = blocks;
        const body =
          first?.kind === 'paragraph'
            ? `<p>${sign}${inline(first.spans)}</p>\n${within(blocks.slice(1))}`
            : `${sign}${within(blocks)}`;
        return `<li>${body}</li>\n`;
      });
      return `<${name}${ticks ? ' class="ticks"' : ''}${start}>\n${items.join('')}</${name}>\n`;
    }
    case 'quote':
      return `<blockquote>\n${within(block.blocks)}</blockquote>\n`;
    case 'tip':
      return `<aside class="tip" role="doc-tip">\n${within(block.blocks)}</aside>\n`;
    case 'table': {
      const columns = Math.max(block.head.length, ...block.rows.map((row) => row.length));
      const row = (cells: readonly (readonly Span[])[], open: string, close: string): string =>
        `<tr>${Array.from({ length: columns }, (_, i) => `<${open}>${inline(cells[i] ?? [])}</${close}>`).join('')}</tr>\n`;
      const head = block.head.some((cell) => textOf(cell).trim())
        ? `<thead>\n${row(block.head, 'th scope="col"', 'th')}</thead>\n`
        : '';
      return `<table>\n${head}<tbody>\n${block.rows.map((cells) => row(cells, 'td', 'td')).join('')}</tbody>\n</table>\n`;
    }
    case 'picture': {
      const href = naming.picture(block.asset);
      if (href === null) return '';
      const caption = block.caption.length > 0 ? `<figcaption>${inline(block.caption)}</figcaption>` : '';
      return `<figure><img src="${xml(href)}" alt="${xml(block.alt.trim() || textOf(block.caption))}"/>${caption}</figure>\n`;
    }
    case 'button': {
      const leads = typedLink(block.url);
      const label = xml(block.label || leads || '');
      return leads === null
        ? `<p class="call">${label}</p>\n`
        : `<p class="call"><a href="${xml(leads)}">${label}</a></p>\n`;
    }
    case 'pause':
      return '<hr/>\n';
  }
}

/**
 * A text as chapters of XHTML for readers that set it themselves. What stands before the first chapter is one of its own, named by `title`.
 * `picture` gives the address of a picture; null leaves it out.
 */
export function chaptersOf(manuscript: Manuscript, title: string, picture: Naming['picture']): ChapterMarkup[] {
  const level = chapterLevel(manuscript);
  const groups: { title: string; blocks: Block[] }[] = [];
  for (const block of manuscript.blocks.filter(isWorded)) {
    const begins = block.kind === 'heading' && level !== null && block.level <= level;
    if (begins) groups.push({ title: textOf(block.spans), blocks: [block] });
    else if (groups.length > 0) groups[groups.length - 1].blocks.push(block);
    else groups.push({ title, blocks: [block] });
  }
  return groups.map(({ title, blocks }) => {
    const lesser = blocks.slice(1).filter((block) => block.kind === 'heading');
    const ids = new Map<Block, string>(lesser.map((block, i) => [block, `part-${i + 1}`]));
    const naming: Naming = { picture, heading: (block) => ids.get(block) ?? null };
    const headings = lesser
      .filter((block) => level === null || block.level === level + 1)
      .map((block) => ({ id: ids.get(block)!, text: textOf(block.spans) }));
    return { title, body: blocks.map((block) => markup(block, level ?? 1, naming)).join(''), headings };
  });
}

/** Whether every picture of a text has words for those who cannot see it. */
export const allTold = ({ blocks }: Manuscript): boolean =>
  allBlocks(blocks).every((block) => block.kind !== 'picture' || (block.alt.trim() || textOf(block.caption)) !== '');

/** A sheet of styles: colours of the cover, the rest is the reader's own. */
export const styleSheet = (c: PageColours): string => `body { margin: 5% 6%; line-height: 1.45; }
h1, h2, h3 { line-height: 1.2; margin: 1.6em 0 0.5em; color: ${c.accent}; page-break-after: avoid; break-after: avoid; }
h1 { margin-top: 2em; }
h3 { color: inherit; }
blockquote { margin: 1.2em 0 1.2em 0.4em; padding-left: 1em; border-left: 2px solid ${c.rule}; font-style: italic; }
.tip { margin: 1.4em 0; padding: 0.4em 1em; background-color: ${c.tint}; color: ${c.ink}; border-radius: 4px; page-break-inside: avoid; break-inside: avoid; }
ul.ticks { list-style-type: none; padding-left: 0.4em; }
li > p { margin: 0.3em 0; }
table { width: 100%; border-collapse: collapse; margin: 1.2em 0; font-size: 0.92em; }
th, td { padding: 0.4em 0.6em 0.4em 0; text-align: left; vertical-align: top; border-bottom: 1px solid ${c.rule}; }
th { color: ${c.accent}; border-bottom: 2px solid ${c.accent}; }
figure { margin: 1.4em 0; text-align: center; page-break-inside: avoid; break-inside: avoid; }
img { max-width: 100%; max-height: 90vh; }
figcaption { font-size: 0.88em; font-style: italic; margin-top: 0.4em; }
hr { width: 30%; margin: 1.6em auto; border: 0; border-top: 2px solid ${c.rule}; }
.call { margin: 1.6em 0; }
.call a { display: inline-block; padding: 0.6em 1.4em; background-color: ${c.button}; color: ${c.onButton}; text-decoration: none; font-weight: bold; border-radius: 5px; }
`;
