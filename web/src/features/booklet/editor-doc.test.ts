import { type Block, type Span, allBlocks, ownWords } from '@yosomi/core/booklet';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromEditor, toEditor } from './editor-doc';
import { textSchema } from './extensions';

type JSONContent = ReturnType<typeof toEditor>;
const schema = textSchema();
const span = fc.record({
  text: fc.stringMatching(/^[a-z ]{1,12}$/),
  em: fc.boolean(),
  strong: fc.boolean(),
  link: fc.constantFrom(null, 'https://a.example', 'mailto:a@b.example'),
});
const alike = (a: Span, b: Span): boolean => a.em === b.em && a.strong === b.strong && a.link === b.link;
/** Neighbours that are set alike are one. */
const spans = fc
  .array(span, { minLength: 1, maxLength: 4 })
  .map((list) => list.filter((one, i) => i === 0 || !alike(list[i - 1], one)));
const plain = fc
  .stringMatching(/^[a-z ]{1,12}$/)
  .map((text): Span[] => [{ text, em: false, strong: false, link: null }]);
const leaf: fc.Arbitrary<Block> = fc.oneof(
  spans.map((list): Block => ({ kind: 'paragraph', spans: list })),
  fc.record({
    kind: fc.constant('heading' as const),
    level: fc.constantFrom(1 as const, 2 as const, 3 as const),
    spans,
  }),
  fc.record({
    kind: fc.constant('button' as const),
    label: fc.string({ maxLength: 9 }),
    url: fc.string({ maxLength: 9 }),
  }),
  fc.record({
    kind: fc.constant('picture' as const),
    asset: fc.constant('abcdef1'),
    alt: fc.string({ maxLength: 9 }),
    caption: fc.oneof(plain, fc.constant<Span[]>([])),
    width: fc.constantFrom('column' as const, 'wide' as const),
  }),
  fc.constant<Block>({ kind: 'pause' }),
  fc.integer({ min: 1, max: 4 }).chain((columns) => {
    const row = fc.array(spans, { minLength: columns, maxLength: columns });
    return fc.record({ kind: fc.constant('table' as const), head: row, rows: fc.array(row, { maxLength: 3 }) });
  }),
);
const paragraph = spans.map((list): Block => ({ kind: 'paragraph', spans: list }));
const { block } = fc.letrec<{ block: Block }>((tie) => ({
  block: fc.oneof(
    { maxDepth: 2, withCrossShrink: true },
    leaf,
    fc.record({
      kind: fc.constantFrom('quote' as const, 'tip' as const),
      blocks: fc.array(tie('block'), { minLength: 1, maxLength: 2 }),
    }),
    fc
      .tuple(
        fc.constantFrom('bullets', 'numbers', 'boxes'),
        fc.array(fc.tuple(fc.boolean(), paragraph, fc.array(tie('block'), { maxLength: 1 })), {
          minLength: 1,
          maxLength: 3,
        }),
      )
      .map(([way, items]): Block => ({
        kind: 'list',
        ordered: way === 'numbers',
        start: way === 'numbers' ? 3 : 1,
        items: items.map(([checked, first, more]) => ({
          checked: way === 'boxes' ? checked : null,
          blocks: [first, ...more],
        })),
      })),
  ),
}));
/** As the editor gives it back: through its own schema. */
const through = (blocks: readonly Block[]): Block[] => {
  const node = schema.nodeFromJSON(toEditor(blocks));
  node.check();
  return fromEditor(node.toJSON() as JSONContent);
};

describe('the text in the editor', () => {
  it('comes out as it went in', () => {
    fc.assert(
      fc.property(
        fc.array(block, { minLength: 1, maxLength: 4 }),
        (blocks) => void expect(through(blocks)).toEqual(blocks),
      ),
    );
  });

  it('has rows of one length in its tables', () => {
    const cell: Span[] = [{ text: 'x', em: false, strong: false, link: null }];
    const [table] = through([{ kind: 'table', head: [cell], rows: [[cell, cell, cell], []] }]);
    expect(table.kind === 'table' && [table.head, ...table.rows].map((row) => row.length)).toEqual([3, 3, 3]);
  });

  it('loses no words of what stands in a cell', () => {
    const text = (words: string): JSONContent => ({ type: 'paragraph', content: [{ type: 'text', text: words }] });
    const list = {
      type: 'bulletList',
      content: ['b', 'c'].map((words) => ({ type: 'listItem', content: [text(words)] })),
    };
    const doc = {
      type: 'doc',
      content: [
        {
          type: 'table',
          content: [{ type: 'tableRow', content: [{ type: 'tableCell', content: [text('a'), list, text('d')] }] }],
        },
      ],
    };
    expect(allBlocks(fromEditor(doc)).flatMap(ownWords)).toEqual(['a\nb\nc\nd']);
  });
});
