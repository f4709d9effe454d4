import { type Brief } from '../book';
import type { Hex } from '../colour';
import type { Doc, WordsPart } from '../cover';
import { type Ink, type InkItem, fill, flat } from '../ink';
import { type Rect, compose as after, joinPaths, rectPath, rotate, translate } from '../plane';
import { FALLBACK_CUT, type Shaper, layOut, plainManner } from '../text';
import { type EdgeWords, edgeAt, edgeInk, edgePaint, heldApart } from './edge';

export const SPINE_CUT = 'cormorant-garamond/700';

/** Shares of a spine's height: where title, author, publisher's mark and number stand; null for what there is none of. */
export function spinePlan(brief: Brief, head = 0.045) {
  const number = brief.seriesNumber !== null;
  const mark = initialsOf(brief.publisher);
  const foot = 0.045 + (number ? 0.055 : 0) + (mark ? 0.05 : 0);
  const author = brief.author.trim() !== '';
  const split = author ? 0.6 - (mark ? 0.03 : 0) : 1 - foot;
  return {
    title: [head, split - 0.02] as const,
    author: author ? ([split + 0.02, 1 - foot] as const) : null,
    mark: mark ? { initials: mark, at: number ? 0.888 : 0.935 } : null,
    number: number ? 0.94 : null,
  };
}

/** A publisher's mark where there is no picture of one: up to three initials. */
export const initialsOf = (publisher: string): string =>
  publisher
    .trim()
    .split(/\s+/)
    .map((word) => [...word][0] ?? '')
    .join('')
    .slice(0, 3)
    .toUpperCase();

type Voice = { cut: string; colour: Hex; upper: boolean; tracking: number; foil: boolean };

const wordsPart = (doc: Doc, role: WordsPart['role']): WordsPart | undefined =>
  Object.values(doc.parts).find(
    (part): part is WordsPart => part.kind === 'words' && part.role === role && !part.hidden,
  );

/** Fonts the spine needs: those of the title and byline on the front. */
export function spineNeeds(doc: Doc): string[] {
  return [FALLBACK_CUT, wordsPart(doc, 'title')?.cut ?? SPINE_CUT, wordsPart(doc, 'byline')?.cut ?? SPINE_CUT];
}

/** The front's own voice for a role, its colour kept only where it reads on all that is under it on the spine. */
export function voice(doc: Doc, role: 'title' | 'byline', grounds: readonly Hex[]): Voice {
  const part = wordsPart(doc, role);
  const colour = edgeInk(part?.colour ?? null, grounds);
  return {
    cut: part?.cut ?? SPINE_CUT,
    colour,
    upper: part?.upper ?? false,
    tracking: part?.tracking ?? 0.02,
    foil: part?.foil ?? false,
  };
}

/**
 * The spine from the front: the colours of the front's left edge run on across it, held apart from the words, title and author read down it
 * in their own faces, the volume number stands upright at the foot. Title and author have places of their own and
 * cannot meet. Sizes in pixels; `edge` from top to bottom; `head` is the share of the height kept free at the top.
 */
export function composeSpine(
  doc: Doc,
  brief: Brief,
  shaper: Shaper,
  edge: readonly Hex[],
  size: { widthPx: number; heightPx: number },
  head = 0.045,
): Ink {
  const { widthPx: w, heightPx: h } = size;
  const items: InkItem[] = [];
  const set: EdgeWords[] = [];
  const speak = (role: 'title' | 'byline', from: number, to: number): Voice => {
    const spoken = voice(doc, role, edgeAt(edge, from, to));
    set.push({ from, to, colour: spoken.colour });
    return spoken;
  };
  const plan = spinePlan(brief, head);
  // Thin spines carry smaller words; thick ones do not shout.
  const across = Math.min(w * 0.58, h * 0.05);
  const down = (text: string, from: number, to: number, v: Voice, share: number, align: 'left' | 'right'): void => {
    const area: Rect = { x: from * h, y: -(across * share) / 2, width: (to - from) * h, height: across * share };
    const block = layOut(
      shaper,
      {
        text: text.replace(/\s+/g, ' '),
        cut: v.cut,
        manner: { ...plainManner, tracking: v.tracking },
        leading: 1,
        upper: v.upper,
        align,
        alignY: 'middle',
        sizePx: null,
        maxPx: across,
        minor: null,
        setting: 'across',
        justified: false,
        accents: [],
      },
      area,
    );
    const turn = after(translate(w / 2, 0), rotate(Math.PI / 2));
    items.push(fill(joinPaths(block.words.map((word) => word.path)), flat(v.colour), { transform: turn }));
  };
  if (brief.title.trim()) down(brief.title, ...plan.title, speak('title', ...plan.title), 1, 'left');
  if (plan.author) down(brief.author.trim(), ...plan.author, speak('byline', ...plan.author), 0.54, 'right');
  const upright = (text: string, top: number, most: number): void => {
    const v = speak('byline', top, Math.min(1, top + 0.04));
    const block = layOut(
      shaper,
      {
        text,
        cut: v.cut,
        manner: { ...plainManner, tracking: 0 },
        leading: 1,
        upper: false,
        align: 'centre',
        alignY: 'middle',
        sizePx: null,
        maxPx: across,
        minor: null,
        setting: 'across',
        justified: false,
        accents: [],
      },
      { x: w * 0.15, y: h * top, width: w * 0.7, height: Math.min(h * most, w * 0.7) },
    );
    items.push(fill(joinPaths(block.words.map((word) => word.path)), flat(v.colour)));
  };
  if (plan.mark) upright(plan.mark.initials, plan.mark.at, 0.02);
  if (plan.number !== null) upright(String(brief.seriesNumber), plan.number, 0.03);
  const ground = fill(rectPath({ x: 0, y: 0, width: w, height: h }), edgePaint(heldApart(edge, set), h));
  return { widthPx: w, heightPx: h, items: [ground, ...items] };
}
