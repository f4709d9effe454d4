import { z } from 'zod';

/** Words that are set alike. A line break within a paragraph is "\n". */
export const Span = z.object({
  text: z.string().max(100_000),
  em: z.boolean(),
  strong: z.boolean(),
  link: z.string().max(2000).nullable(),
});
export type Span = z.infer<typeof Span>;
const Spans = z.array(Span).max(5000);

/** How wide a picture stands: as the words, or into the side where a look has one. */
export const PICTURE_WIDTHS = ['column', 'wide'] as const;

const Heading = z.object({
  kind: z.literal('heading'),
  level: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  spans: Spans,
});
const Paragraph = z.object({ kind: z.literal('paragraph'), spans: Spans });
const Picture = z.object({
  kind: z.literal('picture'),
  asset: z.string().max(40),
  alt: z.string().max(1000),
  caption: Spans,
  width: z.enum(PICTURE_WIDTHS),
});
const MOST_COLUMNS = 100;
const Table = z.object({
  kind: z.literal('table'),
  head: z.array(Spans).max(MOST_COLUMNS),
  rows: z.array(z.array(Spans).max(MOST_COLUMNS)).max(5000),
});
const Button = z.object({ kind: z.literal('button'), label: z.string().max(200), url: z.string().max(2000) });
/** A pause in the text. */
const Pause = z.object({ kind: z.literal('pause') });

type Leaf = z.infer<typeof Heading | typeof Paragraph | typeof Picture | typeof Table | typeof Button | typeof Pause>;
/** A piece of a text. Lists have bullets, numbers, or boxes to tick where `checked` is not null; a tip is advice set apart. */
export type Block =
  | Leaf
  | {
      kind: 'list';
      ordered: boolean;
      start: number;
      items: { checked: boolean | null; blocks: Block[] }[];
    }
  | { kind: 'quote'; blocks: Block[] }
  | { kind: 'tip'; blocks: Block[] };
export type BlockOf<K extends Block['kind']> = Extract<Block, { kind: K }>;

const Blocks: z.ZodType<Block[]> = z.lazy(() => z.array(Block).max(MOST_BLOCKS));
export const Block: z.ZodType<Block> = z.discriminatedUnion('kind', [
  Heading,
  Paragraph,
  z.object({
    kind: z.literal('list'),
    ordered: z.boolean(),
    start: z.number().int().min(0).max(100_000),
    items: z.array(z.object({ checked: z.boolean().nullable(), blocks: Blocks })).max(2000),
  }),
  z.object({ kind: z.literal('quote'), blocks: Blocks }),
  z.object({ kind: z.literal('tip'), blocks: Blocks }),
  Table,
  Picture,
  Button,
  Pause,
]);

export const MOST_BLOCKS = 5000;
/** Letters of a whole text: about 400 pages. */
export const MOST_LETTERS = 1_000_000;

/** The text of a booklet: what it says and what each piece of it is, nothing of how it looks. */
export const Manuscript = z.object({ blocks: z.array(Block).max(MOST_BLOCKS) });
export type Manuscript = z.infer<typeof Manuscript>;

export const emptyManuscript: Manuscript = { blocks: [] };

export const plainSpan = (text: string): Span => ({ text, em: false, strong: false, link: null });
export const textOf = (spans: readonly Span[]): string => spans.map(({ text }) => text).join('');

/** All blocks, those within others after them, in reading order. */
export function allBlocks(blocks: readonly Block[]): Block[] {
  return blocks.flatMap((block) => {
    if (block.kind === 'quote' || block.kind === 'tip') return [block, ...allBlocks(block.blocks)];
    return block.kind === 'list' ? [block, ...block.items.flatMap((item) => allBlocks(item.blocks))] : [block];
  });
}

/** False for a heading without words: it heads nothing. */
export const isWorded = (block: Block): boolean => block.kind !== 'heading' || textOf(block.spans).trim() !== '';

/** The words of a block in reading order, without those within other blocks. */
export function ownWords(block: Block): string[] {
  switch (block.kind) {
    case 'heading':
    case 'paragraph':
      return [textOf(block.spans)];
    case 'table':
      return [...block.head, ...block.rows.flat()].map(textOf);
    case 'picture':
      return [textOf(block.caption)];
    case 'button':
      return [block.label];
    case 'list':
    case 'quote':
    case 'tip':
    case 'pause':
      return [];
  }
}

/** The highest level that several headings have: these are the chapters. One alone is the name of the whole. */
export const chapterLevelOf = (levels: readonly number[]): 1 | 2 | 3 | null =>
  ([1, 2, 3] as const).find((level) => levels.filter((one) => one === level).length > 1) ?? null;

/** Ids of the pictures that a text shows. */
export const picturesIn = ({ blocks }: Manuscript): string[] => [
  ...new Set(allBlocks(blocks).flatMap((block) => (block.kind === 'picture' ? [block.asset] : []))),
];
