import { type Block, type Span, safeLink } from '@yosomi/core/booklet';
import type { JSONContent } from '@tiptap/core';

/** Words as the editor holds them: marks on pieces of text, breaks as nodes of their own. */
function inline(spans: readonly Span[]): JSONContent[] {
  return spans.flatMap(({ text, em, strong, link }) => {
    const marks = [
      ...(strong ? [{ type: 'bold' }] : []),
      ...(em ? [{ type: 'italic' }] : []),
      ...(link === null ? [] : [{ type: 'link', attrs: { href: link } }]),
    ];
    return text
      .split('\n')
      .flatMap((line, i): JSONContent[] => [
        ...(i > 0 ? [{ type: 'hardBreak' }] : []),
        ...(line ? [{ type: 'text', text: line, marks }] : []),
      ]);
  });
}

const para = (spans: readonly Span[]): JSONContent => ({ type: 'paragraph', content: inline(spans) });

/** The editor asks for at least one block within another. */
const within = (blocks: readonly Block[]): JSONContent[] => (blocks.length > 0 ? blocks.map(node) : [para([])]);

function node(block: Block): JSONContent {
  switch (block.kind) {
    case 'heading':
      return { type: 'heading', attrs: { level: block.level }, content: inline(block.spans) };
    case 'paragraph':
      return para(block.spans);
    case 'quote':
      return { type: 'blockquote', content: within(block.blocks) };
    case 'tip':
      return { type: 'tip', content: within(block.blocks) };
    case 'pause':
      return { type: 'horizontalRule' };
    case 'button':
      return { type: 'button', attrs: { label: block.label, url: block.url } };
    case 'picture':
      return {
        type: 'picture',
        attrs: {
          asset: block.asset,
          alt: block.alt,
          caption: block.caption.map(({ text }) => text).join(''),
          wide: block.width === 'wide',
        },
      };
    case 'list': {
      const ticks = block.items.some(({ checked }) => checked !== null);
      if (ticks)
        return {
          type: 'taskList',
          content: block.items.map(({ checked, blocks }) => ({
            type: 'taskItem',
            attrs: { checked: checked ?? false },
            content: led(blocks),
          })),
        };
      const items = block.items.map(({ blocks }) => ({ type: 'listItem', content: led(blocks) }));
      return block.ordered
        ? { type: 'orderedList', attrs: { start: block.start }, content: items }
        : { type: 'bulletList', content: items };
    }
    case 'table': {
      const cell = (type: string) => (spans: readonly Span[]) => ({ type, content: [para(spans)] });
      const columns = Math.max(1, block.head.length, ...block.rows.map((cells) => cells.length));
      // The editor evens out rows by itself, which would be a change that nobody made.
      const row = (type: string, cells: readonly (readonly Span[])[]) => ({
        type: 'tableRow',
        content: Array.from({ length: columns }, (_, i) => cell(type)(cells[i] ?? [])),
      });
      return {
        type: 'table',
        content: [row('tableHeader', block.head), ...block.rows.map((cells) => row('tableCell', cells))],
      };
    }
  }
}

/** Items of lists begin with a paragraph. */
function led(blocks: readonly Block[]): JSONContent[] {
  const nodes = within(blocks);
  return nodes[0].type === 'paragraph' ? nodes : [para([]), ...nodes];
}

/** A text as a document of the editor. */
export const toEditor = (blocks: readonly Block[]): JSONContent => ({ type: 'doc', content: within(blocks) });

function spansOf(nodes: readonly JSONContent[] = []): Span[] {
  const out: Span[] = [];
  for (const one of nodes) {
    const has = (type: string): boolean => one.marks?.some((mark) => mark.type === type) ?? false;
    const href: unknown = one.marks?.find((mark) => mark.type === 'link')?.attrs?.href;
    const link = typeof href === 'string' ? safeLink(href) : null;
    const before = out.at(-1);
    const text = one.type === 'hardBreak' ? '\n' : (one.text ?? '');
    // A break belongs to the words before it.
    const span: Span =
      one.type === 'hardBreak' && before ? { ...before, text } : { text, em: has('italic'), strong: has('bold'), link };
    const alike = before && before.em === span.em && before.strong === span.strong && before.link === span.link;
    if (alike) out[out.length - 1] = { ...before, text: before.text + text };
    else if (text) out.push(span);
  }
  return out;
}

/** The lines of whatever stands in a cell: a cell of ours is one run of words. */
function linesIn(node: JSONContent): Span[][] {
  const content = node.content ?? [];
  const inline = content.length > 0 && content.every(({ type }) => type === 'text' || type === 'hardBreak');
  return inline ? [spansOf(content)] : content.flatMap(linesIn);
}

/** Lines as one run, with breaks between them. */
const joined = (lines: readonly Span[][]): Span[] =>
  lines.flatMap((line, i) =>
    i < lines.length - 1
      ? line.map((span, k) => (k < line.length - 1 ? span : { ...span, text: `${span.text}\n` }))
      : line,
  );

const asText = (value: unknown): string => (typeof value === 'string' ? value : '');

function items(list: JSONContent): Extract<Block, { kind: 'list' }>['items'] {
  return (list.content ?? []).map((item) => ({
    checked: item.type === 'taskItem' ? item.attrs?.checked === true : null,
    blocks: blocksOf(item.content),
  }));
}

function blocksOf(nodes: readonly JSONContent[] = []): Block[] {
  return nodes.flatMap((one): Block[] => {
    switch (one.type) {
      case 'heading': {
        const level = one.attrs?.level === 1 ? 1 : one.attrs?.level === 2 ? 2 : 3;
        return [{ kind: 'heading', level, spans: spansOf(one.content) }];
      }
      case 'paragraph':
        return [{ kind: 'paragraph', spans: spansOf(one.content) }];
      case 'blockquote':
        return [{ kind: 'quote', blocks: blocksOf(one.content) }];
      case 'tip':
        return [{ kind: 'tip', blocks: blocksOf(one.content) }];
      case 'horizontalRule':
        return [{ kind: 'pause' }];
      case 'button':
        return [{ kind: 'button', label: asText(one.attrs?.label), url: asText(one.attrs?.url) }];
      case 'picture': {
        const text = asText(one.attrs?.caption);
        const caption = text ? [{ text, em: false, strong: false, link: null }] : [];
        const width = one.attrs?.wide === true ? 'wide' : 'column';
        return [{ kind: 'picture', asset: asText(one.attrs?.asset), alt: asText(one.attrs?.alt), caption, width }];
      }
      case 'bulletList':
      case 'taskList':
        return [{ kind: 'list', ordered: false, start: 1, items: items(one) }];
      case 'orderedList': {
        const start: unknown = one.attrs?.start;
        return [{ kind: 'list', ordered: true, start: typeof start === 'number' ? start : 1, items: items(one) }];
      }
      case 'table': {
        const rows = (one.content ?? []).map((row) => (row.content ?? []).map((cell) => joined(linesIn(cell))));
        return [{ kind: 'table', head: rows[0] ?? [], rows: rows.slice(1) }];
      }
      default:
        return [];
    }
  });
}

/** The text that a document of the editor holds; empty paragraphs at its end are the editor's, not the text's. */
export function fromEditor(doc: JSONContent): Block[] {
  const blocks = blocksOf(doc.content);
  const empty = (block: Block | undefined): boolean => block?.kind === 'paragraph' && block.spans.length === 0;
  while (empty(blocks.at(-1))) blocks.pop();
  return blocks;
}
