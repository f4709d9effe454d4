import type { Root, RootContent } from 'mdast';
import { type Result, fail, ok } from '../base';
import { MOST_BLOCKS, MOST_LETTERS, Manuscript, allBlocks, chapterLevelOf, ownWords } from './manuscript';
import { type Dropped, Taking, addressOf, definitionsIn, nodesIn, textIn } from './taking';

/** A text that is read and not yet taken: what it says, with its pictures by their names. */
export type TextDraft = {
  readonly root: Root;
  /** Markup that was left out before. */
  readonly left: readonly string[];
};

export type TakenText = { readonly manuscript: Manuscript; readonly dropped: readonly Dropped[] };

/** A part of a text that can be taken alone, from one of its highest headings to the next. */
export type Chapter = {
  /** Empty for what stands before the first heading. */
  readonly title: string;
  readonly letters: number;
  readonly words: number;
  readonly pieces: number;
  readonly pictures: number;
};

/** The chapters to take, by their places; all where it is null. */
export type Chosen = ReadonlySet<number> | null;

const APART = new Set<RootContent['type']>(['definition', 'footnoteDefinition']);

/** What a tree holds, by chapters; definitions belong to none. */
function parts({ root }: TextDraft): { readonly title: string; readonly nodes: RootContent[] }[] {
  const nodes = root.children.filter(({ type }) => !APART.has(type));
  const level = chapterLevelOf(nodes.flatMap((node) => (node.type === 'heading' ? [node.depth] : [])));
  const all: { title: string; nodes: RootContent[] }[] = [];
  for (const node of nodes) {
    const begins = node.type === 'heading' && level !== null && node.depth <= level;
    const last = all.at(-1);
    // A heading right below another is of the same chapter.
    const within = last?.nodes.every((one) => one.type === 'heading') && last.nodes.length > 0;
    if (!last || (begins && !within)) all.push({ title: begins ? textIn(node).trim() : '', nodes: [node] });
    else last.nodes.push(node);
  }
  return all;
}

const chosenNodes = (draft: TextDraft, chosen: Chosen): RootContent[] =>
  chosen === null ? draft.root.children : parts(draft).flatMap(({ nodes }, i) => (chosen.has(i) ? nodes : []));

const textsOf = (blocks: Manuscript['blocks']): string[] => allBlocks(blocks).flatMap(ownWords);
const lettersOf = (blocks: Manuscript['blocks']): number => textsOf(blocks).reduce((sum, text) => sum + text.length, 0);

/** Counts each chapter as it would be taken. */
export function chaptersIn(draft: TextDraft): Chapter[] {
  const named = picturesInDraft(draft, null);
  const known = new Map(named.map((name) => [name, 'x']));
  const taking = new Taking(draft.root, known);
  return parts(draft).map(({ title, nodes }) => {
    const blocks = taking.blocks(nodes);
    const all = allBlocks(blocks);
    return {
      title,
      letters: lettersOf(blocks),
      words: textsOf(blocks).reduce((sum, text) => sum + (text.match(/\S+/g)?.length ?? 0), 0),
      pieces: all.length,
      pictures: all.filter(({ kind }) => kind === 'picture').length,
    };
  });
}

/** The pictures that the chosen chapters show, as the text names them, each once. */
export function picturesInDraft(draft: TextDraft, chosen: Chosen): string[] {
  const definitions = definitionsIn(draft.root);
  const named = new Set<string>();
  for (const part of chosen === null ? [draft.root] : chosenNodes(draft, chosen))
    for (const node of nodesIn(part))
      if (node.type === 'image' || node.type === 'imageReference') named.add(addressOf(node, definitions));
  named.delete('');
  return [...named];
}

/** What several chapters come to. */
export const sumOf = (chapters: readonly Chapter[]): Omit<Chapter, 'title'> => ({
  letters: chapters.reduce((sum, { letters }) => sum + letters, 0),
  words: chapters.reduce((sum, { words }) => sum + words, 0),
  pieces: chapters.reduce((sum, { pieces }) => sum + pieces, 0),
  pictures: chapters.reduce((sum, { pictures }) => sum + pictures, 0),
});

/** True where a text is no longer than that of one booklet may be. */
export const fits = ({ letters, pieces }: Pick<Chapter, 'letters' | 'pieces'>): boolean =>
  letters <= MOST_LETTERS && pieces <= MOST_BLOCKS;

/**
 * A text, or the chosen chapters of it, as blocks. `known` has the pictures that are there, by the names that the text gives them.
 * Faults: `text-empty`, `text-long`.
 */
export function takenFrom(
  draft: TextDraft,
  known: ReadonlyMap<string, string>,
  chosen: Chosen = null,
): Result<TakenText> {
  const taking = new Taking(draft.root, known);
  for (const one of draft.left) taking.drop('html', one);
  const blocks = [...taking.blocks(chosenNodes(draft, chosen)), ...taking.notes(chosen === null)];
  if (blocks.length === 0) return fail('text-empty');
  if (!fits({ letters: lettersOf(blocks), pieces: allBlocks(blocks).length }))
    return fail('text-long', { most: MOST_LETTERS });
  // A table or a list of more than can be kept.
  const kept = Manuscript.safeParse({ blocks });
  return kept.success
    ? ok({ manuscript: kept.data, dropped: taking.dropped })
    : fail('text-long', { most: MOST_LETTERS });
}
